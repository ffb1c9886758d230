<script setup lang="ts">
import { computed, ref, toRaw } from 'vue'
import { previewOf } from '@core/analysis/preview'
import { goesOnSchema } from '@core/formats/clockForm'
import { appended, goesOnAt } from '@core/trace/append'
import { cutBefore } from '@core/trace/cut'
import { durationOf } from '@core/trace/trace'
import { clock } from '@core/words/figures'
import { movedBy } from '@core/words/moments'
import PathChart from '../../charts/PathChart.vue'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import type { JoinedEnds, OneEnd } from '../../stores/importedRun'

/** A record that stopped and what came after it, as one run on the first one's clock. */
const props = defineProps<{ first: OneEnd; second: OneEnd }>()
const first = computed(() => {
  const { trace, startedAt, fromS } = props.first
  return { trace: cutBefore(toRaw(trace), fromS), startedAt: movedBy(startedAt, fromS) }
})
const apartS = computed(
  () => (Date.parse(props.second.startedAt ?? '') - Date.parse(first.value.startedAt ?? '')) / 1000,
)
const foundS = computed(() => goesOnAt(first.value.trace, toRaw(props.second.trace), apartS.value))
const how = computed(() =>
  foundS.value === apartS.value
    ? 'By the moments at which both began.'
    : 'Nothing tells when: right after the last reading.',
)
const typed = ref(clock(foundS.value))
const checked = computed(() =>
  checkTyped(goesOnSchema(durationOf(first.value.trace) - props.second.trace.time[0]), typed.value),
)
/** To its last digit, while nobody typed another. */
const beginsS = computed(() => {
  if (typed.value === clock(foundS.value)) return foundS.value
  return 'value' in checked.value ? (checked.value.value as number) : NaN
})
const whole = computed(() =>
  Number.isNaN(beginsS.value) ? null : appended(first.value.trace, toRaw(props.second.trace), beginsS.value),
)
const path = computed(() => (whole.value ? previewOf(whole.value) : null))

/** What both make; null while it is not said when the second began. */
function take(): JoinedEnds | null {
  if (!whole.value) return null
  const begins = `${props.second.file} from ${clock(beginsS.value)} on`
  return { trace: whole.value, startedAt: first.value.startedAt, files: `${props.first.file}, and ${begins}` }
}
defineExpose({ take, isWhole: computed(() => whole.value !== null) })
</script>

<template>
  <section aria-label="One after the other">
    <p>
      {{ first.trace.time.length }} readings of {{ props.first.file }}, then {{ second.trace.time.length }} of
      {{ second.file }}. <span class="quiet">{{ how }}</span>
    </p>
    <FormText
      v-model="typed"
      label="Its clock begins at"
      class="begins"
      :error="beginsS === foundS ? '' : checked.error"
    />
    <PathChart
      v-if="path && whole && path.points.length > 1"
      :paths="[{ label: path.unit, ink: 0, points: path.points }]"
      :unit="path.unit"
      :min="0"
      :max="path.unit === '%' ? 100 : undefined"
      :until="durationOf(whole)"
      :height="170"
      :events="[{ x: beginsS, text: 'goes on' }]"
      summary="The path of both, before anything is kept"
      solid
    />
  </section>
</template>

<style scoped>
.begins {
  max-width: 230px;
}
</style>
