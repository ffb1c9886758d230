<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import { chartColours } from './colours'
import { finishOf } from './finish'
import type { Flag, Path, Point, Tick } from './options'
import { pathChart } from './pathChart'
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

const options = computed(() => ({
  ...props,
  colours: chartColours(theme.current.value as never),
  narrow: narrow.value,
  cursor: props.cursor ?? undefined,
  pointed: props.cursor === undefined ? undefined : (x: number | null) => emit('pointed', x),
  moved: (from: number, until: number) => emit('moved', from, until),
  width: props.finishLevel === undefined ? 0 : Math.round(width.value),
}))
/** The names stand above the plot: the plot keeps its height, whatever room they take. */
const frameHeight = computed(() => props.height + finishOf(options.value).room)

function draw() {
  if (!canvas.value) return
  const { data, options: settings } = pathChart(options.value)
  if (!chart.value) {
    chart.value = new Chart(canvas.value, { type: 'line', data, options: settings })
    return
  }
  chart.value.data = data
  chart.value.options = settings!
  chart.value.update('none')
}

onMounted(draw)
watch(options, draw)
onBeforeUnmount(() => chart.value?.destroy())
</script>

<template>
  <div ref="frame" class="frame" :style="{ height: `${frameHeight}px` }">
    <canvas ref="canvas" role="img" :aria-label="summary"></canvas>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
}
/* A finger moves the view along the clock; up and down it moves the page. */
canvas {
  touch-action: pan-y !important;
}
</style>
