<script setup lang="ts">
import { computed } from 'vue'
import { correctableLabel } from '@core/logbook/corrections'
import type { Run } from '@core/logbook/run'
import type { Correction } from '@core/trace/trace'
import { aboutColumn } from '@core/trace/valueColumn'
import { asRead, clock, exactClock, figure, UNKNOWN } from '@core/words/figures'
import { useCorrections } from '../../stores/corrections'
import { useNotices } from '../../stores/notices'
import { fullDay, timeOfDay } from '@core/words/moments'
import { pastCondition } from './pastWords'

/** Everything that was ever put right in this run, the earlier ones too. */
const props = defineProps<{ run: Run }>()
const corrections = useCorrections()
const notices = useNotices()

const value = (c: Correction, v: number | null) =>
  v === null
    ? 'not read'
    : c.what === 'time'
      ? exactClock(v)
      : c.what === 'reading'
        ? figure(v, 0, '%')
        : asRead(v, 4, aboutColumn(c.what).unit)
const said = (c: Correction) =>
  c.what === 'reading'
    ? {
        what: `Reading added at ${clock(c.t)}`,
        from: UNKNOWN,
        to: c.to === null ? 'without a level' : value(c, c.to),
      }
    : {
        what: `${c.what === 'time' ? 'Time' : aboutColumn(c.what).label} at ${clock(c.t)}`,
        from: value(c, c.from),
        to: value(c, c.to),
      }
const all = computed(() =>
  [
    ...props.run.corrections.map((c) => ({ ...said(c), why: c.why, when: c.when })),
    ...props.run.conditionCorrections.map((c) => ({
      what: correctableLabel(c.field),
      from: pastCondition(c.field, c.from),
      to: pastCondition(c.field, c.to),
      why: c.why,
      when: c.when,
    })),
  ].sort((a, b) => a.when.localeCompare(b.when)),
)
</script>

<template>
  <section v-if="all.length" aria-label="Put right">
    <h2>Put right</h2>
    <div class="scroll-x" tabindex="0">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col" class="number">was</th>
            <th scope="col" class="number">became</th>
            <th scope="col">Why</th>
            <th scope="col">When</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(c, i) in all" :key="i">
            <th scope="row">{{ c.what }}</th>
            <td class="number">{{ c.from }}</td>
            <td class="number">{{ c.to }}</td>
            <td>{{ c.why }}</td>
            <td class="quiet">{{ fullDay(c.when) }}, {{ timeOfDay(c.when) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
  <section v-if="run.leftOut.length" aria-label="Left out">
    <h2>Left out</h2>
    <ul>
      <li v-for="stretch in run.leftOut" :key="stretch.when">
        <span class="figure">{{ clock(stretch.fromS) }}–{{ clock(stretch.toS) }}</span>
        {{ stretch.readings.time.length }} {{ stretch.readings.time.length === 1 ? 'reading' : 'readings' }}:
        {{ stretch.why }}
        <span class="quiet">{{ fullDay(stretch.when) }}, {{ timeOfDay(stretch.when) }}</span>
        <v-btn size="small" @click="corrections.putStretchBack(run.id, stretch.when).catch(notices.fail)"
          >Count it again</v-btn
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  border-bottom: var(--hairline);
  padding: 6px 0;
}
</style>
