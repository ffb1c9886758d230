<script setup lang="ts">
import { computed } from 'vue'
import { figure } from '@core/words/figures'
import { fullDay } from '@core/words/moments'
import { OBSERVED_OUTCOMES, UNNOTED, type Observation, type ObservedOutcome } from '@core/gear/gear'
import type { GridCell } from '@core/gear/grid'
import { observationSchema } from '@core/gear/schema'
import { disagreement, EXPECTED_WORDS, OBSERVED_WORDS } from '@core/gear/observed'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useLogbook } from '../../stores/logbook'
import { useYupForm } from '../../forms/useYupForm'
import { useNotices } from '../../stores/notices'

const props = defineProps<{ cell: GridCell; cableId: string | null }>()
const emit = defineEmits<{ done: [] }>()
const logbook = useLogbook()
const notices = useNotices()
const { values, submit, failure } = useYupForm({
  schema: () => observationSchema.pick(['outcome', 'note']),
  initial: { outcome: null as ObservedOutcome | null, note: '' },
})

const expected = computed(() => props.cell.expected)
const sentence = computed(() => {
  const { outcome: what, volts, amps, watts, why } = expected.value
  if (!(watts > 0)) return why
  const level = Number.isNaN(volts) ? '' : `${figure(volts, 2, 'V')} and ${figure(amps, 2, 'A')}, `
  return `Expected: ${EXPECTED_WORDS[what]}, ${level}${figure(watts, 1, 'W')}. ${why}`
})
const warning = computed(() => (values.outcome ? disagreement(expected.value, values.outcome) : null))
const choices = OBSERVED_OUTCOMES.map((value) => ({ value, title: OBSERVED_WORDS[value] }))

const keep = submit(async ({ outcome, note }: { outcome: ObservedOutcome; note: string }) => {
  await logbook.put('observations', {
    id: crypto.randomUUID(),
    deviceId: props.cell.device.id,
    sourceId: props.cell.source.id,
    cableId: props.cableId,
    outcome,
    note,
    when: new Date().toISOString(),
    ...UNNOTED,
  })
  notices.say('What you saw is on record.')
  emit('done')
})
async function strike(o: Observation) {
  try {
    notices.say('The observation was deleted.', await logbook.remove('observations', o.id))
    emit('done')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <FormDialog
    :title="`${cell.device.name} from ${cell.source.name}`"
    leave="Close"
    main="Keep what I saw"
    :width="560"
    :failure="failure"
    @submit="keep()"
    @update:model-value="emit('done')"
  >
    <p>{{ sentence }}</p>
    <ul v-if="cell.seen.length" class="seen">
      <li v-for="o in cell.seen" :key="o.id">
        {{ fullDay(o.when) }}: {{ OBSERVED_WORDS[o.outcome] }}{{ o.note ? ` – ${o.note}` : '' }}
        <v-btn size="small" @click="strike(o)">Delete</v-btn>
      </li>
    </ul>
    <p v-if="cell.contradiction" class="finding"><strong>Finding.</strong> {{ cell.contradiction }}</p>
    <FormPick name="outcome" label="What did you see?" :items="choices" />
    <FormText name="note" label="Note" maxlength="400" />
    <p v-if="warning" role="status" class="finding">{{ warning }}</p>
  </FormDialog>
</template>

<style scoped>
.seen {
  padding-left: 18px;
  margin: 8px 0;
}
.finding {
  border-left: 3px solid rgb(var(--v-theme-warning));
  padding-left: 10px;
  margin: 10px 0;
}
</style>
