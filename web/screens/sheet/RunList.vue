<script setup lang="ts">
import { useDisplay } from 'vuetify'
import { useElementBounding, useWindowScroll, useWindowSize } from '@vueuse/core'
import { computed, nextTick, onBeforeUnmount, onMounted, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { duration, figure } from '@core/words/figures'
import { isSimulated, isSound, type Run } from '@core/logbook/run'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useLogbook } from '../../stores/logbook'
import { useRunListView, type RunFilter, type RunGroup } from '../../stores/runListView'
import RunLines from './RunLines.vue'
import { useRunRows, type RunRow } from './useRunRows'
import { idsAsWord, placeOf } from '../../composables/places'

const logbook = useLogbook()
const list = useRunListView()
const router = useRouter()
const rows = useRunRows(() => list.filter)
const { smAndDown: isPhone } = useDisplay()

const GROUPS: { value: RunGroup; title: string }[] = [
  { value: 'none', title: 'not grouped' },
  { value: 'device', title: 'by device' },
  { value: 'source', title: 'by source' },
  { value: 'campaign', title: 'by campaign' },
  { value: 'day', title: 'by day' },
]
const FILTERS: { value: RunFilter; title: string }[] = [
  { value: 'all', title: 'all runs' },
  { value: 'sound', title: 'those that count' },
  { value: 'minded', title: 'with findings to mind' },
  { value: 'out', title: 'spoilt or set aside' },
]
const groupBy = computed(() => (list.group === 'none' ? [] : [{ key: list.group }]))
/** Not reached, or not known, comes last whichever way the column is sorted up. */
const byNumber = (a: number, b: number) =>
  (Number.isNaN(a) ? Infinity : a) - (Number.isNaN(b) ? Infinity : b) || 0
const HEADERS = [
  { title: 'Run', key: 'name' },
  { title: 'Evening', key: 'startedAt', filterable: false },
  { title: 'Levels', key: 'start', align: 'end', filterable: false, sort: byNumber },
  { title: 'To full', key: 'full', align: 'end', filterable: false, sort: byNumber },
  { title: 'Held peak', key: 'heldPeakW', align: 'end', filterable: false, sort: byNumber },
  { title: 'Energy', key: 'energyWh', align: 'end', filterable: false, sort: byNumber },
  { title: 'Findings', key: 'warnings', align: 'end', filterable: false },
] as const
const ROW_PX = 44
const SPARE_PX = 40

const allSimulated = computed(() => logbook.runs.length > 0 && logbook.runs.every(isSimulated))
const off = (run: Run): boolean => !isSound(run)
const compare = () => router.push({ path: '/side-by-side', query: { runs: idsAsWord(list.chosen) } })

/**
 * The table takes what the window leaves of a page that was not moved: its head stays in sight, its rows scroll, and
 * what stands below it is not pushed away as one scrolls there.
 */
const frame = useTemplateRef<HTMLElement>('frame')
const { top } = useElementBounding(frame)
const { y: moved } = useWindowScroll()
/** Coming back, the list stands where it was left. */
const scroller = () => frame.value?.querySelector('.v-table__wrapper, .v-virtual-scroll')
onMounted(() => void standAt(list.scrollTop))
/** Rows and groups come a frame or two later: until they are there, there is nothing to scroll to. */
async function standAt(top: number, frames = 20) {
  await nextTick()
  scroller()?.scrollTo({ top })
  if (frames > 0 && (scroller()?.scrollTop ?? 0) < top)
    requestAnimationFrame(() => void standAt(top, frames - 1))
}
onBeforeUnmount(() => void (list.scrollTop = scroller()?.scrollTop ?? 0))
const { height: windowHeight } = useWindowSize()
const height = computed(() =>
  Math.max(
    280,
    Math.min(
      (rows.value.length + 1) * ROW_PX + SPARE_PX,
      windowHeight.value - top.value - moved.value - SPARE_PX,
    ),
  ),
)
</script>

