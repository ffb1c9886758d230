<script setup lang="ts">
import { computed } from 'vue'
import { mixed, object, string } from 'yup'
import type { Run } from '@core/logbook/run'
import { isMoment } from '@core/trace/fields'
import { dayAndTime, localInput, ofRun } from '@core/words/moments'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useFollowing } from '../../forms/useFollowing'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'
import { useLogbook } from '../../stores/logbook'
import { useOpenCells } from '../../stores/openCells'

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
      planned: mixed<NonNullable<Run['planned']>>().nullable().defined().default(null),
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
  initial: { name: begun.name, began: before, notes: begun.notes, planned: begun.planned, why: '' },
})
useFollowing({ form, values }, () => ({ name: props.run.name, notes: props.run.notes }))
const logbook = useLogbook()
const cellsFor = useOpenCells()
/** Where it stands in the plan, and where such a run is waited for. */
const places = computed(() => {
  const own = logbook.campaign(begun.planned?.campaignId ?? null)
  const now = own?.planned.find((p) => p.id === begun.planned?.plannedId)
  const open = cellsFor(begun).filter(({ plannedId }) => plannedId !== now?.id)
  return [
    { value: null, title: 'not of the plan' },
    ...(begun.planned
      ? [
          {
            value: begun.planned,
            title: own && now ? `${own.name}, run ${now.repeat}` : 'a plan that is gone',
          },
        ]
      : []),
    ...open.map(({ campaignId, plannedId, name, repeat }) => ({
      value: { campaignId, plannedId },
      title: `${name}, run ${repeat}`,
    })),
  ]
})
function startOf(began: string, why: string) {
  const startedAt = new Date(began).toISOString()
  const said = { from: ofRun(dayAndTime)(begun), to: dayAndTime(startedAt) }
  return { startedAt, said, why: why || 'The file told no date.' }
}
type Typed = Record<'name' | 'began' | 'notes' | 'why', string> & Pick<Run, 'planned'>
const save = submit(async ({ name, began, notes, planned, why }: Typed) => {
  const changed = {
    ...(name === begun.name ? {} : { name }),
    ...(notes === begun.notes ? {} : { notes }),
    ...(planned?.plannedId === begun.planned?.plannedId ? {} : { planned }),
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
    <FormPick v-if="places.length > 1" name="planned" label="For the plan" :items="places" />
    <FormText name="notes" label="Notes" multiline />
    <p class="quiet">Device, source and cable are put right under “Made under”.</p>
  </FormDialog>
</template>
