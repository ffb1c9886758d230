<script setup lang="ts">
import { computed, ref } from 'vue'
import { figure } from '@core/words/figures'
import { OBSERVED_OUTCOMES, type Observation, type ObservedOutcome } from '@core/gear/gear'
import type { GridCell } from '@core/gear/grid'
import { disagreement, EXPECTED_WORDS, OBSERVED_WORDS } from '@core/gear/observed'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

const props = defineProps<{ cell: GridCell; cableId: string | null }>()
const emit = defineEmits<{ done: [] }>()
const logbook = useLogbook()
const notices = useNotices()
const outcome = ref<ObservedOutcome | null>(null)
const note = ref('')
const missing = ref(false)

const expected = computed(() => props.cell.expected)
const sentence = computed(() => {
  const { outcome: what, volts, amps, watts, why } = expected.value
  if (!(watts > 0)) return why
  const level = Number.isNaN(volts) ? '' : `${figure(volts, 2, 'V')} and ${figure(amps, 2, 'A')}, `
  return `Expected: ${EXPECTED_WORDS[what]}, ${level}${figure(watts, 1, 'W')}. ${why}`
})
const warning = computed(() => (outcome.value ? disagreement(expected.value, outcome.value) : null))
const choices = OBSERVED_OUTCOMES.map((value) => ({ value, title: OBSERVED_WORDS[value] }))
const when = (o: Observation) => new Date(o.when).toLocaleDateString()

async function keep() {
  missing.value = outcome.value === null
  if (!outcome.value) return
  try {
    await logbook.put('observations', {
      id: crypto.randomUUID(),
      deviceId: props.cell.device.id,
      sourceId: props.cell.source.id,
      cableId: props.cableId,
      outcome: outcome.value,
      note: note.value.trim(),
      when: new Date().toISOString(),
    })
    notices.say('What you saw is on record.')
    emit('done')
  } catch (error) {
    notices.fail(error)
  }
}
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
  <v-card>
    <form novalidate @submit.prevent="keep">
      <v-card-title tag="h2">{{ cell.device.name }} from {{ cell.source.name }}</v-card-title>
      <v-card-text>
        <p>{{ sentence }}</p>
        <ul v-if="cell.seen.length" class="seen">
          <li v-for="o in cell.seen" :key="o.id">
            {{ when(o) }}: {{ OBSERVED_WORDS[o.outcome] }}{{ o.note ? ` – ${o.note}` : '' }}
            <v-btn size="small" @click="strike(o)">Delete</v-btn>
          </li>
        </ul>
        <p v-if="cell.contradiction" class="finding"><strong>Finding.</strong> {{ cell.contradiction }}</p>
        <v-select
          v-model="outcome"
          label="What did you see?"
          :items="choices"
          :error-messages="missing && !outcome ? 'Choose what you saw.' : ''"
        />
        <v-text-field v-model="note" label="Note" maxlength="400" />
        <p v-if="warning" role="status" class="finding">{{ warning }}</p>
      </v-card-text>
      <v-card-actions>
        <v-spacer />
        <v-btn @click="emit('done')">Close</v-btn>
        <v-btn type="submit" variant="flat" color="primary">Keep what I saw</v-btn>
      </v-card-actions>
    </form>
  </v-card>
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
