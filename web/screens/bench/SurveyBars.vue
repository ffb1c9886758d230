<script setup lang="ts">
import { computed } from 'vue'
import { groups } from 'd3-array'
import { LIMIT_WORDS } from '@core/gear/grid'
import { OBSERVED_WORDS } from '@core/gear/observed'
import { duration, figure } from '@core/words/figures'
import CopyTable from '../../components/CopyTable.vue'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'

/** What each source gave a device, in order, by what limits it; a tick says what was expected. */
const props = defineProps<{ deviceId: string }>()
const logbook = useLogbook()
const expectedOf = useExpected()
const FULL = 100

const rows = computed(() => {
  const own = logbook.observations.filter((o) => o.deviceId === props.deviceId && o.watts !== null)
  // The last one of a source and cable counts.
  const latest = groups(own, (o) => `${o.sourceId} ${o.cableId}`).map(([, of]) => of[of.length - 1])
  return latest
    .map((o) => {
      const fedFromId = logbook.source(o.sourceId)?.fedFromId ?? null
      const expected = expectedOf({ ...o, conditions: { fedFromId } })
      return {
        o,
        watts: o.watts ?? 0,
        name: logbook.source(o.sourceId)?.name ?? 'A deleted source',
        cable: logbook.cable(o.cableId)?.name ?? '',
        expectedW: expected?.meterWatts ?? NaN,
        limit: expected ? LIMIT_WORDS[expected.limit] : 'not known',
      }
    })
    .sort((a, b) => b.watts - a.watts)
})
const most = computed(() => rows.value.reduce((top, r) => Math.max(top, r.watts, r.expectedW || 0), 1))
const at = (watts: number) => `${(FULL * Math.max(0, watts)) / most.value}%`
const byLimit = computed(() => groups(rows.value, (r) => r.limit))
const table = () => [
  ['Source', 'Watts', 'Expected', 'Outcome', 'Limited by', 'Device', 'Sound', 'Watched'],
  ...rows.value.map((r) => [r.name, figure(r.watts, 1, 'W'), figure(r.expectedW, 1, 'W'), OBSERVED_WORDS[r.o.outcome], r.limit, r.o.awake ?? '', r.o.sound, duration(r.o.watchedS ?? NaN)]),
] // prettier-ignore
</script>

<template>
  <section v-if="rows.length" aria-label="What they gave">
    <div class="head">
      <h2>What they gave</h2>
      <CopyTable :table="table" name="the survey" />
    </div>
    <div v-for="[limit, own] in byLimit" :key="limit">
      <h3>Held by: {{ limit }}</h3>
      <ul data-testid="survey-bars">
        <li v-for="r in own" :key="r.o.id">
          <span
            >{{ r.name }} <span class="quiet">{{ r.cable }}</span></span
          >
          <span class="scale" aria-hidden="true">
            <span class="bar drawn" :style="{ width: at(r.watts) }"></span>
            <span v-if="r.expectedW > 0" class="tick" :style="{ left: at(r.expectedW) }"></span>
          </span>
          <span class="figure"
            >{{ figure(r.watts, 1, 'W') }}
            <span class="quiet">of {{ figure(r.expectedW, 1, 'W') }}</span></span
          >
          <span class="quiet">{{
            [OBSERVED_WORDS[r.o.outcome], r.o.awake, r.o.sound, duration(r.o.watchedS ?? NaN)]
              .filter(Boolean)
              .join(' · ')
          }}</span>
        </li>
      </ul>
    </div>
    <p class="quiet">The tick is what they were expected to agree on.</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
}
h3 {
  font-size: 0.95rem;
  font-weight: 600;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(120px, 220px) minmax(80px, 1fr) 150px minmax(120px, 260px);
  gap: 4px 16px;
  align-items: center;
  padding: 4px 0;
  border-bottom: var(--hairline);
}
.scale {
  position: relative;
  height: 14px;
}
.bar {
  position: absolute;
  inset: 2px auto 2px 0;
  opacity: 0.75;
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid currentColor;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr auto;
  }
}
</style>
