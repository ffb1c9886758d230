<script setup lang="ts">
import { computed } from 'vue'
import { clock, duration, figure } from '@core/words/figures'
import type { Analysis } from '@core/analysis/analyse'
import { energyGained } from '@core/analysis/energy'
import { capacityOf } from '@core/gear/capacity'
import type { Device } from '@core/gear/gear'

const props = defineProps<{ analysis: Analysis; device: Device | undefined }>()
const a = computed(() => props.analysis)
const capacity = computed(() => (props.device ? capacityOf(props.device) : undefined))
const gained = (gain: number) => figure(energyGained(gain, capacity.value?.usableWh ?? NaN), 1, 'Wh')
const taperGap = computed(
  () => a.value.taperEndS - (a.value.milestones.find((m) => m.percent === 100)?.firstSeenS ?? NaN),
)

const power = computed(() => [
  ['Peak', figure(a.value.power.peakW, 2, 'W'), `at ${duration(a.value.power.peakAtS)}, a single reading`],
  [
    'Held peak',
    figure(a.value.power.heldPeakW, 2, 'W'),
    a.value.power.coarse ? 'coarse: the highest reading' : 'best mean over 60 s',
  ],
  ['Mean', figure(a.value.power.meanW, 2, 'W'), 'over the time that was read'],
  [
    'Energy',
    figure(a.value.energy.energyWh, 2, 'Wh'),
    a.value.energy.bridgedWh > 0
      ? `and ${figure(a.value.energy.bridgedWh, 2, 'Wh')} bridged across gaps`
      : 'at the meter, no gaps',
  ],
  ['Charge', figure(a.value.energy.chargeAh, 3, 'Ah'), 'at the meter’s own volts'],
  [
    'Taper end',
    duration(a.value.taperEndS),
    Number.isNaN(taperGap.value)
      ? 'power below 5 % of the held peak for 60 s'
      : `${duration(taperGap.value)} after it first showed full`,
  ],
])
const efficiency = computed(() => figure(a.value.efficiency * 100, 0, '%'))
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
            <td v-if="m.reason" colspan="4" class="quiet">not reached. {{ m.reason }}</td>
            <template v-else>
              <td class="number">{{ duration(m.timeS) }}</td>
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
            <th scope="col" class="number">Energy gained</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in a.marks.filter((mark) => !mark.reason)" :key="m.atS">
            <th scope="row">{{ duration(m.atS) }}</th>
            <td class="number">{{ figure(m.percent, 1, '%') }}</td>
            <td class="number quiet">{{ m.low }}–{{ m.high }}</td>
            <td class="number">{{ figure(m.gain, 1) }}</td>
            <td class="number">{{ gained(m.gain) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section class="scroll-x" tabindex="0">
      <h2>Power and energy</h2>
      <table class="ruled">
        <tbody>
          <tr v-for="[label, value, note] in power" :key="label" :data-testid="`figure-${label}`">
            <th scope="row">{{ label }}</th>
            <td class="number">{{ value }}</td>
            <td class="quiet">{{ note }}</td>
          </tr>
          <tr>
            <th scope="row">Efficiency</th>
            <td class="number">{{ efficiency }}</td>
            <td class="quiet">
              of
              <span
                :class="{ assumed: capacity?.assumedVolts }"
                :title="
                  capacity?.assumedVolts
                    ? 'Worked out with 3.85 V assumed for one lithium-ion cell'
                    : undefined
                "
              >
                {{ figure(capacity?.usableWh, 1, 'Wh') }}
              </span>
              usable
            </td>
          </tr>
          <tr v-if="Number.isFinite(a.energy.transferEfficiency)">
            <th scope="row">Received ÷ sent</th>
            <td class="number">{{ figure(a.energy.transferEfficiency * 100, 0, '%') }}</td>
            <td class="quiet">battery side over meter</td>
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
            <th scope="col" class="number">Mean power</th>
            <th scope="col" class="number">Points a minute</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in a.bands" :key="b.fromPercent">
            <th scope="row">
              {{ b.fromPercent }}–{{ b.toPercent }}&nbsp;%<span v-if="b.partial" class="quiet"> in part</span>
            </th>
            <td class="number">{{ figure(b.meanW, 1, 'W') }}</td>
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
