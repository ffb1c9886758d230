<script setup lang="ts">
import { computed } from 'vue'
import { scoreIn } from '@core/analysis/scores'
import { eventKind } from '@core/bench/eventWords'
import { newEventSchema } from '@core/formats/clockForm'
import { EVENTS, eventText } from '@core/protocol/events'
import type { TraceEvent } from '@core/trace/trace'
import { understoodScore } from '@core/words/sentences/loadWords'
import FormFailure from '../../forms/FormFailure.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'

/** Something that happened in a run, noted afterwards. */
const props = defineProps<{ durationS: number; add: (event: TraceEvent) => Promise<void> }>()
const emit = defineEmits<{ leave: [] }>()
const KINDS = EVENTS.map(({ kind, text }) => ({ value: kind as string, title: text }))

const { values, submit, failure, busy } = useYupForm({
  schema: () => newEventSchema(props.durationS),
  initial: { kind: 'load-start', time: '', words: '' },
})
const kind = computed(() => eventKind(values.kind))
const asks = computed(() => (kind.value && 'asks' in kind.value ? kind.value.asks : ''))
/** How a score is understood, while it is typed. */
const score = computed(() =>
  kind.value?.kind === 'score' ? scoreIn({ t: 0, kind: 'score', text: values.words.trim() }) : null,
)
const keep = submit(async ({ kind: name, time, words = '' }) => {
  const known = eventKind(name)
  if (known) await props.add({ t: time, kind: known.kind, text: eventText(known, words) })
})
</script>

<template>
  <form class="new" novalidate @submit.prevent="keep()">
    <FormPick name="kind" label="What" :items="KINDS" />
    <FormText name="time" label="Time" placeholder="0:12:30" />
    <FormText v-if="asks" name="words" :label="asks" maxlength="120" class="words" />
    <div class="deeds">
      <v-btn-other type="submit" :loading="busy">Add it</v-btn-other>
      <v-btn @click="emit('leave')">Leave it</v-btn>
    </div>
    <p v-if="score" class="quiet said" role="status">Taken as {{ understoodScore(score) }}.</p>
    <FormFailure :text="failure" />
  </form>
</template>

<style scoped>
.new {
  display: grid;
  grid-template-columns: minmax(180px, 240px) 120px minmax(160px, 1fr);
  gap: 4px 16px;
  align-items: start;
  padding: 8px 0;
}
.deeds,
.said {
  grid-column: 1 / -1;
}
.deeds {
  display: flex;
  gap: 12px;
}
@media (max-width: 600px) {
  .new {
    grid-template-columns: 1fr;
  }
}
</style>
