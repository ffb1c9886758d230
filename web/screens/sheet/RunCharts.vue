<script setup lang="ts">
import { computed } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import { stripColumn, type KeptPicture, type RunPicture } from '@core/analysis/runPicture'
import type { Finding } from '@core/analysis/findings/findings'
import type { Run } from '@core/logbook/run'
import { firstAfter, samplesOf, valueAt } from '@core/trace/samples'
import { durationOf, watchedOf, type Trace } from '@core/trace/trace'
import { clock, duration, figure, writtenUnit } from '@core/words/figures'
import { withDoubt } from '@core/words/sentences/sentence'
import PathChart from '../../charts/PathChart.vue'
import type { Flag } from '../../charts/options'
import { WIDEST_PX } from '../../charts/reduction'
import { covers, type ChartView } from '../../charts/view'
import { useChartView } from '../../charts/useChartView'
import { useOneByOne } from '../../composables/useOneByOne'
import { countedTrace } from '../../stores/counted'
import { keepRunPicture } from '../../stores/pictures'
import PartsRuler from './PartsRuler.vue'
import { levelPaths, stripsOf } from './runPaths'
import { useRunPicture } from './useRunPicture'

const props = defineProps<{
  run: Run
  /** Undefined while it is read. */
  trace: Trace | undefined
  /** How the run was drawn last, where that was kept. */
  kept: KeptPicture | undefined
  /** Undefined while it is worked out: the paths need not wait for it. */
  analysis: Analysis | undefined
  sourceName: string
  across: 'clock' | 'level'
  findings: readonly Finding[]
  letters: (finding: Finding) => string
}>()

const lasts = computed(() => (props.trace ? durationOf(props.trace) : (props.kept?.durationS ?? 0)))
const whole = computed(() => Math.max(60, lasts.value * 1.02))
const { view, stretch, isWhole, show, showAll, cursor, point, onKey } = useChartView(whole)
/** The path first, then strip by strip. */
const drawn = useOneByOne()
const counted = computed(() => props.trace && countedTrace(props.run, props.trace))
const watched = computed(() => (props.trace ? watchedOf(props.trace) : (props.kept?.watched ?? [])))
const picture = useRunPicture({
  trace: counted,
  kept: () => props.kept?.picture,
  options: () => ({ view: stretch.value, spans: WIDEST_PX * stretch.value.views }),
  across: () => props.across,
  onDrawn: keepWhole,
})
/** The next time it is opened, its path need not wait for its readings. */
function keepWhole(picture: RunPicture, of: Trace) {
  const isAll = props.across === 'clock' && picture.view?.from === 0 && picture.view.until === whole.value
  // What is kept already holds for these very readings.
  if (!isAll || of !== counted.value || props.kept) return
  void keepRunPicture(props.run, { durationS: lasts.value, watched: watched.value, picture })
}
/** A long run is drawn elsewhere: its frame moves on once its path is there for it, and not before. */
const seen = computed<ChartView>((before) => {
  const drawn = picture.value?.view
  return !drawn || covers(drawn, view.value) ? view.value : (before ?? drawn)
})
const level = computed(() =>
  picture.value ? levelPaths(picture.value, props.run.ink, props.sourceName) : [],
)
const strips = computed(() => (picture.value ? stripsOf(picture.value, props.run.ink) : []))
const NAMES: Record<number, string> = { 50: 'half', 80: '80 %', 100: 'full' }
/** 90 % is in the table; on the curve it would crowd its neighbours. */
const flags = computed<Flag[]>(() =>
  (props.analysis?.milestones ?? [])
    .filter((m) => !m.reason && m.percent in NAMES)
    .map((m) => ({
      x: m.timeS,
      y: m.percent,
      from: m.earliestS,
      to: m.latestS,
      text: `${NAMES[m.percent]}  ${withDoubt(m.timeS, m.uncertaintyS)}`,
    })),
)
const rings = computed(() => watched.value.map(({ t, percent }) => ({ x: t, y: percent })))
const events = computed(() => props.run.events.map((e) => ({ x: e.t, text: e.text })))
/** Findings stand at their place on the path; the list beside it has their words. */
const places = computed(() =>
  props.findings.flatMap((f) => (props.letters(f) ? [{ x: f.atS, text: props.letters(f) }] : [])),
)
const summary = computed(
  () =>
    `Charge curve over ${duration(lasts.value)}` +
    (props.analysis
      ? `, from ${props.analysis.startPercent} to ${props.analysis.endPercent} percent. `
      : '. ') +
    flags.value.map((f) => f.text).join('; '),
)
/** Everything at the cursor, as it was read or lies between two readings. */
const readOff = computed(() => {
  const at = cursor.value
  if (at === null || props.across === 'level' || !picture.value || !counted.value) return ''
  const trace = counted.value
  const { time, percent } = trace
  const told = strips.value.map(({ key, unit, label }) => {
    const value = valueAt(samplesOf(time, stripColumn(trace, key)), at)
    return Number.isNaN(value)
      ? ''
      : `${key.startsWith('place') ? `${label} ` : ''}${figure(value, unit === '°C' ? 1 : 2, unit)}`
  })
  const level = valueAt(picture.value.worked, at)
  const shown = samplesOf(time, percent)
  const last = shown.v[firstAfter(shown.t, at) - 1]
  const levels = Number.isNaN(level)
    ? ''
    : `${figure(level, 1, '%')}${last === undefined ? '' : ` (shown ${last})`}`
  return [`At ${clock(at)}`, levels, ...told].filter(Boolean).join(', ')
})
const HEIGHTS = { path: 240, first: 98, other: 82 }
</script>

