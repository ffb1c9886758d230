<script setup lang="ts">
import { clock, writtenTitle } from '@core/words/figures'
import type { Run } from '@core/logbook/run'
import { correctionSchema } from '@core/protocol/entry'
import type { Trace } from '@core/trace/trace'
import { aboutColumn, valuesOf, type ValueColumn } from '@core/trace/valueColumn'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

const props = defineProps<{ run: Run; trace: Trace; row: number; what: ValueColumn }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()

/** The reading as it is looked at: another tab may put one before it while this stands open. */
const place = { row: props.row, t: props.trace.time[props.row] }
const before = valuesOf(props.trace, props.what)?.[props.row] ?? NaN
const { submit, failure, busy } = useYupForm({
  schema: () =>
    correctionSchema('The value', aboutColumn(props.what).bounds, ` ${aboutColumn(props.what).unit}`),
  initial: { value: Number.isNaN(before) ? '' : String(before), why: '' },
})
const save = submit(async ({ value, why }: { value?: number; why: string }) => {
  await corrections.correct(props.run.id, place, props.what, value ?? null, why)
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Correct a reading"
    leave="Leave as it was"
    main="Correct it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <p>{{ writtenTitle(aboutColumn(what).title) }} at {{ clock(trace.time[row]) }}</p>
    <FormText
      name="value"
      label="Right value"
      hint="Empty means not read"
      :suffix="aboutColumn(what).unit"
      numeric
      autofocus
    />
    <FormText name="why" label="Why" />
  </FormDialog>
</template>
