<script setup lang="ts">
import { readingTimeSchema } from '@core/formats/clockForm'
import type { Run } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'
import { exactClock } from '@core/words/figures'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

/** Puts the time of a reading right; it stays between its neighbours. */
const props = defineProps<{ run: Run; trace: Trace; row: number }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()
const { time } = props.trace
/** The reading as it is looked at: another tab may put one before it while this stands open. */
const place = { row: props.row, t: time[props.row] }

const { submit, failure, busy } = useYupForm({
  schema: () => readingTimeSchema(time[props.row - 1] ?? 0, time[props.row + 1] ?? Infinity),
  initial: { time: exactClock(time[props.row]), why: '' },
})
const save = submit(async ({ time: to, why }: { time: number; why: string }) => {
  await corrections.moveReading(props.run.id, place, to, why)
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Correct the time of a reading"
    leave="Leave as it was"
    main="Correct it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <FormText name="time" label="Right time" hint="Like 0:12:30 since power-on" autofocus />
    <FormText name="why" label="Why" />
  </FormDialog>
</template>
