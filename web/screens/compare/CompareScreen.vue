<script setup lang="ts">
import { computed } from 'vue'
import PathChart from '../../charts/PathChart.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useLogbook } from '../../stores/logbook'
import ComparisonTables from './ComparisonTables.vue'
import RunPicker from './RunPicker.vue'
import { useComparison } from './useComparison'

const logbook = useLogbook()
const { chosen, baseline, rows, level, power, until, names, busy } = useComparison()
const enough = computed(() => chosen.value.length >= 2)
const summary = computed(
  () =>
    `${chosen.value.length} charge curves on one clock: ${Object.values(names.value).join('; ')}. The figures are in the tables below.`,
)
</script>

<template>
  <div class="page">
    <h1>Side by side</h1>
    <EmptyPage
      v-if="logbook.runs.length < 2"
      title="Two runs are needed"
      text="Log two runs on the bench, or read their files; then set one against the other here."
    >
      <v-btn-main to="/bench">Go to the bench</v-btn-main>
    </EmptyPage>
    <template v-else>
      <RunPicker v-model:chosen="chosen" v-model:baseline="baseline" />
      <p v-if="!enough" class="quiet">Choose at least two runs.</p>
      <p v-else-if="busy" role="status">Working out the figures …</p>
      <template v-if="enough && !busy">
        <PathChart
          :paths="level"
          unit="%"
          :min="0"
          :max="100"
          :until="until"
          :height="340"
          :finish-level="100"
          :show-clock="!power.length"
          :summary="summary"
        />
        <template v-if="power.length">
          <h2 class="strip">Power</h2>
          <PathChart
            :paths="power"
            unit="W"
            :min="0"
            :until="until"
            :height="200"
            summary="Power of the same runs on the same clock"
          />
        </template>
        <ComparisonTables :rows="rows" :baseline="baseline" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.strip {
  margin: 6px 0 0 56px;
  font-size: 0.86rem;
}
</style>
