<script setup lang="ts">
import { computed } from 'vue'
import { writtenUnit } from '@core/words/figures'
import { nameWithin } from '@core/words/names'
import type { Path } from '../../charts/options'
import PathChart from '../../charts/PathChart.vue'
import { useChartView } from '../../charts/useChartView'
import InkMark from '../../components/InkMark.vue'
import PathsTable from '../../charts/PathsTable.vue'
import { useOneByOne } from '../../composables/useOneByOne'
import type { Compared } from './compareSamples'
import type { UsePathsReturn } from './usePaths'

/** The runs' paths on one clock, or against the level; zoomed and read off all together. */
const props = defineProps<{
  paths: UsePathsReturn
  across: 'clock' | 'level'
  names: readonly string[]
}>()

const { view, stretch, isWhole, show, showAll, cursor, point, onKey } = useChartView(
  () => props.paths.until.value,
)
const drawn = useOneByOne()
const STRIPS: { what: Exclude<Compared, 'level'>; title: string; unit: string; height: number }[] = [
  { what: 'power', title: 'Power', unit: 'W', height: 104 },
  { what: 'battery', title: 'Into the battery', unit: 'W', height: 88 },
  { what: 'heat', title: 'Hottest place', unit: '°C', height: 88 },
  { what: 'energy', title: 'Energy at the meter', unit: 'Wh', height: 88 },
]
const panels = computed(() => props.paths.panels.value)
const isOne = computed(() => panels.value.length === 1)
/** In small panels the level alone: what else there is stands in one picture. */
const frames = computed(() =>
  panels.value.map((panel) => {
    const paths = props.paths.levels(panel.ids, stretch.value)
    return { ...panel, paths, within: paths.map((p) => ({ ...p, label: nameWithin(p.label, panel.title) })) }
  }),
)
const all = computed(() => panels.value.flatMap((p) => p.ids))
/** Each by itself: a strip that comes, or a reading off, draws no other anew. */
const made = STRIPS.map((strip) => ({
  ...strip,
  paths: computed(() =>
    props.across === 'level'
      ? props.paths.byLevel(strip.what, all.value)
      : props.paths.strip(strip.what, all.value, stretch.value),
  ),
}))
/** Those that will be there, drawn yet or not: what stands under the last of them does not move from one to the next. */
const expected = computed(() =>
  made.filter(
    ({ what }) => (props.across === 'clock' || what !== 'energy') && props.paths.has(what, all.value),
  ),
)
/** Runs of what shows no level, such as a camera: the watts are what there is to see. */
const isLevelless = computed(
  () => isOne.value && expected.value.length > 0 && !props.paths.has('level', all.value),
)
const LARGE_PX = 262
const strips = computed(() =>
  expected.value
    .slice(0, drawn.value)
    .map((strip, i) => ({
      ...strip,
      height: isLevelless.value && i === 0 ? LARGE_PX : strip.height,
      isLast: i === expected.value.length - 1,
      paths: strip.paths.value,
    }))
    .filter(({ paths }) => paths.length > 0),
)
/** Where there is no finish line to name them: against the level, or where none was read. */
const named = computed(() =>
  props.across === 'level' || isLevelless.value
    ? (strips.value[0]?.paths.filter((p) => !p.faded && !p.unnamed) ?? [])
    : [],
)
/** A battery that drains, or a device that feeds out. */
const goesBelow = (paths: readonly Path[]) => paths.some(({ points }) => points.some(({ y }) => y < 0))
const pictures = computed(() => [
  ...(props.across === 'clock' && !isLevelless.value
    ? frames.value.map(({ title, paths }) => ({ title: title || 'Level', unit: '%', paths }))
    : []),
  ...(isOne.value || props.across === 'level' ? strips.value : []),
])
const shown = computed(() => (props.across === 'level' ? { from: 0, until: 100 } : view.value))
const readOff = computed(() => (cursor.value === null ? '' : props.paths.readOff(cursor.value)))
const summary = computed(
  () =>
    `${props.names.length} charge curves on one clock: ${props.names.slice(0, 12).join('; ')}. The figures are in the tables below.`,
)
</script>

