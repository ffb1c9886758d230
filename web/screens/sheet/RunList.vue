<script setup lang="ts">
import { useElementBounding, useWindowSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { duration, figure } from '@core/words/figures'
import { timeTo } from '@core/analysis/headline'
import { isSimulated, isSound, RUN_STATE_WORDS, type Run } from '@core/logbook/run'
import { fullDay } from '@core/words/moments'
import FormText from '../../forms/FormText.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'

const logbook = useLogbook()
const analyses = useAnalyses()
const router = useRouter()
const chosen = ref<string[]>([])
const search = ref('')

/** Rows of the table as it is sorted and searched: plain values, so that a list computes nothing as it scrolls. */
const rows = computed(() =>
  logbook.runs.map((run) => {
    const headline = analyses.headline(run.id)
    const full = timeTo(headline, 100)
    return {
      id: run.id,
      run,
      name: logbook.nameOf(run),
      startedAt: run.startedAt,
      state: RUN_STATE_WORDS[run.state],
      levels: headline ? `${figure(headline.startPercent, 0)}–${figure(headline.endPercent, 0, '%')}` : '…',
      start: headline?.startPercent ?? NaN,
      full,
      heldPeakW: headline?.heldPeakW ?? NaN,
      energyWh: headline?.energyWh ?? NaN,
      warnings: (headline?.findings.warning ?? 0) + (headline?.findings.blocking ?? 0),
    }
  }),
)
type Row = (typeof rows.value)[number]
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
const compare = () => router.push({ path: '/side-by-side', query: { runs: chosen.value.join(',') } })

/** The table takes what the window leaves: its head stays in sight, its rows scroll. */
const frame = useTemplateRef<HTMLElement>('frame')
const { top } = useElementBounding(frame)
const { height: windowHeight } = useWindowSize()
const height = computed(() =>
  Math.max(
    280,
    Math.min((rows.value.length + 1) * ROW_PX + SPARE_PX, windowHeight.value - top.value - SPARE_PX),
  ),
)
</script>

<template>
  <div class="page">
    <div class="head">
      <h1>Sheet</h1>
      <FormText
        v-if="rows.length"
        v-model="search"
        class="search"
        label="Find a run"
        clearable
        density="compact"
      />
      <v-btn-main :disabled="chosen.length < 2" @click="compare">Set side by side</v-btn-main>
    </div>
    <p v-if="allSimulated" class="quiet">All of these runs are <SimulatedTag /></p>
    <EmptyPage
      v-if="!rows.length"
      title="No runs yet"
      text="A run logged on the bench, or read from a file, gets its sheet here."
    >
      <v-btn-main to="/bench">Go to the bench</v-btn-main>
      <v-btn to="/files">Read a file</v-btn>
    </EmptyPage>
    <div v-else ref="frame">
      <v-data-table-virtual
        v-model="chosen"
        :headers="HEADERS"
        :items="rows"
        :search="search ?? ''"
        :sort-by="[{ key: 'startedAt', order: 'desc' }]"
        :height="height"
        :item-height="ROW_PX"
        item-value="id"
        density="compact"
        fixed-header
        show-select
        no-data-text="No run is called that."
        data-testid="runs"
      >
        <template #[`item.data-table-select`]="{ internalItem, item, isSelected, toggleSelect }">
          <v-checkbox
            :model-value="isSelected(internalItem)"
            density="compact"
            :aria-label="`Choose ${(item as Row).name}`"
            @update:model-value="toggleSelect(internalItem)"
          />
        </template>
        <template #[`item.name`]="{ item }">
          <router-link :to="`/sheet/${item.id}`" :class="{ off: off(item.run) }"
            ><InkMark :ink="item.run.ink" /> {{ item.name }}</router-link
          >
          <SimulatedTag v-if="!allSimulated && isSimulated(item.run)" />
          <span v-if="item.run.state !== 'done'" class="quiet state">{{ item.state }}</span>
        </template>
        <template #[`item.startedAt`]="{ item }"
          ><span class="quiet">{{ fullDay(item.startedAt) }}</span></template
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
  flex: 1;
}
.search {
  flex: 0 1 260px;
}
a {
  color: inherit;
  font-weight: 600;
  white-space: nowrap;
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
