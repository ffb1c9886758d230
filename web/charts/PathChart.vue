<script setup lang="ts">
import { useElementSize, useTimeoutFn, whenever } from '@vueuse/core'
import type { ChartDataset, Plugin } from 'chart.js'
import { computed, onBeforeUnmount, shallowRef, useTemplateRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import { usePrinting } from '../theme/printing'
import type { ChartView } from './view'
import { chartColours } from './colours'
import { finishOf } from './finish'
import { drawInTurn, drawNoMore } from './frameTurns'
import { lengthOf, type Flag, type Path, type PathChartOptions, type Point, type Tick } from './options'
import { carriedOn, pathChart } from './pathChart'
import { Chart } from './setup'
import { usePan } from './usePan'
import { useSlide } from './useSlide'
import { isMove, whatChanged } from './changes'

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
    /** What the points of the paths cover, s: as far as that the view can be moved without drawing. */
    ready?: ChartView
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
    ready: undefined,
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
const printing = usePrinting()
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

/** Looked at closely: there is more on either side. */
const movable = computed(() => props.whole !== undefined && props.until - props.from < props.whole)
const pointed = (x: number | null) => emit('pointed', x)
const moved = (from: number, until: number) => emit('moved', from, until)
const colours = computed(() => chartColours(theme.current.value as never))
/** Names on the finish line, milestones, events, findings. */
const hasWords = computed(
  () =>
    props.finishLevel !== undefined ||
    [props.flags, props.events, props.findings].some((marks) => marks.length > 0),
)
/**
 * Without the cursor: it moves with every movement of a hand, and the picture under it stays. The same object as long as
 * nothing else changes, so that nothing is drawn.
 */
const options = computed<PathChartOptions>((before) => {
  const { cursor: _, ready: __, ...drawn } = props
  const now = {
    ...drawn,
    colours: colours.value,
    narrow: narrow.value,
    pointed: isReadOff.value ? pointed : undefined,
    moved,
    // Only words are placed by it: what has none is not drawn anew for it.
    width: hasWords.value ? Math.round(width.value) : 0,
  }
  return before && whatChanged(before, now).length === 0 ? before : now
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
function drawStill() {
  draw()
  stand()
}
const wide = useTemplateRef<HTMLCanvasElement>('wide')
const { sliding, clip, shift, slide, stand } = useSlide({
  canvas: wide,
  still: () => chart.value,
  options: () => options.value,
  ready: () => props.ready,
  draw,
})
usePan(canvas, {
  view: () => ({ from: props.from, until: props.until }),
  plotWidth: () => (props.whole === undefined ? 0 : plot.value.width),
  moved,
})

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
watch(options, (now, before) => {
  // Nobody waits for a turn while a page is printed.
  if (chart.value && printing.value) return drawStill()
  if (!chart.value || (isMove(before, now) && slide())) return
  drawInTurn(drawStill)
})
onBeforeUnmount(() => {
  drawNoMore(drawStill)
  chart.value?.destroy()
})
</script>

<template>
  <div ref="frame" class="frame" :class="{ movable }" :style="{ height: `${frameHeight}px` }">
    <canvas ref="canvas" role="img" :aria-label="summary" :aria-busy="!chart"></canvas>
    <div v-show="sliding" class="slide" :style="clip" aria-hidden="true">
      <canvas ref="wide" :style="shift"></canvas>
    </div>
    <div
      v-if="cursorPx !== null"
      class="cursor"
      :style="{ transform: `translateX(${cursorPx}px)`, top: `${plot.top}px`, height: `${plot.height}px` }"
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
  left: 0;
  /* Moved with the hand: the pictures under it are not painted again. */
  will-change: transform;
  width: 1px;
  background: rgb(var(--v-theme-secondary));
  pointer-events: none;
}
.movable > canvas {
  cursor: grab;
}
.slide {
  position: absolute;
  inset: 0;
  overflow: hidden;
  pointer-events: none;
}
.slide > canvas {
  position: absolute;
  top: 0;
  left: 0;
  will-change: transform;
}
/* Each in a layer of its own: what is read off beside them is written at every move, and paints none of them. */
.frame > canvas {
  will-change: transform;
}
/* A finger moves the view along the clock; up and down it moves the page. */
canvas {
  touch-action: pan-y !important;
}
</style>
