<script setup lang="ts">
import { computed } from 'vue'
import { figure } from '@core/words/figures'
import type { Repeatability } from '@core/compare/verdict'
import FormPick from '../../forms/FormPick.vue'
import ThresholdField from './ThresholdField.vue'
import type { UseThresholdsReturn } from './useThresholds'

/** What would change the verdict and the advice, in reach. */
const props = defineProps<{
  thresholds: UseThresholdsReturn
  learnt: Repeatability
  /** Whether there is gear to choose from. */
  isChoice: boolean
}>()
const { worthMinutes, worthPercent, repeatPercent, prefer } = props.thresholds
const PREFER = [
  { value: 'cost', title: 'the cheapest' },
  { value: 'weight', title: 'the lightest' },
  { value: 'size', title: 'the smallest' },
]
const told = computed(
  () => `${figure(100 * props.learnt.share, 1)}${props.learnt.assumed ? ', assumed' : ''}`,
)
</script>

<template>
  <section class="thresholds" aria-label="What would change the answer">
    <ThresholdField v-model="worthMinutes" label="Worth noticing from" suffix="min" :low="0" :high="600" />
    <ThresholdField v-model="worthPercent" label="and from" suffix="%" :low="0" :high="100" />
    <ThresholdField
      v-model="repeatPercent"
      label="Runs repeat within"
      suffix="%"
      :low="0"
      :high="50"
      :placeholder="told"
    />
    <FormPick v-if="isChoice" v-model="prefer" label="Among equals" :items="PREFER" density="compact" />
  </section>
</template>

<style scoped>
.thresholds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 20px;
  margin-top: 14px;
}
</style>
