<script setup lang="ts">
import { computed, watch } from 'vue'
import { goneOver } from '@core/analysis/spot'
import { isSpot } from '@core/bench/spot'
import { isSimulated, isSound } from '@core/logbook/run'
import { capacityThen } from '@core/protocol/runConditions'
import { duration, figure } from '@core/words/figures'
import { spotWorkings } from '@core/words/sentences/tableWorkings'
import CopyTable from '../../components/CopyTable.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import WorkedFigure from '../sheet/WorkedFigure.vue'
import { idsAsWord, placeOf } from '../../composables/places'

/** What spot checks of a device came to, the quickest first. */
const props = defineProps<{ deviceId: string }>()
const logbook = useLogbook()
const analyses = useAnalyses()
/** More than anybody makes in an afternoon. */
const MOST = 60

const runs = computed(() =>
  logbook.runs.filter((r) => r.deviceId === props.deviceId && isSpot(r) && isSound(r)).slice(-MOST),
)
watch(
  runs,
  async (all) => {
    for (const { id } of all) await analyses.ask(id).catch(() => undefined)
  },
  { immediate: true },
)
const rows = computed(() =>
  runs.value
    .flatMap((run) => {
      const analysis = analyses.of(run.id)
      if (!analysis) return []
      const { wh, meanW: watts } = goneOver(analysis)
      const cable = logbook.cable(run.cableId)?.name ?? ''
      const name = logbook.source(run.sourceId)?.name ?? 'A deleted source'
      return [{ run, analysis, spot: analyses.spotOf(run.id), name, cable, wh, watts }]
    })
    .sort((a, b) => (b.watts || 0) - (a.watts || 0)),
)
const minutes = (seconds = NaN) => duration(seconds)
const table = () => [
  ['Source', 'Cable', 'Counted', 'In', 'Mean', 'Half full, no losses', 'Half full', 'Arriving'],
  ...rows.value.map(({ name, cable, wh, watts, analysis, spot }) => [name, cable, figure(wh, 3, 'Wh'), duration(analysis.durationS), figure(watts, 1, 'W'), minutes(spot?.toHalfLosslessS), minutes(spot?.toHalfS), figure(100 * (spot?.efficiency ?? NaN), 0, '%')]),
] // prettier-ignore
const link = computed(() => ({
  path: '/side-by-side',
  query: { runs: idsAsWord(rows.value.map(({ run }) => run.id)) },
}))
</script>

<template>
  <section v-if="rows.length" aria-label="What they came to">
    <div class="head">
      <h2>What they came to</h2>
      <CopyTable :table="table" name="the spot checks" />
      <router-link v-if="rows.length > 1" :to="link">Set them side by side</router-link>
    </div>
    <div class="scroll-x" tabindex="0" role="group" aria-label="Spot checks">
      <table class="ruled" data-testid="spot-table">
        <thead>
          <tr>
            <th scope="col">Source</th>
            <th scope="col" class="number">Counted</th>
            <th scope="col" class="number">in</th>
            <th scope="col" class="number">Mean</th>
            <th scope="col" class="number">Half full, no losses</th>
            <th scope="col" class="number">Half full</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ run, analysis, spot, name, cable, wh, watts } in rows" :key="run.id">
            <th scope="row">
              <router-link :to="placeOf('sheet', run.id)">{{ name }}</router-link>
              <span v-if="cable" class="quiet">&nbsp;{{ cable }}</span>
              <SimulatedTag v-if="isSimulated(run)" />
            </th>
            <td class="number">{{ figure(wh, 3, 'Wh') }}</td>
            <td class="number">{{ duration(analysis.durationS) }}</td>
            <td class="number">{{ figure(watts, 1, 'W') }}</td>
            <template v-if="spot">
              <td class="number">{{ duration(spot.toHalfLosslessS) }}</td>
              <td class="number">
                <WorkedFigure
                  :workings="() => spotWorkings(spot, analysis, capacityThen(run.conditions).usableWh)"
                  >{{ duration(spot.toHalfS) }}</WorkedFigure
                >
                &nbsp;<span class="quiet" :class="{ assumed: spot.efficiencyAssumed }"
                  >at {{ figure(100 * spot.efficiency, 0, '%') }}</span
                >
              </td>
            </template>
            <td v-else colspan="2" class="quiet">
              {{ wh > 0 ? 'not known: above half, or without a capacity' : 'no count that can be used' }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet">It holds below about half full only. What arrives is assumed where it is dotted.</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
}
</style>
