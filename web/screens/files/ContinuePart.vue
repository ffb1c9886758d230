<script setup lang="ts">
import { counted } from '@core/words/lists'
import { computed } from 'vue'
import { durationOf } from '@core/trace/trace'
import { clock } from '@core/words/figures'
import PathChart from '../../charts/PathChart.vue'
import PathsTable from '../../charts/PathsTable.vue'
import FormText from '../../forms/FormText.vue'
import type { JoinedEnds, OneEnd } from '../../stores/importedRun'
import { useGoingOn } from './useGoingOn'

/** A record that stopped and what came after it, as one run on the first one's clock. */
const props = defineProps<{ first: OneEnd; second: OneEnd }>()
const { first, how, typed, error, beginsS, whole } = useGoingOn(
  () => props.first,
  () => props.second,
)

const drawn = computed(() => {
  const { unit, points } = whole.value?.path ?? { unit: '%', points: [] }
  return [{ label: unit === '%' ? 'Level' : 'Power', ink: 0, points }]
})

/** What both make; null while it is not said when the second began. */
function take(): JoinedEnds | null {
  if (!whole.value) return null
  const begins = `${props.second.file} from ${clock(beginsS.value)} on`
  return {
    trace: whole.value.trace,
    startedAt: first.value.startedAt,
    files: `${props.first.file}, and ${begins}`,
  }
}
defineExpose({ take, isWhole: computed(() => whole.value !== null) })
</script>

<template>
  <section aria-label="One after the other">
    <p>
      {{ counted(first.trace.time.length, 'reading') }} of {{ props.first.file }}, then
      {{ second.trace.time.length }} of {{ second.file }}. <span class="quiet">{{ how }}</span>
    </p>
    <FormText v-model="typed" label="Its clock begins at" class="begins" :error="error" />
    <p v-if="!whole && !error" role="status" class="quiet">Putting both on one clock …</p>
    <template v-if="whole && whole.path.points.length > 1">
      <PathChart
        :paths="drawn"
        :unit="whole.path.unit"
        :min="0"
        :max="whole.path.unit === '%' ? 100 : undefined"
        :until="durationOf(whole.trace)"
        :height="170"
        :events="[{ x: beginsS, text: 'goes on' }]"
        summary="The path of both, before anything is kept"
        solid
      />
      <PathsTable
        :pictures="[{ title: 'Before anything is kept', unit: whole.path.unit, paths: drawn }]"
        :until="durationOf(whole.trace)"
      />
    </template>
  </section>
</template>

<style scoped>
.begins {
  max-width: 230px;
}
</style>
