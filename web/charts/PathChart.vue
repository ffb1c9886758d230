<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import { computed } from 'vue'
import { pathChart, type Flag, type Path, type Tick } from './paths'
import { Chart } from './setup'

const props = withDefaults(
  defineProps<{
    paths: Path[]
    unit: string
    /** What the picture says, for those who cannot see it. */
    summary: string
    until: number
    height?: number
    flags?: Flag[]
    events?: Tick[]
    min?: number
    max?: number
    labelEnds?: boolean
    showClock?: boolean
    stepped?: boolean
    /** Leaves room at the right as if ends were labelled, so that strips line up. */
    reserveEnd?: boolean
  }>(),
  {
    height: 360,
    flags: () => [],
    events: () => [],
    min: undefined,
    max: undefined,
    labelEnds: true,
    showClock: true,
  },
)

const NARROW_PX = 560
const theme = useTheme()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLDivElement>('frame')
const { width } = useElementSize(frame)
const narrow = computed(() => width.value > 0 && width.value < NARROW_PX)
const chart = shallowRef<Chart<'line'>>()

const config = () => pathChart({ ...props, dark: theme.current.value.dark, narrow: narrow.value })

function draw() {
  if (!canvas.value) return
  const { data, options } = config()
  if (!chart.value) {
    chart.value = new Chart(canvas.value, { type: 'line', data, options })
    return
  }
  chart.value.data = data
  chart.value.options = options!
  chart.value.update('none')
}

onMounted(draw)
watch(
  () => [
    props.paths,
    props.flags,
    props.events,
    props.until,
    props.min,
    props.max,
    theme.current.value.dark,
    narrow.value,
  ],
  draw,
)
onBeforeUnmount(() => chart.value?.destroy())
</script>

<template>
  <div ref="frame" class="frame" :style="{ height: `${height}px` }">
    <canvas ref="canvas" role="img" :aria-label="summary"></canvas>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
}
</style>
