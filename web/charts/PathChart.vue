<script setup lang="ts">
import { useElementSize, useTimeoutFn, whenever } from '@vueuse/core'
import type { ChartDataset, Plugin } from 'chart.js'
import { computed, onBeforeUnmount, shallowRef, useTemplateRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import { chartColours } from './colours'
import { finishOf } from './finish'
import { drawInTurn, drawNoMore } from './frameTurns'
import { lengthOf, type Flag, type Path, type Point, type Tick } from './options'
import { carriedOn, pathChart } from './pathChart'
import { Chart } from './setup'

const props = withDefaults(
  defineProps<{
    paths: Path[]
    unit: string
    /** What the picture says, for those who cannot see it. */
    summary: string
    from?: number
    until: number
    across?: 'clock' | 'level'
    /** The whole clock, s: the view may be moved within it. */
    whole?: number
    height?: number
    flags?: Flag[]
    rings?: Point[]
    events?: Tick[]
    findings?: Tick[]
    /** Where one reads off; with it, the pointer is told and no box stands in the picture. */
    cursor?: number | null
    min?: number
    max?: number
    /** Names the paths on the line at this level. */
    finishLevel?: number
    solid?: boolean
    showClock?: boolean
    stepped?: boolean
    bare?: boolean
    /** Its unit stands in a heading above it. */
    untitled?: boolean
  }>(),
  {
    height: 360,
    from: 0,
    across: 'clock',
    whole: undefined,
    cursor: undefined,
    flags: () => [],
    rings: () => [],
    events: () => [],
    findings: () => [],
    min: undefined,
    max: undefined,
    finishLevel: undefined,
    showClock: true,
  },
)

const emit = defineEmits<{ moved: [from: number, until: number]; pointed: [x: number | null] }>()
const NARROW_PX = 560
const theme = useTheme()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLDivElement>('frame')
const { width } = useElementSize(frame)
const narrow = computed(() => width.value > 0 && width.value < NARROW_PX)
const chart = shallowRef<Chart<'line'>>()
const isReadOff = computed(() => props.cursor !== undefined)
/** The plot within the frame, px. */
const plot = shallowRef({ left: 0, top: 0, width: 0, height: 0 })
const cursorPx = computed(() => {
  const { from, until, cursor } = props
  if (typeof cursor !== 'number' || cursor < from || cursor > until) return null
  return plot.value.left + (plot.value.width * (cursor - from)) / (lengthOf(options.value) - from)
})

const pointed = (x: number | null) => emit('pointed', x)
const moved = (from: number, until: number) => emit('moved', from, until)
/** Without the cursor: it moves with every movement of a hand, and the picture under it stays. */
const options = computed(() => {
  const { cursor: _, ...drawn } = props
  return {
    ...drawn,
    colours: chartColours(theme.current.value as never),
    narrow: narrow.value,
    pointed: isReadOff.value ? pointed : undefined,
    moved,
    width: props.finishLevel === undefined ? 0 : Math.round(width.value),
  }
})
/** The names stand above the plot: the plot keeps its height, whatever room they take. */
const frameHeight = computed(() => props.height + finishOf(options.value).room)

/** The frame may become another size without being told anything new: the line to read off moves with its plot. */
const measured: Plugin<'line'> = {
  id: 'measured',
  afterLayout: ({ chartArea: { left, top, width, height } }) =>
    void (plot.value = { left, top, width, height }),
}

function draw() {
  if (!canvas.value) return
  const { data, options: settings } = pathChart(options.value)
  if (!chart.value)
    chart.value = new Chart(canvas.value, { type: 'line', data, options: settings, plugins: [measured] })
  else {
    chart.value.data.datasets = carriedOn<ChartDataset<'line'>>(chart.value.data.datasets, data.datasets)
    chart.value.options = settings!
    chart.value.update('none')
  }
}

/**
 * The first time once it is known how wide it is, and in a turn of its own: a page with several of them stands before
 * they are drawn, and none of them twice.
 */
const { start: drawFirst } = useTimeoutFn(draw, 0, { immediate: false })
whenever(
  () => width.value > 0,
  () => drawFirst(),
  { once: true },
)
watch(options, () => void (chart.value && drawInTurn(draw)))
onBeforeUnmount(() => {
  drawNoMore(draw)
  chart.value?.destroy()
})
</script>

<template>
  <div ref="frame" class="frame" :style="{ height: `${frameHeight}px` }">
    <canvas ref="canvas" role="img" :aria-label="summary" :aria-busy="!chart"></canvas>
    <div
      v-if="cursorPx !== null"
      class="cursor"
      :style="{ left: `${cursorPx}px`, top: `${plot.top}px`, height: `${plot.height}px` }"
    ></div>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
}
.cursor {
  position: absolute;
  width: 1px;
  background: rgb(var(--v-theme-secondary));
  pointer-events: none;
}
/* A finger moves the view along the clock; up and down it moves the page. */
canvas {
  touch-action: pan-y !important;
}
</style>
