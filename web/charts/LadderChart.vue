<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { computed, onBeforeUnmount, shallowRef, useTemplateRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import { usePrinting } from '../theme/printing'
import { chartColours } from './colours'
import { drawInTurn, drawNoMore } from './frameTurns'
import { ladderChart, type LadderPoint } from './ladderChart'
import { Chart } from './setup'

/** What each source brought against what it is rated, with the forecast behind. */
const props = defineProps<{
  points: readonly LadderPoint[]
  foreseen: readonly LadderPoint[]
  curve: readonly { watts: number; gain: number }[]
  enough: number
  summary: string
}>()
const theme = useTheme()
const printing = usePrinting()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const chart = shallowRef<Chart<'line'>>()
const settings = computed(() =>
  ladderChart({ ...props, colours: chartColours(theme.current.value as never) }),
)

function draw() {
  if (!canvas.value) return
  chart.value?.destroy()
  chart.value = new Chart(canvas.value, settings.value)
}
// The first time in a turn of its own: the table beside it stands by then.
useTimeoutFn(draw, 0)
// Nobody waits for a turn while a page is printed.
watch(settings, () => (printing.value ? draw() : drawInTurn(draw)))
onBeforeUnmount(() => {
  drawNoMore(draw)
  chart.value?.destroy()
})
</script>

<template>
  <div class="frame"><canvas ref="canvas" role="img" :aria-label="summary"></canvas></div>
</template>

<style scoped>
.frame {
  position: relative;
  height: 250px;
}
</style>
