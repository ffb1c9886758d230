<script setup lang="ts">
import { computed } from 'vue'
import { TIME_STYLES, type TimeStyle } from '@core/formats/timeCell'
import { guessTimeStyle } from '@core/formats/timeStyle'
import { channelChoices, placeIn, type ColumnMeaning } from '@core/formats/columns'
import { TENTHS } from '@core/formats/thousandths'
import FormPick from '../../forms/FormPick.vue'
import type { OpenedTable } from '../../workers/files.worker'

const props = defineProps<{
  opened: OpenedTable
  /** Columns that are asked about elsewhere, by position. */
  without: readonly number[]
}>()
const emit = defineEmits<{ change: [meanings: ColumnMeaning[]] }>()

const STYLE_WORDS: Record<TimeStyle, string> = {
  seconds: 'seconds',
  milliseconds: 'milliseconds',
  minutes: 'minutes',
  hours: 'hours',
  clock: 'hours, minutes and seconds',
  'hours-minutes': 'hours and minutes',
  'time-of-day': 'time of day',
  moments: 'date and time',
  'moments-month-first': 'date and time, month first',
  'epoch-seconds': 'seconds since 1970',
  'epoch-milliseconds': 'milliseconds since 1970',
  'running-seconds': 'seconds that ran before',
  'running-milliseconds': 'milliseconds that ran before',
}
const CHOICES: { value: string; title: string; meaning: (column: number) => ColumnMeaning }[] = [
  { value: 'ignore', title: 'leave out', meaning: () => ({ kind: 'ignore' }) },
  {
    value: 'time',
    title: 'time',
    meaning: (i) => ({ kind: 'time', style: guessTimeStyle(props.opened.headers[i], cells(i)) }),
  },
  ...channelChoices().map(({ meaning, ...choice }) => ({ ...choice, meaning: () => meaning })),
  {
    value: 'temperature',
    title: 'temperature, °C',
    meaning: (i) => ({ kind: 'temperature', place: placeIn(props.opened.headers[i]), fahrenheit: false }),
  },
  {
    value: 'temperature-f',
    title: 'temperature, °F',
    meaning: (i) => ({ kind: 'temperature', place: placeIn(props.opened.headers[i]), fahrenheit: true }),
  },
  {
    value: 'temperature-tenths',
    title: 'temperature, tenths of a °C',
    meaning: (i) => ({
      kind: 'temperature',
      place: placeIn(props.opened.headers[i]),
      fahrenheit: false,
      divisor: TENTHS,
    }),
  },
  { value: 'note', title: 'note', meaning: () => ({ kind: 'note' }) },
  ...TIME_STYLES.map((style) => ({
    value: `time-${style}`,
    title: `time, as ${STYLE_WORDS[style]}`,
    meaning: (): ColumnMeaning => ({ kind: 'time', style }),
  })),
]

const shown = computed(() =>
  props.opened.headers.flatMap((header, i) => (props.without.includes(i) ? [] : [{ header, i }])),
)
const cells = (column: number) => props.opened.rows.slice(0, 50).map((row) => row.cells[column] ?? '')

function valueOf(m: ColumnMeaning): string {
  if (m.kind === 'time') return `time-${m.style}`
  if (m.kind === 'channel') return `${m.channel}-${m.divisor}`
  if (m.kind === 'temperature')
    return m.fahrenheit ? 'temperature-f' : m.divisor ? 'temperature-tenths' : 'temperature'
  return m.kind
}

function choose(column: number, value: string) {
  const meaning = CHOICES.find((c) => c.value === value)!.meaning(column)
  emit(
    'change',
    props.opened.meanings.map((m, i) => (i === column ? meaning : m)),
  )
}
</script>

<template>
  <div class="scroll-x my-3" tabindex="0">
    <p>Say what each column holds.</p>
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">Column</th>
          <th scope="col">First values</th>
          <th scope="col">holds</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ header, i } in shown" :key="i">
          <th scope="row">{{ header || `column ${i + 1}` }}</th>
          <td class="figure quiet">{{ cells(i).slice(0, 3).join(' · ') }}</td>
          <td>
            <FormPick
              :model-value="valueOf(opened.meanings[i])"
              :items="CHOICES"
              :aria-label="`What ${header} holds`"
              @update:model-value="choose(i, String($event))"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
