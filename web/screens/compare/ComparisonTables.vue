<script setup lang="ts">
import { COMPARED_MARKS, COMPARED_PERCENTS, type ComparisonRow } from '@core/compare/table'
import { duration, figure } from '@core/words/figures'
import { withDoubt } from '@core/words/sentences/sentence'
import { isSimulated } from '@core/logbook/run'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useLogbook } from '../../stores/logbook'
import { useComparison } from './useComparison'

defineProps<{ rows: readonly ComparisonRow[]; baseline: string }>()
const logbook = useLogbook()
const { names, inks } = useComparison()
const simulated = (id: string) => isSimulated(logbook.run(id)!)
const known = (n: number) => Number.isFinite(n)
</script>

<template>
  <h2>Times and levels</h2>
  <div class="scroll-x" tabindex="0">
    <table class="ruled" data-testid="times">
      <thead>
        <tr>
          <th scope="col">Run</th>
          <th scope="col" class="number">Start</th>
          <th v-for="p in COMPARED_PERCENTS" :key="p" scope="col" class="number">to {{ p }} %</th>
          <th v-for="m in COMPARED_MARKS" :key="m" scope="col" class="number">at {{ m / 60 }} min</th>
          <th scope="col" class="number">Peak</th>
          <th scope="col" class="number">Held peak</th>
          <th scope="col" class="number">Energy</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">
            <InkMark :ink="inks[row.id]" />
            <router-link :to="`/sheet/${row.id}`">{{ names[row.id] }}</router-link>
            <SimulatedTag v-if="simulated(row.id)" />
          </th>
          <td class="number">{{ figure(row.startPercent, 0, '%') }}</td>
          <td v-for="t in row.times" :key="t.percent" class="number">
            {{ known(t.timeS) ? withDoubt(t.timeS, t.uncertaintyS) : 'not reached' }}
          </td>
          <td v-for="l in row.levels" :key="l.atS" class="number">{{ figure(l.percent, 0, '%') }}</td>
          <td class="number">{{ figure(row.peakW, 1, 'W') }}</td>
          <td class="number">{{ figure(row.heldPeakW, 1, 'W') }}</td>
          <td class="number">{{ figure(row.energyWh, 1, 'Wh') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <h2>Against {{ names[baseline] }}</h2>
  <p class="quiet">
    Three ways to say “faster by”. They give different figures for the same pair, so each is named.
  </p>
  <div class="scroll-x" tabindex="0">
    <table class="ruled" data-testid="against">
      <thead>
        <tr>
          <th scope="col" rowspan="2">Run</th>
          <th v-for="p in COMPARED_PERCENTS" :key="p" scope="colgroup" colspan="3" class="group">
            to {{ p }} %
          </th>
        </tr>
        <tr>
          <template v-for="p in COMPARED_PERCENTS" :key="p">
            <th scope="col" class="number">time saved</th>
            <th scope="col" class="number">share of time saved</th>
            <th scope="col" class="number">speed ratio</th>
          </template>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows.filter((r) => r.id !== baseline)" :key="row.id">
          <th scope="row"><InkMark :ink="inks[row.id]" /> {{ names[row.id] }}</th>
          <template v-for="t in row.times" :key="t.percent">
            <td class="number">{{ duration(t.against.savedS) }}</td>
            <td class="number">{{ figure(t.against.savedShare * 100, 1, '%') }}</td>
            <td class="number">{{ figure(t.against.speedRatio, 2, '×') }}</td>
          </template>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.group {
  text-align: center;
}
th a {
  color: inherit;
}
th[scope='row'] {
  font-size: 1rem;
  white-space: nowrap;
}
</style>
