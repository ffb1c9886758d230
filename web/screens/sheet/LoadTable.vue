<script setup lang="ts">
import { computed } from 'vue'
import { loadSplit } from '@core/analysis/load'
import { scoresOf, summarise } from '@core/analysis/scores'
import { duration, figure } from '@core/words/figures'
import { scoreDigits } from '@core/words/sentences/resultWords'
import type { Run } from '@core/logbook/run'
import { capacityThen } from '@core/protocol/runConditions'
import type { Trace } from '@core/trace/trace'

/** Where the source's power went while a named load ran. */
const props = defineProps<{ run: Run; trace: Trace }>()
const phases = computed(() =>
  loadSplit(props.trace, props.run.events, capacityThen(props.run.conditions).usableWh),
)
const scores = computed(() => summarise(scoresOf(props.run.events)))
</script>

<template>
  <section v-if="phases.length" aria-label="Under load">
    <h2>Under load</h2>
    <div class="scroll-x" tabindex="0" role="group" aria-label="Power under load">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Load</th>
            <th scope="col" class="number">from</th>
            <th scope="col" class="number">for</th>
            <th scope="col" class="number">source</th>
            <th scope="col" class="number">battery</th>
            <th scope="col" class="number">system, with losses</th>
            <th scope="col" class="number">empty in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in phases" :key="p.startS">
            <th scope="row">{{ p.name }}</th>
            <td class="number">{{ duration(p.startS) }}</td>
            <td class="number">{{ duration(p.endS - p.startS) }}</td>
            <td class="number">{{ figure(p.sourceW, 1, 'W') }}</td>
            <td class="number">{{ figure(p.batteryW, 1, 'W') }}</td>
            <td class="number">
              {{ figure(p.systemW, 1, 'W') }}
              <div v-if="p.reason" class="small quiet">{{ p.reason }}</div>
            </td>
            <td class="number">{{ p.batteryW < 0 ? duration(p.hoursToEmpty * 3600) : 'does not drain' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
  <section v-if="scores.length" aria-label="Benchmark scores">
    <h2>Benchmark scores</h2>
    <ul class="scores">
      <li v-for="s in scores" :key="s.name + s.unit + s.better">
        {{ s.name || 'unnamed' }}:
        <span class="figure">{{ figure(s.mean, scoreDigits(s.mean), s.unit) }}</span><span class="quiet"
          >,
          {{
            s.count > 1
              ? `mean of ${s.count}, which vary by ${figure(s.deviation, scoreDigits(s.mean), s.unit)}`
              : 'once'
          }}; {{ s.better }} is better</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.scores {
  list-style: none;
  padding: 0;
}
</style>
