<script setup lang="ts">
import { computed } from 'vue'
import { GOALS, type Goal } from '@core/compare/ranking'
import { goalTab } from '@core/words/sentences/verdictSentence'
import InTurn from '../../components/InTurn.vue'
import FormPick from '../../forms/FormPick.vue'
import type { PanelKind } from './usePaths'

/** What is compared, and how it is drawn. */
const goal = defineModel<Goal>('goal', { required: true })
const across = defineModel<'clock' | 'level'>('across', { required: true })
const align = defineModel<'start' | 'level'>('align', { required: true })
const panel = defineModel<PanelKind>('panel', { required: true })

const props = defineProps<{
  /** Some of the runs show no level: how long until the current stops is what tells them apart. */
  withoutLevels: boolean
}>()
const goals = computed(() =>
  GOALS.filter(
    ({ key }) => key !== 'current-stops' || props.withoutLevels || goal.value.key === 'current-stops',
  ),
)

const CLOCKS = [
  { value: 'start', title: 'power-on' },
  { value: 'level', title: 'a common level' },
]
const VIEWS = [
  { value: 'one', title: 'one picture' },
  { value: 'device', title: 'by device' },
  { value: 'source', title: 'by source' },
]
</script>

<template>
  <div class="bar">
    <v-btn-toggle
      :model-value="goal.key"
      mandatory
      density="compact"
      @update:model-value="goal = GOALS.find((g) => g.key === $event)!"
    >
      <v-btn v-for="g in goals" :key="g.key" :value="g.key">{{ goalTab(g) }}</v-btn>
    </v-btn-toggle>
    <v-btn-toggle v-model="across" mandatory density="compact">
      <v-btn value="clock">On the clock</v-btn>
      <v-btn value="level">Against level</v-btn>
    </v-btn-toggle>
    <div class="pick">
      <InTurn :turn="1"
        ><FormPick v-model="align" label="Clocks from" :items="CLOCKS" density="compact"
      /></InTurn>
    </div>
    <div class="pick">
      <InTurn :turn="1"><FormPick v-model="panel" label="Paths" :items="VIEWS" density="compact" /></InTurn>
    </div>
  </div>
</template>

<style scoped>
.bar {
  margin-top: 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  justify-content: space-between;
}
.bar :deep(.v-btn-toggle) {
  height: auto;
  flex-wrap: wrap;
}
.pick {
  flex: 0 1 160px;
  min-height: 40px;
}
</style>
