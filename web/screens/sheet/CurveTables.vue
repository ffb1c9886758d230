<script setup lang="ts">
import { computed } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import { warmth } from '@core/analysis/heat'
import type { Spot } from '@core/analysis/spot'
import { clock, difference, duration, figure } from '@core/words/figures'
import {
  partWorkings,
  momentWords,
  placeWorkings,
  spotWorkings,
  supplyWorkings,
} from '@core/words/sentences/tableWorkings'
import WorkedFigure from './WorkedFigure.vue'
import { claimInWords, PART_END_WORDS, slowedBy } from '@core/words/sentences/curve'

/** Parts of the curve, supply, heat, advertised claims and what a few minutes say: the tables behind the picture. */
const props = defineProps<{ analysis: Analysis; spot: Spot | null; usableWh: number }>()
const minutes = computed(() => props.analysis.heat[0]?.at.map(({ atS }) => atS) ?? [])
</script>

<template>
  <div class="tables">
    <section v-if="analysis.parts.length" class="scroll-x" tabindex="0">
      <h2>
        {{ analysis.curveAt === 'battery' ? 'Parts of the curve, at the battery' : 'Parts of the curve' }}
      </h2>
      <table class="ruled" data-testid="part-table">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" class="number">from</th>
            <th scope="col" class="number">to</th>
            <th scope="col" class="number">Mean</th>
            <th scope="col" class="number">Energy</th>
            <th scope="col" class="number">Points</th>
            <th scope="col">Ended by</th>
            <th scope="col" class="number">then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(part, i) in analysis.parts" :key="part.startS">
            <th scope="row">{{ part.kind }}</th>
            <td class="number">{{ clock(part.startS) }}</td>
            <td class="number">{{ clock(part.endS) }}</td>
            <td class="number">
              <WorkedFigure :workings="() => partWorkings(part)">{{
                figure(part.meanW, 1, 'W')
              }}</WorkedFigure>
            </td>
            <td class="number">{{ figure(part.energyWh, 2, 'Wh') }}</td>
            <td class="number">{{ figure(part.gain, 1) }}</td>
            <td class="quiet">
              {{ PART_END_WORDS[part.endedBy]
              }}<template v-if="Number.isFinite(part.endPercent)"
                >, at {{ figure(part.endPercent, 0, '%') }}</template
              >
            </td>
            <td class="number">{{ slowedBy(analysis.parts, i) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="analysis.supply.length" class="scroll-x" tabindex="0">
      <h2>Supply</h2>
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Level</th>
            <th scope="col" class="number">from</th>
            <th scope="col" class="number">to</th>
            <th scope="col" class="number">Load V/I</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in analysis.supply" :key="s.startS">
            <th scope="row">
              <WorkedFigure :workings="() => supplyWorkings(s)"
                >{{ figure(s.volts, s.mode === 'fixed' ? 0 : 1, 'V') }}, {{ s.mode }}</WorkedFigure
              >
            </th>
            <td class="number">{{ clock(s.startS) }}</td>
            <td class="number">{{ clock(s.endS) }}</td>
            <td class="number">{{ figure(s.ohms, 1, 'Ω') }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="analysis.heat.length" class="scroll-x" tabindex="0">
      <h2>Heat</h2>
      <table class="ruled" data-testid="heat-table">
        <thead>
          <tr>
            <th scope="col">Place</th>
            <th v-for="atS in minutes" :key="atS" scope="col" class="number">{{ atS / 60 }} min</th>
            <th scope="col" class="number">Highest</th>
            <th scope="col" class="number">Rise</th>
            <th scope="col" class="number">Over the room</th>
            <th scope="col" class="number">At {{ figure(40, 0, '°C') }} or more</th>
            <th scope="col" class="number">Back to start</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="h in analysis.heat" :key="h.place">
            <th scope="row">{{ h.place || 'device' }}</th>
            <td v-for="m in h.at" :key="m.atS" class="number bar">
              <span class="drawn" :style="{ width: `${100 * warmth(m.thenC)}%` }"></span
              >{{ figure(m.thenC, 1, '°C') }}
            </td>
            <td class="number">
              <WorkedFigure :workings="() => placeWorkings(h)"
                >{{ figure(h.maxC, 1, '°C') }} at {{ momentWords(h.maxAtS, h.maxAtPercent) }}</WorkedFigure
              >
            </td>
            <td class="number">{{ difference(h.riseC, 1, '°C') }}</td>
            <td class="number">{{ difference(h.overAmbientC, 1, '°C') }}</td>
            <td class="number">{{ duration(h.above[1].seconds) }}</td>
            <td class="number">{{ momentWords(h.backToStartS, h.backAtPercent) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="analysis.claims.length">
      <h2>What is advertised</h2>
      <ul data-testid="claims">
        <li v-for="(claim, i) in analysis.claims" :key="i">{{ claimInWords(claim) }}</li>
      </ul>
    </section>
    <section v-if="spot">
      <h2>Spot check</h2>
      <p>
        At this rate half full after {{ duration(spot.toHalfLosslessS) }} without losses,
        <WorkedFigure :workings="() => spotWorkings(spot!, analysis, usableWh)">{{
          duration(spot.toHalfS)
        }}</WorkedFigure>
        with
        <span :class="{ assumed: spot.efficiencyAssumed }"
          >{{ figure(100 * spot.efficiency, 0, '%') }} arriving</span
        >. It holds below about half full only.
      </p>
    </section>
  </div>
</template>

<style scoped>
.tables {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 520px), 1fr));
  gap: 8px 48px;
}
.ruled :is(th, td) {
  vertical-align: baseline !important;
}
.bar {
  position: relative;
}
.bar span {
  position: absolute;
  left: 0;
  bottom: 2px;
  height: 3px;
  opacity: 0.6;
}
</style>
