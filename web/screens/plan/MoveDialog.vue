<script setup lang="ts">
import { computed } from 'vue'
import { moveSchema } from '@core/plan/schema'
import { momentIn } from '@core/plan/windows'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import type { Card } from './useTimetable'

/** Moving a run without dragging: a stretch of free hours, and a time in it. */
const props = defineProps<{
  card: Card
  days: { startS: number; endS: number; title: string; hours: string }[]
}>()
const emit = defineEmits<{ close: []; move: [ms: number] }>()
const choices = computed(() => props.days.map((d) => ({ value: d.startS, title: `${d.title}, ${d.hours}` })))
const { submit, failure } = useYupForm({
  schema: () => moveSchema,
  initial: { day: props.days[0]?.startS ?? 0, time: '' },
})
const move = submit(({ day, time }: { day: number; time: string }) => {
  const window = props.days.find((d) => d.startS === day)!
  emit('move', (time ? momentIn(window, time) : window.startS) * 1000)
  emit('close')
})
</script>

<template>
  <FormDialog
    :title="`Move ${card.name}`"
    leave="Leave it"
    main="Move it"
    :failure="failure"
    @submit="move()"
    @update:model-value="emit('close')"
  >
    <FormPick name="day" label="To" :items="choices" />
    <FormText name="time" label="Not before" hint="Like 19:30; empty for the earliest that fits" />
  </FormDialog>
</template>