<template>
  <div class="page">
    <div class="head">
      <h1>Sheet</h1>
      <template v-if="logbook.runs.length">
        <FormText v-model="list.search" class="search" label="Find a run" clearable density="compact" />
        <FormPick v-model="list.group" class="pick" label="Group" :items="GROUPS" density="compact" />
        <FormPick v-model="list.filter" class="pick" label="Show" :items="FILTERS" density="compact" />
      </template>
      <v-btn-main :disabled="list.chosen.length < 2" @click="compare">Set side by side</v-btn-main>
    </div>
    <p v-if="allSimulated" class="quiet">All of these runs are <SimulatedTag /></p>
    <EmptyPage
      v-if="!logbook.runs.length"
      title="No runs yet"
      text="A run logged on the bench, or read from a file, gets its sheet here."
    >
      <v-btn-main to="/bench">Go to the bench</v-btn-main>
      <v-btn to="/files">Read a file</v-btn>
    </EmptyPage>
    <div v-else ref="frame">
      <RunLines v-if="isPhone" :rows="rows" :height="height" :quietly="allSimulated" />
      <v-data-table-virtual
        v-else
        v-model="list.chosen"
        v-model:sort-by="list.sortBy"
        :headers="HEADERS"
        :items="rows"
        :search="list.search ?? ''"
        :group-by="groupBy"
        open-all
        :height="height"
        :item-height="ROW_PX"
        item-value="id"
        density="compact"
        fixed-header
        show-select
        no-data-text="No run is like that."
        data-testid="runs"
      >
        <template #[`item.data-table-select`]="{ internalItem, item, isSelected, toggleSelect }">
          <v-checkbox
            :model-value="isSelected(internalItem)"
            density="compact"
            :aria-label="`Choose ${(item as RunRow).name}`"
            @update:model-value="toggleSelect(internalItem)"
          />
        </template>
        <template #[`item.name`]="{ item }">
          <router-link :to="placeOf('sheet', item.id)" :class="{ off: off(item.run) }" :title="item.name"
            ><InkMark :ink="item.run.ink" />{{ item.name }}</router-link
          >
          <SimulatedTag v-if="!allSimulated && isSimulated(item.run)" />
          <span v-if="item.run.state !== 'done'" class="quiet state">{{ item.state }}</span>
        </template>
        <template #[`item.startedAt`]="{ item }"
          ><span class="quiet text-no-wrap">{{ item.day }}</span></template
        >
        <template #[`item.start`]="{ item }">{{ item.levels }}</template>
        <template #[`item.full`]="{ item }">{{ duration(item.full) }}</template>
        <template #[`item.heldPeakW`]="{ item }">{{ figure(item.heldPeakW, 1, 'W') }}</template>
        <template #[`item.energyWh`]="{ item }">{{ figure(item.energyWh, 1, 'Wh') }}</template>
        <template #[`item.warnings`]="{ item }">{{ item.warnings || '' }}</template>
      </v-data-table-virtual>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  margin-bottom: 12px;
}
.head h1 {
  flex: 1 1 auto;
}
.search {
  flex: 0 1 220px;
}
.pick {
  flex: 0 1 190px;
}
/* A name longer than its share of the row is cut, rather than push the figures out of sight. */
td a {
  display: inline-block;
  vertical-align: bottom;
  max-width: 30vw;
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 600;
  white-space: nowrap;
}
a :deep(.ink) {
  margin-right: 8px;
}
.state {
  margin-left: 8px;
}
.off {
  font-weight: 400;
  text-decoration-style: dotted;
}
:deep(.v-table) {
  background: transparent;
}
:deep(td.v-data-table-column--align-end) {
  font-family: var(--figure-face);
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
:deep(th) {
  background: rgb(var(--v-theme-background)) !important;
  font-size: 0.84rem;
}
</style>
