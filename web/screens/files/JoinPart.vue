<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Joined } from '@core/analysis/joining/join'
import { offsetSchema } from '@core/protocol/entry'
import { batteryPowerColumn, durationOf, powerColumn } from '@core/trace/trace'
import { clock, figure } from '@core/words/figures'
import PathChart from '../../charts/PathChart.vue'
import { AXIS_WIDTH, RIGHT_PX } from '../../charts/options'
import { pointsOf } from '../../charts/reduction'
import PathsTable from '../../charts/PathsTable.vue'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import type { JoinedEnds, OneEnd } from '../../stores/importedRun'
import { movedBy } from '@core/words/moments'
import { useJoin } from './useJoin'

/** Two files of one run, above each other on one clock: the offset found, moved by drag, keys or figure, and undone. */
const props = defineProps<{ first: OneEnd; second: OneEnd }>()
const { meter, device, swap, offsetS, said, move, undo, mayUndo, whole, joined } = useJoin(
  () => props.first,
  () => props.second,
)
defineExpose({
  /** The joined trace, and how it came about, for the run's notes. */
  async take(): Promise<JoinedEnds> {
    const done: Joined = await whole()
    const moved = mayUndo.value ? ', moved by hand' : ''
    const offset = `${figure(done.offsetS, 1, 's')} added to the clock of ${device.value.file}${moved}`
    return {
      trace: done.trace,
      startedAt: movedBy(meter.value.startedAt, done.powerOnS),
      files: `${meter.value.file} and ${device.value.file}, on one clock: ${offset}`,
    }
  },
})

/** Where nothing was found yet, both begin together. */
const shiftS = computed(() => offsetS.value || 0)
const from = computed(() => Math.min(0, shiftS.value))
const until = computed(() =>
  Math.max(60, durationOf(meter.value.trace), durationOf(device.value.trace) + shiftS.value),
)
const upper = computed(() => {
  const { trace, file } = meter.value
  const watts = powerColumn(trace)
  const points = pointsOf(trace.time, watts ?? trace.current)
  return { unit: watts ? 'W' : 'A', title: 'At the source', paths: [{ label: file, ink: 0, points }] }
})
const lower = computed(() => {
  const { trace, file } = device.value
  const watts = batteryPowerColumn(trace)
  const own = trace.percent ?? watts ?? trace.batteryCurrent ?? powerColumn(trace)
  const points = pointsOf(trace.time, own).map(({ x, y }) => ({ x: x + shiftS.value, y }))
  const unit = trace.percent ? '%' : trace.batteryCurrent && !watts ? 'A' : 'W'
  return { unit, title: 'Off the device, on the meter’s clock', paths: [{ label: file, ink: 1, points }] }
})
const power = computed(() => (joined.value ? [{ x: joined.value.powerOnS, text: 'power-on' }] : []))

const typed = ref('')
const wrong = ref('')
watch(offsetS, (s) => (typed.value = Number.isNaN(s) ? '' : String(s)), { immediate: true })
function type() {
  const read = checkTyped(offsetSchema, typed.value)
  wrong.value = read.error
  if ('value' in read) move(read.value)
}

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 }
function onKey(event: KeyboardEvent) {
  if ((event.target as HTMLElement).closest('input, details')) return
  if (event.key === 'z' || event.key === 'u') return undo()
  const step = STEPS[event.key]
  if (!step || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  move(shiftS.value + step * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1))
}

/** Dragged along the clock: as many seconds as the path lies under so many pixels. */
let held: { x: number; from: number; before: number } | undefined
function grab(event: PointerEvent) {
  held = { x: event.clientX, from: shiftS.value, before: offsetS.value }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!held) return
  const width = (event.currentTarget as HTMLElement).clientWidth - AXIS_WIDTH - RIGHT_PX
  offsetS.value = Math.round(held.from + ((event.clientX - held.x) / width) * (until.value - from.value))
}
function drop() {
  if (!held) return
  const to = offsetS.value
  offsetS.value = held.before
  held = undefined
  move(to)
}
</script>

<template>
  <section class="join" aria-label="Two ends on one clock" tabindex="0" @keydown="onKey">
    <p>
      <strong>{{ meter.file }}</strong> at the source, <strong>{{ device.file }}</strong> off the device.
      <v-btn size="small" @click="swap">The other way round</v-btn>
    </p>
    <p role="status" data-testid="offset-found">{{ said }}</p>
    <PathChart
      :paths="upper.paths"
      :unit="upper.unit"
      :min="0"
      :max="upper.unit === '%' ? 100 : undefined"
      :from="from"
      :until="until"
      :height="120"
      :events="power"
      :show-clock="false"
      :summary="`${meter.file}, on its own clock`"
      solid
    />
    <div class="lower" @pointerdown="grab" @pointermove="drag" @pointerup="drop" @pointercancel="drop">
      <PathChart
        :paths="lower.paths"
        :unit="lower.unit"
        :min="0"
        :max="lower.unit === '%' ? 100 : undefined"
        :from="from"
        :until="until"
        :height="140"
        :events="power"
        :summary="`${device.file}, ${figure(offsetS, 1, 's')} later than on its own clock`"
        solid
      />
    </div>
    <PathsTable :pictures="[upper, lower]" :from="from" :until="until" />
    <div class="offset">
      <FormText
        v-model="typed"
        label="Added to the device’s clock"
        suffix="s"
        numeric
        :error="wrong"
        @keydown.enter.prevent="type"
        @blur="type"
      />
      <v-btn @click="move(shiftS - 1)">1 s earlier</v-btn>
      <v-btn @click="move(shiftS + 1)">1 s later</v-btn>
      <v-btn :disabled="!mayUndo" @click="undo">Undo</v-btn>
      <span class="quiet"
        >Drag the lower path, or ← → by seconds, with Shift by tens, with Alt by tenths. Power-on at
        {{ joined ? clock(joined.powerOnS) : '–' }} of the meter’s clock.</span
      >
    </div>
  </section>
</template>

<style scoped>
.lower {
  cursor: ew-resize;
  touch-action: pan-y;
}
.offset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.offset > :deep(.v-input) {
  flex: 0 1 230px;
}
.offset .quiet {
  font-size: 0.86rem;
}
</style>
