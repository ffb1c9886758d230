<script setup lang="ts">
import { duration, figure } from '@core/words/figures'
import PathChart from '../../charts/PathChart.vue'
import PathsTable from '../../charts/PathsTable.vue'
import type { Lane } from '../../stores/lane'
import { useLanePath } from './useLanePath'

/** The path of one lane so far; `bare` where it is only a shape among many, `tabled` where there is room for what is behind it. */
const props = defineProps<{ lane: Lane; height: number; bare?: boolean; tabled?: boolean }>()
const { paths, events, until } = useLanePath(() => props.lane)
</script>

<template>
  <PathChart
    :paths="paths"
    :events="bare ? [] : events"
    unit="%"
    :min="0"
    :max="100"
    :until="until"
    :height="height"
    :bare="bare"
    :solid="!bare"
    :summary="`Charge curve so far: ${lane.count} entries, now ${figure(lane.state.levels.last?.percent, 0, '%')} after ${duration(lane.elapsedS)}`"
  />
  <PathsTable v-if="tabled" :pictures="[{ title: 'So far', unit: '%', paths }]" :until="until" />
</template>
