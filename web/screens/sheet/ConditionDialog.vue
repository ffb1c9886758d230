<script setup lang="ts">
import { computed } from 'vue'
import { object, string } from 'yup'
import { id, optionalId } from '@core/trace/fields'
import { correctableLabel, inWords, isRunGear, type Correctable } from '@core/logbook/corrections'
import type { Run } from '@core/logbook/run'
import { RUN_CONDITIONS, type RunCondition } from '@core/protocol/runConditions'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'
import { useLogbook } from '../../stores/logbook'

/** Puts one condition of a run right. */
const props = defineProps<{ run: Run; field: Correctable }>()
const emit = defineEmits<{ done: [] }>()
const logbook = useLogbook()
const corrections = useCorrections()

const entry = computed<RunCondition>(() =>
  isRunGear(props.field)
    ? { schema: props.field === 'cableId' ? optionalId() : id() }
    : RUN_CONDITIONS[props.field],
)
const before = isRunGear(props.field) ? props.run[props.field] : props.run.conditions[props.field]
/** What it is chosen from; null where it is typed. */
const items = computed(() => {
  const { pick } = entry.value
  if (props.field === 'cableId') return listOf(logbook.cables)
  if (props.field === 'deviceId') return listOf(logbook.devices, false)
  if (props.field === 'sourceId') return listOf(logbook.sources, false)
  if (pick === 'source') return listOf(logbook.sources)
  return pick ? listOf(logbook.meters.filter((m) => m.kind === pick)) : null
})
const listOf = (gear: readonly { id: string; name: string }[], mayBeUnknown = true) => [
  ...(mayBeUnknown ? [{ value: null, title: 'not known' }] : []),
  ...gear.map((g) => ({ value: g.id, title: g.name })),
]
const nameOf = (value: unknown) =>
  items.value?.find((item) => item.value === value)?.title ?? inWords(value as string | number | null)

const { submit, failure, busy } = useYupForm({
  schema: () =>
    object({
      value: entry.value.schema,
      why: string().trim().required('Say why, so that it is known later.').max(400),
    }),
  initial: { value: items.value ? before : String(before ?? ''), why: '' },
})
const save = submit(async ({ value, why }: { value?: never; why: string }) => {
  const to = value ?? null
  await corrections.putRight(props.run.id, props.field, to, { from: nameOf(before), to: nameOf(to) }, why)
  emit('done')
})
</script>

<template>
  <FormDialog
    title="Put a condition right"
    leave="Leave as it was"
    main="Correct it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <FormPick v-if="items" name="value" :label="correctableLabel(field)" :items="items" />
    <FormText
      v-else
      name="value"
      :label="correctableLabel(field)"
      :suffix="entry.unit"
      :hint="entry.hint ?? 'Empty means not known'"
      :numeric="Boolean(entry.unit)"
      autofocus
    />
    <FormText name="why" label="Why" />
  </FormDialog>
</template>
