<script setup lang="ts">
import { computed } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import type { Finding } from '@core/analysis/findings/findings'
import type { Run } from '@core/logbook/run'
import { durationOf, watchedOf, type Trace } from '@core/trace/trace'
import { duration } from '@core/words/figures'
import { withDoubt } from '@core/words/sentences/sentence'
import PathChart from '../../charts/PathChart.vue'
import type { Flag } from '../../charts/options'
import { useChartView } from '../../composables/useChartView'
import PartsRuler from './PartsRuler.vue'
import { levelPaths, samplesOfRun, stripsByLevel, stripsOf } from './runPaths'

const props = defineProps<{
  run: Run
  trace: Trace
  /** Undefined while it is worked out: the paths need not wait for it. */
  analysis: Analysis | undefined
  sourceName: string
  across: 'clock' | 'level'
  findings: readonly Finding[]
  letters: (finding: Finding) => string
}>()

const whole = computed(() => Math.max(60, durationOf(props.trace) * 1.02))
const { view, isWhole, show, showAll, onKey } = useChartView(whole)
const samples = computed(() => samplesOfRun(props.trace))
const level = computed(() => levelPaths(samples.value, props.run.ink, view.value, props.sourceName))
const strips = computed(() =>
  props.across === 'level'
    ? stripsByLevel(samples.value, props.run.ink)
    : stripsOf(samples.value, props.run.ink, view.value),
)
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
const rings = computed(() => watchedOf(props.trace).map(({ t, percent }) => ({ x: t, y: percent })))
const events = computed(() => props.run.events.map((e) => ({ x: e.t, text: e.text })))
/** Findings stand at their place on the path; the list beside it has their words. */
const places = computed(() =>
  props.findings.flatMap((f) => (props.letters(f) ? [{ x: f.atS, text: props.letters(f) }] : [])),
)
const summary = computed(
  () =>
    `Charge curve over ${duration(durationOf(props.trace))}` +
    (props.analysis
      ? `, from ${props.analysis.startPercent} to ${props.analysis.endPercent} percent. `
      : '. ') +
    flags.value.map((f) => f.text).join('; '),
)
const HEIGHTS = { path: 240, first: 98, other: 82 }
</script>

<template>
  <!-- A group of pictures that answers keys: it takes the focus itself. -->
  <div
    class="charts"
    role="group"
    tabindex="0"
    aria-label="Paths. Plus and minus look closer and further, arrows move, 0 shows the whole."
    @keydown="onKey"
  >
    <template v-if="across === 'clock'">
      <PathChart
        v-if="level.length"
        :paths="level"
        unit="%"
        :min="0"
        :max="100"
        :from="view.from"
        :until="view.until"
        :whole="whole"
        :height="HEIGHTS.path"
        :flags="flags"
        :rings="rings"
        :events="events"
        :findings="places"
        :summary="summary"
        solid
        :show-clock="strips.length === 0"
        @moved="show"
      />
      <PartsRuler
        v-if="analysis?.parts.length"
        :parts="analysis.parts"
        :from="view.from"
        :until="view.until"
      />
    </template>
    <p v-else-if="strips.length === 0" class="quiet">
      Nothing to draw against the level: neither watts nor temperatures were read beside one.
    </p>
    <div v-for="(strip, i) in strips" :key="strip.key">
      <h2 class="strip">
        {{ strip.title }} <span class="quiet">{{ strip.unit }}</span>
      </h2>
      <PathChart
        :paths="strip.paths"
        :unit="across === 'level' ? strip.unit : ''"
        :min="strip.min"
        :from="across === 'level' ? 0 : view.from"
        :until="across === 'level' ? 100 : view.until"
        :across="across"
        :whole="across === 'level' ? undefined : whole"
        :height="
          across === 'level'
            ? 240
            : (i === 0 ? HEIGHTS.first : HEIGHTS.other) + (i === strips.length - 1 ? 18 : 0)
        "
        :stepped="strip.stepped"
        :show-clock="across === 'level' || i === strips.length - 1"
        solid
        :summary="`${strip.title} ${across === 'level' ? 'against the level' : 'on the same clock'}; the readings are in the table view`"
        @moved="show"
      />
    </div>
    <p v-if="across === 'clock'" class="closer">
      <v-btn size="small" :disabled="isWhole" @click="showAll">Show the whole</v-btn>
      <span class="quiet">
        {{
          isWhole
            ? 'Ctrl and wheel, a pinch, or + looks closer.'
            : `In view: ${duration(view.from)} to ${duration(view.until)}. Drag to move.`
        }}
      </span>
    </p>
  </div>
</template>

<style scoped>
.strip {
  margin: 0 0 -4px 50px !important;
  font-size: 0.8rem !important;
  line-height: 1.2;
}
.closer {
  margin: 4px 0 0 50px;
  font-size: 0.84rem;
}
</style>
