<script setup lang="ts">
import { computed, ref } from 'vue'
import { asRead, clock, exactClock, figure, writtenTitle, writtenValue } from '@core/words/figures'
import { loadResistance } from '@core/analysis/energy'
import type { Run } from '@core/logbook/run'
import { clockField } from '@core/formats/clockForm'
import { firstAtOrAfter, usualStep } from '@core/trace/samples'
import { channelsOf, type Correction, type Trace } from '@core/trace/trace'
import { aboutColumn, placeOf, temperatureOf, valuesOf, type ValueColumn } from '@core/trace/valueColumn'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import CorrectDialog from './CorrectDialog.vue'
import ForgottenDialog from './ForgottenDialog.vue'
import TimeDialog from './TimeDialog.vue'

const props = defineProps<{ run: Run; trace: Trace }>()

const PER_PAGE = 50

const page = ref(1)
const channels = computed(() => channelsOf(props.trace))
const columns = computed<ValueColumn[]>(() => [
  ...channels.value,
  ...Object.keys(props.trace.temperatures).map(temperatureOf),
])
const pages = computed(() => Math.ceil(props.trace.time.length / PER_PAGE))
/** Parts of a second where readings could not be told apart without them. */
const at = (row: number) => {
  const t = props.trace.time[row]
  return usualStep(props.trace) < 1 ? exactClock(t) : clock(t)
}
const rows = computed(() => {
  const from = (page.value - 1) * PER_PAGE
  return Array.from({ length: Math.min(PER_PAGE, props.trace.time.length - from) }, (_, i) => from + i)
})
/** Apparent load, Ω: what the source sees, as small meters show it. */
const hasLoad = computed(() => channels.value.includes('voltage') && channels.value.includes('current'))
const load = (row: number) => figure(loadResistance(props.trace.voltage![row], props.trace.current![row]), 1)
const pastValue = (what: Correction['what'], value: number) => {
  if (what === 'time') return exactClock(value)
  return what === 'reading' ? value : asRead(value, 4, aboutColumn(what).unit)
}
/** Every value that a cell ever had, the earlier ones first. */
const corrected = computed(() => {
  const all = new Map<string, string[]>()
  for (const c of props.run.corrections) {
    const key = `${c.row} ${c.what}`
    const from = c.from === null ? 'not read' : pastValue(c.what, c.from)
    const words = c.what === 'reading' ? `added: ${c.why}` : `was ${from}: ${c.why}`
    all.set(key, [...(all.get(key) ?? []), words])
  }
  return all
})
const wanted = ref('')
const fault = ref('')
/** The page that holds the first reading at or after a time. */
function goTo() {
  const read = checkTyped(clockField, wanted.value)
  fault.value = read.error
  if (!('value' in read)) return
  const row = Math.min(firstAtOrAfter(props.trace.time, read.value), props.trace.time.length - 1)
  page.value = 1 + Math.floor(row / PER_PAGE)
}
const moving = ref<number | null>(null)
const adding = ref(false)
const correcting = ref<{ row: number; what: ValueColumn } | null>(null)
const titleOf = (what: ValueColumn) => writtenTitle(aboutColumn(what).title)
const shown = (row: number, what: ValueColumn) => {
  const value = valuesOf(props.trace, what)?.[row]
  const { digits, unit } = aboutColumn(what)
  // The unit stands at the head of its column.
  return figure(
    value === undefined ? value : writtenValue(value, unit),
    Number.isInteger(value) && placeOf(what) === null ? 0 : digits,
  )
}
const wasText = (row: number, what: Correction['what']) =>
  corrected.value.get(`${row} ${what}`)?.join('; ') ?? ''
</script>

<template>
  <div>
    <p class="quiet">
      Press a value or a time to correct it. The old value and your reason stay with the run.
      <v-btn class="ml-2" @click="adding = true">Add a forgotten reading</v-btn>
    </p>
    <form v-if="pages > 1" class="go" novalidate @submit.prevent="goTo">
      <FormText
        v-model="wanted"
        label="Go to time"
        placeholder="Like 0:12:30"
        :error="fault"
        density="compact"
      />
      <v-btn type="submit">Go</v-btn>
    </form>
    <div class="scroll-x" tabindex="0">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col" class="number">Clock</th>
            <th v-for="c in columns" :key="c" scope="col" class="number">{{ titleOf(c) }}</th>
            <th v-if="hasLoad" scope="col" class="number">Load, Ω</th>
            <th v-if="trace.notes" scope="col">Note</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row">
            <th scope="row" class="number">
              <button type="button" :aria-label="`Correct the time ${at(row)}`" @click="moving = row">
                {{ at(row) }}
              </button>
              <div v-for="what in ['time', 'reading'] as const" :key="what" class="was">
                {{ wasText(row, what) }}
              </div>
            </th>
            <td v-for="c in columns" :key="c" class="number">
              <button
                type="button"
                :aria-label="`Correct ${titleOf(c)} at ${at(row)}, now ${shown(row, c)}`"
                @click="correcting = { row, what: c }"
              >
                {{ shown(row, c) }}
              </button>
              <div v-if="wasText(row, c)" class="was">{{ wasText(row, c) }}</div>
            </td>
            <td v-if="hasLoad" class="number">{{ load(row) }}</td>
            <td v-if="trace.notes">{{ trace.notes[row] }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <v-pagination
      v-if="pages > 1"
      v-model="page"
      :length="pages"
      :total-visible="5"
      density="comfortable"
      class="my-3"
    />
    <CorrectDialog
      v-if="correcting"
      :run="run"
      :trace="trace"
      v-bind="correcting"
      @done="correcting = null"
    />
    <TimeDialog v-if="moving !== null" :run="run" :trace="trace" :row="moving" @done="moving = null" />
    <ForgottenDialog v-if="adding" :run="run" :trace="trace" :shown="channels" @done="adding = false" />
  </div>
</template>

<style scoped>
.go {
  display: flex;
  gap: 8px;
  align-items: center;
  max-width: 300px;
}
button {
  padding: 4px 6px;
  border-bottom: 1px dotted transparent;
}
button:hover {
  border-bottom-color: currentColor;
}
.was {
  font-family: var(--text-face);
  font-size: 0.8rem;
  font-style: italic;
  color: rgb(var(--v-theme-primary));
  white-space: normal;
}
</style>
