<script setup lang="ts">
import { object, string } from 'yup'
import type { Run } from '@core/logbook/run'
import { isMoment } from '@core/trace/fields'
import { dayAndTime, localInput, ofRun } from '@core/words/moments'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useFollowing } from '../../forms/useFollowing'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

/** When the run began, and what is to be said of it. Gear is put right among its conditions. */
const props = defineProps<{ run: Run }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()
/** The run as the form found it: what is not touched here keeps what another tab writes meanwhile. */
const begun = props.run
const before = begun.dated ? localInput(begun.startedAt) : ''

const { form, values, submit, failure, busy } = useYupForm({
  schema: () =>
    object({
      name: string().defined().trim().max(80, 'Keep the name under 80 characters.'),
      began: string()
        .defined()
        .test('known', 'Say when the power came on.', (began) => began !== '' || !begun.dated)
        .test(
          'moment',
          'This is no day and time between 1990 and 2200.',
          (began) => began === '' || isMoment(began),
        ),
      notes: string().defined().max(10_000, 'Keep the notes under 10,000 characters.'),
      why: string()
        .defined()
        .trim()
        .max(400)
        .when('began', {
          is: (began: string) => began !== before && begun.dated,
          then: (field) => field.required('Say why the moment is another.'),
        }),
    }),
  initial: { name: begun.name, began: before, notes: begun.notes, why: '' },
})
useFollowing({ form, values }, () => ({ name: props.run.name, notes: props.run.notes }))
function startOf(began: string, why: string) {
  const startedAt = new Date(began).toISOString()
  const said = { from: ofRun(dayAndTime)(begun), to: dayAndTime(startedAt) }
  return { startedAt, said, why: why || 'The file told no date.' }
}
type Typed = Record<'name' | 'began' | 'notes' | 'why', string>
const save = submit(async ({ name, began, notes, why }: Typed) => {
  const changed = {
    ...(name === begun.name ? {} : { name }),
    ...(notes === begun.notes ? {} : { notes }),
  }
  await corrections.editRun(props.run.id, changed, began === before ? undefined : startOf(began, why))
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Edit this run"
    leave="Leave as it was"
    main="Keep it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <FormText name="name" label="Name" hint="Empty: it goes by device and source" autofocus />
    <FormText name="began" label="Power-on" type="datetime-local" />
    <FormText name="why" label="Why the moment is another" />
    <FormText name="notes" label="Notes" multiline />
    <p class="quiet">Device, source and cable are put right under “Made under”.</p>
  </FormDialog>
</template>
