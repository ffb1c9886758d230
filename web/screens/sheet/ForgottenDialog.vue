<script setup lang="ts">
import { forgottenSchema } from '@core/formats/clockForm'
import type { Run } from '@core/logbook/run'
import { channel, CHANNELS, columnTitle, type Channel } from '@core/trace/channels'
import { durationOf, type Trace } from '@core/trace/trace'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

/** Adds a reading that was taken and not written down. */
const props = defineProps<{ run: Run; trace: Trace; shown: readonly Channel[] }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()
/** The columns that this run has, and always level and power. */
const fields = CHANNELS.filter(
  (c) => c !== 'watched' && (props.shown.includes(c) || c === 'percent' || c === 'power'),
)

type Kept = { time: number; why: string } & Partial<Record<Channel, number>>
const { submit, failure, busy } = useYupForm({
  schema: () => forgottenSchema(durationOf(props.trace)),
  initial: { time: '', why: '', ...Object.fromEntries(fields.map((c) => [c, ''])) },
})
const save = submit(async ({ time, why, ...values }: Kept) => {
  const read = Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined))
  await corrections.addForgotten(props.run.id, { t: time, ...read }, why)
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Add a forgotten reading"
    leave="Leave it"
    main="Add it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <FormText name="time" label="Time" hint="Like 0:12:30 since power-on" autofocus />
    <FormText
      v-for="c in fields"
      :key="c"
      :name="c"
      :label="columnTitle(c)"
      :suffix="channel(c).unit"
      numeric
    />
    <FormText name="why" label="Why it comes only now" />
  </FormDialog>
</template>
