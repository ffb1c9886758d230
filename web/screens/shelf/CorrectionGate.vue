<script setup lang="ts">
import { useFormValues } from 'vee-validate'
import { nextTick, useTemplateRef, watch } from 'vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import type { Gate, Since } from './useGearForm'

/** Asks why a rating changes under runs that were made with it, and shows what was changed before. */
const props = defineProps<{
  gate: Gate | null
  history: { label: string; from: string; to: string; why: string; when: string; day: string }[]
}>()

// A field's own autofocus waits until it is scrolled into sight: it would take the cursor from whoever went on by then.
const question = useTemplateRef<HTMLElement>('question')
watch(
  () => props.gate !== null,
  async (asked) => {
    await nextTick()
    if (asked) question.value?.querySelector('input')?.focus()
  },
)

const typed = useFormValues<{ since: Since }>()
const SINCE: { value: Since; title: string }[] = [
  { value: 'now', title: 'from now on: runs made before keep what they were made with' },
  { value: 'day', title: 'from a day on' },
  { value: 'always', title: 'it was always so: all its runs are put right' },
]
</script>

<template>
  <div v-if="gate || history.length" ref="question" class="wide gate">
    <template v-if="gate">
      <h3>This changes what runs were made with</h3>
      <ul>
        <li v-for="c in gate.changes" :key="c.field">
          {{ c.label }}: <span class="figure">{{ c.from }} → {{ c.to }}</span>
        </li>
      </ul>
      <p class="quiet">
        It touches {{ gate.runs.length }} {{ gate.runs.length === 1 ? 'run' : 'runs' }}:
        {{ gate.runs.join('; ') }}. The old value, the date and the reason are kept.
      </p>
      <FormText name="why" label="Why the change?" />
      <template v-if="gate.canGoBack">
        <FormPick name="since" label="It holds" :items="SINCE" />
        <FormText v-if="typed.since === 'day'" name="sinceDay" label="from the day" type="date" />
      </template>
    </template>
    <details v-if="history.length" :open="!gate">
      <summary>Corrected before</summary>
      <ul>
        <li v-for="c in history" :key="c.when + c.label">
          {{ c.day }}: {{ c.label }} was <span class="figure">{{ c.from }}</span>, became
          <span class="figure">{{ c.to }}</span> – {{ c.why }}
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.gate {
  border-top: 2px solid rgb(var(--v-theme-primary));
  padding-top: 8px;
}
h3 {
  font-size: 0.98rem;
  font-weight: 650;
}
ul {
  padding-left: 20px;
}
summary {
  cursor: pointer;
  padding: 8px 0;
}
</style>
