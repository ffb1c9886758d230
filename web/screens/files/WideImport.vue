<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { problemInWords } from '@core/formats/problem'
import { allSaid, namedBy, wideRuns, type WideChannel, type WideRun } from '@core/formats/wide'
import PathChart from '../../charts/PathChart.vue'
import PathsTable from '../../charts/PathsTable.vue'
import { named } from '../../forms/choices'
import FormPick from '../../forms/FormPick.vue'
import { useFiles } from '../../stores/files'
import { useLogbook } from '../../stores/logbook'
import type { OpenedTable, WidePreview } from '../../workers/files.worker'

/** A table with one column a charger, or a device: which column is whose. */
const props = defineProps<{ opened: OpenedTable; taking: boolean }>()
const emit = defineEmits<{ take: [runs: WideRun[]]; asks: [of: { device: boolean; source: boolean }] }>()
const logbook = useLogbook()
const files = useFiles()
const CHANNELS = [
  { value: 'percent', title: 'the level, %' },
  { value: 'power', title: 'watts' },
]
const gear = [...logbook.sources, ...logbook.devices]
const whoseChoices = [
  { value: '', title: 'leave out' },
  ...named(logbook.sources),
  ...logbook.devices.map(({ id, name }) => ({ value: id, title: `${name} (device)` })),
]
const holds = ref<WideChannel>('percent')
const whose = reactive(
  Object.fromEntries(
    props.opened.wide.map((i) => {
      const at = namedBy(
        props.opened.headers[i],
        gear.map((item) => item.name),
      )
      return [i, gear[at]?.id ?? '']
    }),
  ) as Record<number, string>,
)
const runs = computed(() => {
  const named = props.opened.wide.flatMap((column) =>
    whose[column] ? [{ column, gearId: whose[column] }] : [],
  )
  return wideRuns(props.opened.headers, named, holds.value)
})
/** Whether some columns tell the source, and some the device: what none of them tells is asked once for all. */
watch(
  runs,
  (of) => {
    const devices = of.filter(({ gearId }) => logbook.device(gearId)).length
    emit('asks', { device: devices < of.length || of.length === 0, source: devices > 0 })
  },
  { immediate: true },
)
const MOST_SHOWN = 5

/** The runs before any is kept. */
const seen = shallowRef<{ of: WideRun[]; paths: WidePreview[]; failure: string }>()
watch(
  [runs, () => props.opened.meanings],
  async ([of]) => {
    if (of.length === 0) return void (seen.value = undefined)
    const read = await files.previewWide(of)
    // Whatever was chosen since is asked for already.
    if (read && of === runs.value)
      seen.value = { of, paths: read.ok ? read.value : [], failure: read.ok ? '' : read.message }
  },
  { immediate: true },
)
const preview = computed(() => {
  const { of = [], paths = [] } = seen.value ?? {}
  const unit = paths[0]?.unit ?? ''
  const alike = paths.flatMap((path, i) =>
    path.unit === unit && path.points.length > 1
      ? [{ label: gear.find(({ id }) => id === of[i].gearId)?.name ?? '', ink: i, points: path.points }]
      : [],
  )
  return { unit, paths: alike, until: Math.max(0, ...paths.map((path) => path.lastS)) }
})
const assumed = computed(() => [...new Set(seen.value?.paths.flatMap((path) => path.assumed) ?? [])])
/** What could not be read, once a place. */
const faults = computed(() => [
  ...new Set(seen.value?.paths.flatMap(({ problems }) => problems.map(problemInWords)) ?? []),
])
</script>

<template>
  <div class="columns">
    <FormPick
      v-if="!allSaid(opened.headers, opened.wide)"
      v-model="holds"
      label="Each column holds"
      :items="CHANNELS"
    />
    <FormPick
      v-for="column in opened.wide"
      :key="column"
      v-model="whose[column]"
      :label="`“${opened.headers[column]}” is of`"
      :items="whoseChoices"
    />
  </div>
  <v-alert v-if="seen?.failure" type="error" variant="tonal" role="alert" class="my-3"
    >{{ seen.failure }} Nothing stored was changed.</v-alert
  >
  <v-alert v-if="faults.length" type="warning" variant="tonal" role="alert" class="my-3">
    Some places could not be read; everything else is kept.
    <ul>
      <li v-for="fault in faults.slice(0, MOST_SHOWN)" :key="fault">{{ fault }}</li>
    </ul>
    <span v-if="faults.length > MOST_SHOWN">and {{ faults.length - MOST_SHOWN }} more.</span>
  </v-alert>
  <ul v-if="assumed.length" class="quiet my-3">
    <li v-for="said in assumed" :key="said">{{ said }}</li>
  </ul>
  <template v-if="preview.paths.length">
    <PathChart
      :paths="preview.paths"
      :unit="preview.unit"
      :min="0"
      :max="preview.unit === '%' ? 100 : undefined"
      :until="preview.until"
      :height="200"
      :finish-level="preview.unit === '%' ? 100 : undefined"
      summary="The paths of the table, before anything is kept"
    />
    <PathsTable :pictures="[{ ...preview, title: 'Before anything is kept' }]" :until="preview.until" />
  </template>
  <v-btn-main
    class="mt-3"
    :disabled="runs.length === 0 || Boolean(seen?.failure)"
    :loading="taking"
    @click="emit('take', runs)"
    >Make {{ runs.length }} {{ runs.length === 1 ? 'run' : 'runs' }} of it</v-btn-main
  >
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 8px 24px;
  margin-top: 8px;
}
</style>