<template>
  <!-- A group of pictures that answers keys: it takes the focus itself. -->
  <div
    class="charts"
    role="group"
    tabindex="0"
    aria-label="Paths. Arrows read off, plus and minus look closer and further, arrows with Shift move, 0 shows the whole."
    @keydown="onKey"
    @mouseleave="point(null)"
  >
    <template v-if="across === 'clock'">
      <PathChart
        v-if="level.length"
        :paths="level"
        unit="%"
        :min="0"
        :max="100"
        :from="seen.from"
        :until="seen.until"
        :whole="whole"
        :ready="picture?.view"
        :height="HEIGHTS.path"
        :flags="flags"
        :rings="rings"
        :events="events"
        :findings="places"
        :summary="summary"
        solid
        :show-clock="strips.length === 0"
        :cursor="cursor"
        @moved="show"
        @pointed="point"
      />
      <PartsRuler
        v-if="analysis?.parts.length"
        :parts="analysis.parts"
        :from="seen.from"
        :until="seen.until"
      />
    </template>
    <p v-else-if="picture && strips.length === 0" class="quiet">
      Nothing to draw against the level: neither watts nor temperatures were read beside one.
    </p>
    <div v-for="(strip, i) in strips.slice(0, drawn)" :key="strip.key">
      <h2 class="strip">
        {{ strip.title }} <span class="quiet">{{ writtenUnit(strip.unit) }}</span>
      </h2>
      <PathChart
        :paths="strip.paths"
        :unit="strip.unit"
        :untitled="across !== 'level'"
        :min="strip.min"
        :from="across === 'level' ? 0 : seen.from"
        :until="across === 'level' ? 100 : seen.until"
        :across="across"
        :whole="across === 'level' ? undefined : whole"
        :ready="across === 'level' ? undefined : picture?.view"
        :height="
          across === 'level'
            ? 240
            : (i === 0 ? HEIGHTS.first : HEIGHTS.other) + (i === strips.length - 1 ? 18 : 0)
        "
        :stepped="strip.stepped"
        :show-clock="across === 'level' || i === strips.length - 1"
        solid
        :summary="`${strip.title} ${across === 'level' ? 'against the level' : 'on the same clock'}; the readings are in the table view`"
        :cursor="across === 'level' ? undefined : cursor"
        @moved="show"
        @pointed="point"
      />
    </div>
    <p v-if="across === 'clock'" class="closer">
      <v-btn size="small" :disabled="isWhole" @click="showAll">Show the whole</v-btn>
      <span class="quiet">{{
        isWhole
          ? 'Ctrl and wheel, a pinch, or + looks closer; arrows read off.'
          : `In view: ${duration(view.from)} to ${duration(view.until)}. Drag to move.`
      }}</span>
      <span v-if="readOff" class="figure read" role="status">{{ readOff }}</span>
    </p>
  </div>
</template>

<style scoped>
.charts {
  min-height: 300px;
}
.strip {
  margin: 0 0 -4px 50px !important;
  font-size: 0.8rem !important;
  line-height: 1.2;
}
.closer {
  margin: 4px 0 0 50px;
  font-size: 0.84rem;
  min-height: 3.2em;
}
.read {
  display: block;
}
</style>