<template>
  <div>
    <!-- A group of pictures that answers keys: it takes the focus itself. -->
    <div
      role="group"
      tabindex="0"
      aria-label="Paths. Arrows read off, plus and minus look closer and further, arrows with Shift move, 0 shows the whole."
      @keydown="onKey"
      @mouseleave="point(null)"
    >
      <div v-if="across === 'clock' && !isLevelless" :class="{ small: !isOne }">
        <div v-for="frame in frames" :key="frame.key">
          <h2 v-if="frame.title" class="strip">{{ frame.title }}</h2>
          <PathChart
            :paths="frame.within"
            unit="%"
            :min="0"
            :max="100"
            :from="view.from"
            :until="view.until"
            :whole="paths.until.value"
            :ready="stretch"
            :height="isOne ? LARGE_PX : 190"
            :finish-level="isWhole ? 100 : undefined"
            :show-clock="!isOne || expected.length === 0"
            :summary="frame.title ? `${frame.title}. ${summary}` : summary"
            :cursor="cursor"
            @moved="show"
            @pointed="point"
          />
        </div>
      </div>
      <p v-else-if="across === 'level' && expected.length === 0" class="quiet">
        Nothing to draw against the level: neither watts nor temperatures were read beside one.
      </p>
      <ul v-if="named.length > 1" class="named" aria-label="Whose path is whose">
        <li v-for="path in named" :key="path.label"><InkMark :ink="path.ink" /> {{ path.label }}</li>
      </ul>
      <template v-if="isOne || across === 'level'">
        <div v-for="strip in strips" :key="`${across} ${strip.what}`">
          <h2 class="strip">
            {{ strip.title }} <span class="quiet">{{ writtenUnit(strip.unit) }}</span>
          </h2>
          <PathChart
            :paths="strip.paths"
            :unit="strip.unit"
            untitled
            :min="strip.what === 'heat' || goesBelow(strip.paths) ? undefined : 0"
            :from="across === 'level' ? 0 : view.from"
            :until="across === 'level' ? 100 : view.until"
            :whole="across === 'level' ? undefined : paths.until.value"
            :ready="across === 'level' ? undefined : stretch"
            :across="across"
            :height="across === 'level' ? 240 : strip.height + (strip.isLast ? 18 : 0)"
            :show-clock="across === 'level' || strip.isLast"
            :summary="`${strip.title} of the same runs ${across === 'level' ? 'against the level' : 'on the same clock'}`"
            :cursor="across === 'level' ? undefined : cursor"
            @moved="show"
            @pointed="point"
          />
        </div>
      </template>
      <p v-if="across === 'clock'" class="closer">
        <v-btn size="small" :disabled="isWhole" @click="showAll">Show the whole</v-btn>
        <span :class="readOff ? 'figure' : 'quiet'" class="read" role="status">{{
          readOff ||
          (isWhole ? 'Ctrl and wheel, a pinch, or + looks closer; arrows read off.' : 'Drag to move.')
        }}</span>
      </p>
    </div>
    <PathsTable class="table" :pictures="pictures" :across="across" :from="shown.from" :until="shown.until" />
  </div>
</template>

<style scoped>
.strip {
  margin: 0 0 -4px 50px;
  font-size: 0.8rem;
  line-height: 1.2;
}
.named {
  list-style: none;
  margin: 0 0 8px 50px;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 20px;
  font-size: 0.84rem;
}
.small {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: 8px 20px;
}
.table {
  margin: 4px 0 0 50px;
}
.closer {
  margin: 4px 0 0 50px;
  font-size: 0.84rem;
  min-height: 3.4em;
  display: flex;
  gap: 12px;
  align-items: baseline;
}
</style>
