<script setup lang="ts">
import type { Run } from '@core/logbook/run'
import { closeRules, openRules, RUN_RULES, ruleFrom, ruleSchema, type RuleName } from '@core/logbook/runRules'
import { protocolField } from '@core/protocol/typedProtocol'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import ReadingFields from '../../forms/ReadingFields.vue'
import StopFields from '../../forms/StopFields.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

/** Puts a rule right that a run was made by. */
const props = defineProps<{ run: Run; rule: RuleName }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()

const { submit, failure, busy } = useYupForm({
  schema: () => ruleSchema(props.rule),
  initial: openRules(props.run),
  shape: closeRules,
  fieldOf: protocolField,
})
const save = submit(async (typed) => {
  await corrections.putRuleRight(props.run.id, props.rule, ruleFrom(props.rule, typed), typed.why)
  emit('done')
})
</script>

<template>
  <FormDialog
    :title="`Put a rule right: ${RUN_RULES[rule].toLowerCase()}`"
    leave="Leave as it was"
    main="Correct it"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <ReadingFields v-if="rule === 'reading'" />
    <StopFields v-if="rule === 'stop'" />
    <template v-if="rule === 'heat'">
      <FormText name="temperatureMinutes" label="Read at minutes" hint="Like 0 10 20 30; empty for none" />
      <FormText name="temperaturePlaces" label="Places" hint="Like front, back" />
      <FormText name="stopLimitC" label="Say stop at" suffix="°C" numeric />
    </template>
    <FormText name="why" label="Why" />
  </FormDialog>
</template>
