<script setup lang="ts">
import { stretchSchema } from '@core/formats/clockForm'
import type { Run } from '@core/logbook/run'
import { durationOf, type Trace } from '@core/trace/trace'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'
import { useNotices } from '../../stores/notices'

/** A spoilt stretch is not counted; its readings stay with the run and can be taken back in. */
const props = defineProps<{ run: Run; trace: Trace }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()
const notices = useNotices()

const { submit, failure, busy } = useYupForm({
  schema: () => stretchSchema(durationOf(props.trace)),
  initial: { from: '', to: '', why: '' },
})
const save = submit(async ({ from, to, why }: { from: number; to: number; why: string }) => {
  await corrections.cutOut(props.run.id, { fromS: from, toS: to }, why)
  notices.say('The stretch is left out. It can be counted again under “Left out”.')
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Leave a stretch out"
    leave="Leave as it was"
    main="Leave it out"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <FormText name="from" label="From" hint="Like 0:12:30 since power-on" autofocus />
    <FormText name="to" label="To" />
    <FormText name="why" label="Why" />
    <p class="quiet">What remains is a gap: its energy is bridged, and the sheet says so.</p>
  </FormDialog>
</template>
