<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Part } from '@core/analysis/parts/parts'
import { duration, figure } from '@core/words/figures'
import { AXIS_WIDTH, RIGHT_PX } from '../../charts/options'

/** The parts of the curve under its path, each with its watts, on the same clock. */
const props = defineProps<{ parts: readonly Part[]; from: number; until: number }>()

const { width } = useElementSize(useTemplateRef('ruler'))
/** How wide a letter of the figures is here, and what stands beside them, px. */
const letterPx = parseFloat(getComputedStyle(document.documentElement).fontSize) / 2
const PAST_IT_PX = 6
/** What is said of a part, as far as there is room for it: cut off, a figure would be another. The table has all. */
function textOf(part: Part, room: number): string {
  const texts =
    part.kind === 'hold' ? [figure(part.meanW, 1, 'W'), figure(part.meanW, 0, 'W')] : [part.kind as string]
  return texts.find((text) => text.length * letterPx + PAST_IT_PX <= room) ?? ''
}

const shown = computed(() =>
  props.parts
    .map((part) => ({
      part,
      left: Math.max(0, (part.startS - props.from) / (props.until - props.from)),
      right: Math.min(1, (part.endS - props.from) / (props.until - props.from)),
    }))
    .filter(({ left, right }) => right > left)
    .map(({ part, left, right }) => ({
      key: part.startS,
      style: { left: `${100 * left}%`, width: `calc(${100 * (right - left)}% - 3px)` },
      text: textOf(part, (right - left) * width.value),
      title: `${part.kind} from ${duration(part.startS)} to ${duration(part.endS)}, ${figure(part.meanW, 1, 'W')}, ${figure(part.energyWh, 2, 'Wh')}`,
    })),
)
</script>

<template>
  <div
    ref="ruler"
    class="ruler"
    data-testid="parts"
    :style="{ marginLeft: `${AXIS_WIDTH}px`, marginRight: `${RIGHT_PX}px` }"
  >
    <span v-for="part in shown" :key="part.key" class="part" :style="part.style" :title="part.title">{{
      part.text
    }}</span>
  </div>
</template>

<style scoped>
.ruler {
  position: relative;
  height: 28px;
}
.part {
  position: absolute;
  top: 2px;
  padding-top: 6px;
  text-align: center;
  font-family: var(--figure-face);
  font-size: 0.8rem;
  white-space: nowrap;
  overflow: hidden;
  border: solid currentColor;
  border-width: 1px 1px 0;
  border-image: linear-gradient(currentColor 6px, transparent 6px) 1;
}
</style>
