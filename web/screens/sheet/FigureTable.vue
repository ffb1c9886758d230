<script setup lang="ts">
import { computed } from 'vue'
import { clock, duration, figure, withSpread } from '@core/words/figures'
import type { Analysis } from '@core/analysis/analyse'
import { energyGained } from '@core/analysis/energy'
import type { Run } from '@core/logbook/run'
import { capacityThen } from '@core/protocol/runConditions'
import { bandWorkings, markWorkings } from '@core/words/sentences/tableWorkings'
import { milestoneWorkings } from '@core/words/sentences/workings'
import { powerRows } from './powerRows'
import WorkedFigure from './WorkedFigure.vue'

const props = defineProps<{ analysis: Analysis; run: Run }>()
const a = computed(() => props.analysis)
const capacity = computed(() => capacityThen(props.run.conditions))
const gained = (gain: number) => figure(energyGained(gain, capacity.value.usableWh), 1, 'Wh')
const rows = computed(() => powerRows(a.value, capacity.value))
</script>

<template>
  <div class="tables">
    <section class="scroll-x" tabindex="0">
      <h2>Time to</h2>
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Level</th>
            <th scope="col" class="number">Time</th>
            <th scope="col" class="number">between</th>
            <th scope="col" class="number">first seen</th>
            <th scope="col" class="number">±&nbsp;(k&nbsp;=&nbsp;2)</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in a.milestones" :key="m.percent" :data-testid="`milestone-${m.percent}`">
            <th scope="row">{{ m.percent }}&nbsp;%</th>
            <td v-if="m.reason" colspan="4" class="quiet">{{ m.reason }}</td>
            <template v-else>
              <td class="number">
                <WorkedFigure :workings="() => milestoneWorkings(m)">{{ duration(m.timeS) }}</WorkedFigure>
              </td>
              <td class="number quiet">{{ clock(m.earliestS) }}–{{ clock(m.latestS) }}</td>
              <td class="number quiet">{{ clock(m.firstSeenS) }}</td>
              <td class="number quiet">{{ duration(2 * m.uncertaintyS) }}</td>
            </template>
          </tr>
        </tbody>
      </table>
    </section>
    <section class="scroll-x" tabindex="0">
      <h2>Level at</h2>
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">After</th>
            <th scope="col" class="number">Level</th>
            <th scope="col" class="number">between</th>
            <th scope="col" class="number">Gain, points</th>
            <th scope="col" class="number">±&nbsp;(k&nbsp;=&nbsp;2)</th>
            <th scope="col" class="number">Energy gained</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in a.marks.filter((mark) => !mark.reason)" :key="m.atS">
            <th scope="row">{{ duration(m.atS) }}</th>
            <td class="number">{{ figure(m.percent, 1, '%') }}</td>
            <td class="number quiet">{{ m.low }}–{{ m.high }}</td>
            <td class="number">
              <WorkedFigure :workings="() => markWorkings(m, a.startPercent)">{{
                figure(m.gain, 1)
              }}</WorkedFigure>
            </td>
            <td class="number quiet">{{ figure(2 * m.uncertainty, 1) }}</td>
            <td class="number">{{ gained(m.gain) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section class="scroll-x" tabindex="0">
      <h2>Power and energy</h2>
      <table class="ruled">
        <tbody>
          <tr v-for="row in rows" :key="row.label" :data-testid="`figure-${row.label}`">
            <th scope="row">{{ row.label }}</th>
            <td class="number">
              <WorkedFigure :workings="row.workings && (() => row.workings!)">{{ row.value }}</WorkedFigure>
            </td>
            <td class="quiet" :class="{ assumed: row.assumed }" :title="row.assumed">{{ row.note }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section class="scroll-x" tabindex="0">
      <h2>By band of level</h2>
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Band</th>
            <th scope="col" class="number">
              {{ a.curveAt === 'battery' ? 'Mean power, at the battery' : 'Mean power' }}
            </th>
            <th scope="col" class="number">Points a minute</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in a.bands" :key="b.fromPercent">
            <th scope="row">
              {{ b.fromPercent }}–{{ b.toPercent }}&nbsp;%<span v-if="b.partial" class="quiet"> in part</span>
            </th>
            <td class="number">
              <WorkedFigure :workings="Number.isFinite(b.startS) ? () => bandWorkings(b) : undefined">{{
                withSpread(b.meanW, b.uncertaintyW, 1, 'W')
              }}</WorkedFigure>
            </td>
            <td class="number">{{ figure(b.pointsPerMinute, 2) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.tables {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
  gap: 8px 48px;
}
</style>
