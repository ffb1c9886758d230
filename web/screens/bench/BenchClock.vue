<script setup lang="ts">
import { computed } from 'vue'
import { speedOf } from '@core/bench/setup'
import { clock } from '@core/words/figures'
import { timeOfDay } from '@core/words/moments'
import { readingInWords } from '@core/protocol/rules'
import type { Lane } from '../../stores/lane'

/** One clock for all lanes that one switch started; without one, how many there are. */
const props = defineProps<{ lanes: readonly Lane[] }>()
/** One switch: power-on within a second, at one pace. */
const TOGETHER_MS = 1000
const together = computed(() => {
  const [first, ...others] = props.lanes
  return others.every(
    ({ setup }) =>
      Math.abs(setup.startedAtMs - first.setup.startedAtMs) < TOGETHER_MS &&
      speedOf(setup) === speedOf(first.setup),
  )
})
const rule = computed(() => {
  const rules = new Set(props.lanes.map(({ setup }) => readingInWords(setup.reading)))
  return rules.size === 1 ? ` · ${[...rules][0]}` : ''
})
const since = computed(() => timeOfDay(new Date(props.lanes[0].setup.startedAtMs).toISOString()))
</script>

<template>
  <h1 class="clock">
    <span class="offscreen">Bench</span>
    <template v-if="together">
      <span class="figure" role="timer">{{ clock(lanes[0].elapsedS) }}</span>
      <span class="quiet said"
        >since power-on at {{ since }}<span class="rule">{{ rule }}</span></span
      >
    </template>
    <span v-else class="quiet said"
      >{{ lanes.length }} lanes, each with a clock of its own<span class="rule">{{ rule }}</span></span
    >
  </h1>
</template>

<style scoped>
.clock {
  display: flex;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 18px;
  margin: 0 0 6px;
}
.figure {
  font-size: clamp(1.7rem, 5vw, 2.3rem);
  font-weight: 600;
}
.said {
  font-size: 0.95rem;
  font-weight: 400;
  letter-spacing: 0;
}
@media (max-width: 760px) {
  .rule {
    display: none;
  }
}
</style>
