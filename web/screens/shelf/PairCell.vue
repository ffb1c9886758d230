<script setup lang="ts">
import { computed } from 'vue'
import { figure } from '@core/words/figures'
import { LIMIT_WORDS, type GridCell } from '@core/gear/grid'
import { EXPECTED_WORDS, OBSERVED_WORDS } from '@core/gear/observed'

/** One pair at a glance: watts, what holds them there, and a stroke as long as the device's share. */
const props = defineProps<{ cell: GridCell; dim: boolean }>()
const emit = defineEmits<{ open: [] }>()
const flows = computed(() => props.cell.expected.watts > 0 && props.cell.expected.outcome !== 'connected')
/** Ratings are whole more often than not: a decimal only where there is one. */
const short = (value: number, unit: string) =>
  figure(value, Number.isInteger(Math.round(value * 10) / 10) ? 0 : 1, unit)
const figures = computed(() => {
  const { watts, volts } = props.cell.expected
  return flows.value
    ? `${short(watts, 'W')}${Number.isNaN(volts) ? '' : ` · ${short(volts, 'V')}`}`
    : EXPECTED_WORDS[props.cell.expected.outcome]
})
const stroke = computed(() => (Number.isNaN(props.cell.share) ? 60 : Math.max(4, 96 * props.cell.share)))
const seen = computed(() => (props.cell.seen.length ? OBSERVED_WORDS[props.cell.seen[0].outcome] : ''))
</script>

<template>
  <button
    type="button"
    class="cell"
    :class="{ dim }"
    :aria-label="`${cell.device.name} from ${cell.source.name}: ${figures}, ${LIMIT_WORDS[cell.expected.limit]}${seen ? `; seen: ${seen}` : ''}`"
    @click="emit('open')"
  >
    <svg viewBox="0 0 100 12" preserveAspectRatio="xMinYMid meet" aria-hidden="true">
      <template v-if="flows">
        <path :d="`M2 6H${stroke}`" :class="cell.expected.outcome" />
        <path v-if="cell.expected.outcome === 'slow'" :d="`M${stroke} 2V10`" class="tick" />
        <circle v-else :cx="stroke" cy="6" r="4" class="end" />
      </template>
      <path v-else-if="cell.expected.outcome === 'connected'" d="M2 6H60" class="none" />
      <path v-else d="M2 2L12 10M12 2L2 10" class="tick" />
    </svg>
    <span
      class="figure"
      :class="{ assumed: cell.expected.assumed }"
      :title="cell.expected.assumed ? 'It states no levels: any open one is assumed' : undefined"
      >{{ figures }}</span
    >
    <span class="quiet limit">{{ LIMIT_WORDS[cell.expected.limit] }}</span>
    <span v-if="seen" class="limit" :class="{ contradicts: cell.contradiction }"
      >{{ cell.contradiction ? '≠ seen: ' : 'seen: ' }}{{ seen }}</span
    >
  </button>
</template>

<style scoped>
.cell {
  display: grid;
  width: 100%;
  min-height: 64px;
  text-align: left;
  padding: 6px 4px;
  align-content: start;
}
.cell:hover .figure {
  text-decoration: underline;
}
.dim {
  opacity: 0.32;
}
svg {
  width: 100%;
  max-width: 130px;
  height: 14px;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 3;
  stroke-linecap: round;
}
path.slow {
  stroke-dasharray: 1 6;
}
path.none {
  stroke-width: 1.4;
  stroke-dasharray: 1 5;
}
.tick {
  stroke-width: 2;
}
.end {
  fill: currentColor;
}
.figure {
  font-size: 0.92rem;
  font-weight: 600;
}
.limit {
  font-size: 0.8rem;
  line-height: 1.3;
}
.contradicts {
  font-weight: 700;
  color: rgb(var(--v-theme-warning));
}
</style>
