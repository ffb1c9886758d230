<script setup lang="ts">
import { computed } from 'vue'
import { isSimulated } from '@core/logbook/run'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useRunListView, type RunGroup } from '../../stores/runListView'
import type { RunRow } from './useRunRows'
import { placeOf } from '../../composables/places'

/** The list of runs on a phone: two lines a run, a heading a group. */
const props = defineProps<{ rows: readonly RunRow[]; height: number; quietly: boolean }>()
const list = useRunListView()

const KEYS: Record<Exclude<RunGroup, 'none'>, keyof RunRow> = {
  device: 'device',
  source: 'source',
  campaign: 'campaign',
  day: 'day',
}
const wanted = computed(() => {
  const words = (list.search ?? '').trim().toLowerCase()
  const found = props.rows.filter(({ name }) => name.toLowerCase().includes(words))
  return found.sort((a, b) => b.startedAt.localeCompare(a.startedAt))
})
type Line = { key: string; heading: string } | { key: string; row: RunRow }
const lines = computed((): Line[] => {
  const { group } = list
  if (group === 'none') return wanted.value.map((row) => ({ key: row.id, row }))
  const groups = new Map<string, RunRow[]>()
  for (const row of wanted.value) {
    const heading = String(row[KEYS[group]])
    groups.set(heading, [...(groups.get(heading) ?? []), row])
  }
  return [...groups].flatMap(([heading, rows]): Line[] => [
    { key: `group ${heading}`, heading: `${heading} (${rows.length})` },
    ...rows.map((row) => ({ key: row.id, row })),
  ])
})
</script>

<template>
  <p v-if="lines.length === 0" class="quiet">No run is like that.</p>
  <v-virtual-scroll :items="lines" :height="height" :item-height="62" item-key="key" data-testid="runs">
    <template #default="{ item }">
      <h2 v-if="'heading' in item" class="heading">{{ item.heading }}</h2>
      <div v-else class="line">
        <v-checkbox
          v-model="list.chosen"
          :value="item.row.id"
          density="compact"
          :aria-label="`Choose ${item.row.name}`"
        />
        <router-link :to="placeOf('sheet', item.row.id)">
          <strong
            ><InkMark :ink="item.row.run.ink" /> {{ item.row.name }}
            <SimulatedTag v-if="!quietly && isSimulated(item.row.run)"
          /></strong>
          <span class="quiet">{{ item.row.line }}</span>
        </router-link>
      </div>
    </template>
  </v-virtual-scroll>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  align-items: center;
  height: 62px;
  border-bottom: var(--hairline);
}
.line a {
  display: block;
  color: inherit;
  text-decoration: none;
  padding: 6px 0;
}
.line strong,
.line .quiet {
  display: block;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line .quiet {
  font-size: 0.84rem;
}
.heading {
  height: 62px;
  margin: 0 !important;
  padding-top: 32px;
}
</style>
