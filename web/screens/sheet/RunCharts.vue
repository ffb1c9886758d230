<script setup lang="ts">
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import { withDoubt } from '@core/words/sentences/sentence'
import type { Analysis } from '@core/analysis/analyse'
import type { Run } from '@core/logbook/run'
import { powerColumn, watchedOf, type Trace } from '@core/trace/trace'
import PathChart from '../../charts/PathChart.vue'
import type { Flag } from '../../charts/options'
import { pointsOf } from '../../charts/reduction'

const props = defineProps<{ run: Run; trace: Trace; analysis: Analysis; sourceName: string }>()

const path = (column: Float64Array | undefined, label: string) => {
  const points = pointsOf(props.trace.time, column)
  return points.length ? [{ label, ink: props.run.ink, points }] : []
}
const until = computed(() => props.analysis.durationS * 1.02)
const level = computed(() => path(props.trace.percent, props.sourceName))
/** 90 % is in the table; on the curve it would crowd its neighbours. */
const flags = computed<Flag[]>(() =>
  props.analysis.milestones
    .filter((m) => !m.reason && m.percent !== 90)
    .map((m) => ({
      x: m.timeS,
      y: m.percent,
      from: m.earliestS,
      to: m.latestS,
      text: `${m.percent} %  ${withDoubt(m.timeS, m.uncertaintyS)}`,
    })),
)
const rings = computed(() => watchedOf(props.trace).map(({ t, percent }) => ({ x: t, y: percent })))
const events = computed(() => props.run.events.map((e) => ({ x: e.t, text: e.text })))
const strips = computed(() => {
  const temperatures = Object.entries(props.trace.temperatures).map(([place, column]) => ({
    title: place ? `Temperature, ${place}` : 'Temperature',
    unit: '°C',
    paths: path(column, place),
    stepped: false,
    min: undefined as number | undefined,
  }))
  return [
    {
      title: 'Power',
      unit: 'W',
      paths: path(powerColumn(props.trace), 'Power'),
      stepped: false,
      min: 0 as number | undefined,
    },
    {
      title: 'Voltage',
      unit: 'V',
      paths: path(props.trace.voltage, 'Voltage'),
      stepped: true,
      min: 0 as number | undefined,
    },
    ...temperatures,
  ].filter((s) => s.paths.length > 0)
})
const summary = computed(
  () =>
    `Charge curve from ${props.analysis.startPercent} to ${props.analysis.endPercent} percent over ${duration(props.analysis.durationS)}. ` +
    flags.value.map((f) => f.text).join('; '),
)
</script>

<template>
  <div>
    <PathChart
      v-if="level.length"
      :paths="level"
      unit="%"
      :min="0"
      :max="100"
      :until="until"
      :flags="flags"
      :rings="rings"
      :events="events"
      :summary="summary"
      solid
      :show-clock="strips.length === 0"
    />
    <div v-for="(strip, i) in strips" :key="strip.title">
      <h2 class="strip">{{ strip.title }}</h2>
      <PathChart
        :paths="strip.paths"
        :unit="strip.unit"
        :min="strip.min"
        :until="until"
        :height="i === 0 ? 170 : 120"
        :stepped="strip.stepped"
        :show-clock="i === strips.length - 1"
        solid
        :summary="`${strip.title} on the same clock; the readings are in the table view`"
      />
    </div>
  </div>
</template>

<style scoped>
.strip {
  margin: 6px 0 0 56px !important;
  font-size: 0.86rem !important;
}
</style>
