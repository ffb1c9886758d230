<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'
import { EVENTS, eventText, type EventKind } from '@core/protocol/events'
import { scoreIn } from '@core/analysis/scores'
import { eventWordsSchema } from '@core/bench/eventWords'
import { duration } from '@core/words/figures'
import { understoodScore } from '@core/words/sentences/loadWords'
import FormFailure from '../../forms/FormFailure.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'

/** What happened, with one tap or key; some ask for a word or two. */
const props = defineProps<{ lane: Lane }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const logbook = useLogbook()
const asking = ref<EventKind | null>(null)
const { form, submit, failure } = useYupForm({
  schema: () => eventWordsSchema(asking.value?.kind ?? ''),
  initial: { words: '' },
})
const said = ref('')
const field = useTemplateRef<{ focus: () => void }>('field')

async function keep(kind: EventKind, own: string) {
  const { noted, stored } = await bench.noteEvent(props.lane, kind.kind, eventText(kind, own))
  const where = `${logbook.nameOf(props.lane.setup)}: ${noted.text}, at ${duration(noted.t)}`
  const score = scoreIn(noted)
  const taken = kind.kind === 'score' && score ? ` Taken as ${understoodScore(score)}.` : ''
  said.value = stored ? `${where}.${taken}` : `${where}: not stored yet, in memory only.`
  emit('done')
}
async function begin(kind: EventKind) {
  if (!('asks' in kind)) return keep(kind, '')
  asking.value = kind
  form.resetForm()
  await nextTick()
  field.value?.focus()
}
const note = submit(({ words }: { words: string }) => {
  const kind = asking.value
  asking.value = null
  return kind ? keep(kind, words) : undefined
})
function leave() {
  asking.value = null
  emit('done')
}
defineExpose({ begin })
</script>

<template>
  <div class="events" role="group" aria-label="Something happened">
    <button v-for="e in EVENTS" :key="e.kind" type="button" @click="begin(e)">
      {{ e.text }} <kbd>{{ e.key }}</kbd>
    </button>
    <form v-if="asking && 'asks' in asking" class="ask" novalidate @submit.prevent="note()">
      <FormText ref="field" name="words" :label="asking.asks" maxlength="120" @keydown.esc="leave" />
      <v-btn-other type="submit">Note it</v-btn-other>
      <v-btn @click="leave">Leave it</v-btn>
      <FormFailure :text="failure" />
    </form>
    <p class="said quiet" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.events {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.events > button {
  min-height: 30px;
  padding: 0;
  font-size: 0.9rem;
}
.events > button:hover {
  text-decoration: underline;
}
kbd {
  border: 1px solid rgba(var(--v-border-color), 0.4);
  border-radius: 3px;
  padding: 0 5px;
  font-size: 0.78rem;
  font-family: var(--figure-face);
}
.ask {
  flex-basis: 100%;
  display: flex;
  gap: 12px;
  align-items: center;
  max-width: 520px;
}
.said {
  flex-basis: 100%;
  min-height: 1.3em;
  font-size: 0.9rem;
}
@media (pointer: coarse) {
  .events > button {
    min-height: 44px;
  }
  kbd {
    display: none;
  }
}
</style>
