<script setup lang="ts">
import { reactive } from 'vue'
import type { ChecklistAnswer, ChecklistItem } from '@core/protocol/checklist'
import { askedSchema } from '@core/protocol/entry'
import { timeOfDay } from '@core/words/moments'
import FormText from '../../forms/FormText.vue'
import { asRead } from '@core/words/figures'
import { checkTyped } from '../../forms/yupErrors'

/** Items of a checklist, each to be ticked, answered by a figure, or skipped. */
const props = defineProps<{
  items: readonly ChecklistItem[]
  answerOf: (item: ChecklistItem) => ChecklistAnswer | undefined
  /** What was measured besides, and stands in a field until it is typed over: the rest by its clock. '' for nothing. */
  measured?: (item: ChecklistItem) => string
}>()
const emit = defineEmits<{
  answer: [item: ChecklistItem, given?: 'done' | 'skipped', value?: number | null]
}>()
const typed = reactive<Record<string, string>>({})
const valueOf = (item: ChecklistItem): string =>
  typed[item.id] ?? (props.measured?.(item) || String(item.offered ?? ''))
const errors = reactive<Record<string, string>>({})

function done(item: ChecklistItem) {
  if (!item.asks) return emit('answer', item, 'done', null)
  const read = checkTyped(askedSchema(item.asks), valueOf(item))
  errors[item.id] = read.error
  if ('value' in read) emit('answer', item, 'done', read.value)
}
const said = ({ answer, value, outside, when }: ChecklistAnswer, { asks = '' }: ChecklistItem) =>
  [
    `${answer === 'done' ? 'done' : 'skipped'}${value === null ? '' : `: ${asRead(value, 2, asks)}`}`,
    ...(outside ? ['outside what is required'] : []),
    timeOfDay(when),
  ].join(', ')
</script>

<template>
  <ul>
    <li v-for="item in items" :key="item.id" :class="answerOf(item)?.answer">
      <span class="text">{{ item.text }}</span>
      <template v-if="answerOf(item)">
        <span class="quiet" :class="{ outside: answerOf(item)!.outside }">{{
          said(answerOf(item)!, item)
        }}</span>
        <v-btn size="small" :aria-label="`Change: ${item.text}`" @click="emit('answer', item)">Change</v-btn>
      </template>
      <template v-else>
        <FormText
          v-if="item.asks"
          :model-value="valueOf(item)"
          class="value"
          density="compact"
          :label="item.asks === '%' ? 'Level' : 'Value'"
          :aria-label="item.text"
          :suffix="item.asks"
          numeric
          :error="errors[item.id]"
          @update:model-value="typed[item.id] = String($event ?? '')"
          @keydown.enter.prevent="done(item)"
        />
        <v-btn-other :aria-label="`Done: ${item.text}`" @click="done(item)">Done</v-btn-other>
        <v-btn size="small" :aria-label="`Skip: ${item.text}`" @click="emit('answer', item, 'skipped', null)"
          >Skip</v-btn
        >
      </template>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr));
  column-gap: 48px;
}
li {
  display: flex;
  gap: 6px 12px;
  align-items: center;
  border-bottom: var(--hairline);
  min-height: 48px;
  flex-wrap: wrap;
}
.text {
  flex: 1 1 170px;
}
.done .text {
  opacity: 0.76;
}
.skipped .text {
  text-decoration: line-through;
}
.outside {
  color: rgb(var(--v-theme-warning));
  font-weight: 650;
}
.value {
  flex: 0 1 130px;
}
</style>
