<script setup lang="ts">
import { computed, ref } from 'vue'
import { RUN_GEAR, type Correctable } from '@core/logbook/corrections'
import type { Run } from '@core/logbook/run'
import { RUN_RULES, ruleInWords, type RuleName } from '@core/logbook/runRules'
import { shownConditions } from '@core/protocol/runConditions'
import { asRead, asWritten, UNKNOWN } from '@core/words/figures'
import { useLogbook } from '../../stores/logbook'
import ConditionDialog from './ConditionDialog.vue'
import RuleDialog from './RuleDialog.vue'
import { pastCondition } from './pastWords'

/** What the run was made under, as it was then. Each can be put right; what it was before stays beside it. */
const props = defineProps<{ run: Run }>()
const logbook = useLogbook()
const correcting = ref<Correctable | null>(null)
const correctingRule = ref<RuleName | null>(null)

interface Row {
  field: Correctable | RuleName
  label: string
  value: string
  was: string
  assumed?: string
}
const nameOf = (pick: string, id: string | null) =>
  pick === 'source' ? logbook.source(id ?? '')?.name : logbook.meter(id)?.name
const gearName = (field: keyof typeof RUN_GEAR) =>
  ({
    deviceId: logbook.device(props.run.deviceId),
    sourceId: logbook.source(props.run.sourceId),
    cableId: logbook.cable(props.run.cableId),
  })[field]?.name ?? UNKNOWN
const was = (field: string) =>
  props.run.conditionCorrections
    .filter((c) => c.field === field)
    .map((c) => `was ${pastCondition(field, c.from)}: ${c.why}`)
    .join('; ')
const rows = computed((): Row[] => [
  ...(Object.keys(RUN_GEAR) as (keyof typeof RUN_GEAR)[]).map((field) => ({
    field,
    label: RUN_GEAR[field],
    value: gearName(field),
    was: was(field),
  })),
  ...shownConditions.map(({ name, label, unit, pick }) => {
    const held = props.run.conditions[name]
    const value = pick
      ? (nameOf(pick, held as string | null) ?? UNKNOWN)
      : typeof held === 'number'
        ? asRead(held, 2, unit)
        : String(held || UNKNOWN)
    const assumed =
      name === 'ratedWh' && props.run.conditions.voltsAssumed
        ? 'Worked out with a voltage assumed for one lithium-ion cell'
        : undefined
    return { field: name, label, value, was: was(name), assumed }
  }),
  ...(Object.keys(RUN_RULES) as RuleName[]).map((field) => ({
    field,
    label: RUN_RULES[field],
    value: asWritten(ruleInWords(props.run, field)),
    was: was(field),
  })),
])
const isRule = (field: Row['field']): field is RuleName => Object.hasOwn(RUN_RULES, field)
function putRight(field: Row['field']) {
  if (isRule(field)) correctingRule.value = field
  else correcting.value = field
}
</script>

<template>
  <section aria-label="Made under">
    <h2>Made under</h2>
    <p class="quiet">As it was then; later changes on the shelf leave it alone.</p>
    <dl>
      <div v-for="row in rows" :key="row.field" :data-testid="`condition-${row.field}`">
        <dt>{{ row.label }}</dt>
        <dd>
          <button
            type="button"
            :aria-label="`Put right: ${row.label}, now ${row.value}`"
            @click="putRight(row.field)"
          >
            <span :class="{ assumed: row.assumed }" :title="row.assumed">{{ row.value }}</span>
          </button>
          <div v-if="row.was" class="was">{{ row.was }}</div>
        </dd>
      </div>
    </dl>
    <ConditionDialog v-if="correcting" :run="run" :field="correcting" @done="correcting = null" />
    <RuleDialog v-if="correctingRule" :run="run" :rule="correctingRule" @done="correctingRule = null" />
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 270px), 1fr));
  gap: 0 32px;
  border-top: var(--hairline);
}
dl > div {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 10px;
  align-items: start;
  border-bottom: var(--hairline);
  padding: 4px 0;
}
dt {
  padding: 4px 0;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
button {
  padding: 4px 6px;
  min-height: 24px;
  min-width: 24px;
  text-align: left;
  border-bottom: 1px dotted transparent;
}
button:hover {
  border-bottom-color: currentColor;
}
.was {
  padding-left: 6px;
  font-size: 0.8rem;
  font-style: italic;
  color: rgb(var(--v-theme-primary));
}
</style>
