<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import type { Run } from '@core/logbook/run'
import { capacityThen } from '@core/protocol/runConditions'
import { keyFigures, type KeyFigure } from '@core/words/sentences/keyFigures'
import WorkingsDialog from './WorkingsDialog.vue'

/** What the run comes to, each figure with its ±; pressed, it says how it was worked out. */
const props = defineProps<{ analysis: Analysis; run: Run }>()
const rows = computed(() => keyFigures(props.analysis, capacityThen(props.run.conditions)))
const asked = ref<KeyFigure | null>(null)
</script>

<template>
  <section aria-label="Key figures">
    <button
      v-for="row in rows"
      :key="row.label"
      type="button"
      class="row"
      :data-testid="`key-${row.label}`"
      :aria-label="`${row.label}: ${row.value} ${row.spread}. How was this worked out?`"
      @click="asked = row"
    >
      <span>{{ row.label }}</span>
      <strong class="figure">{{ row.value }}</strong>
      <span class="figure quiet">{{ row.spread }}</span>
    </button>
    <p v-if="rows.length" class="quiet hint">Press a figure to see how it was worked out.</p>
    <WorkingsDialog v-if="asked" :workings="asked.workings" @done="asked = null" />
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: baseline;
  width: 100%;
  min-height: 34px;
  padding: 4px 0;
  text-align: left;
  border-bottom: var(--hairline);
}
.row > span:first-child {
  flex: 1 1 auto;
}
.row:hover > span:first-child {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.row strong {
  font-size: 1.12rem;
}
.row .quiet {
  flex: 0 0 5.25rem;
  text-align: right;
  font-size: 0.84rem;
  white-space: nowrap;
}
.hint {
  font-size: 0.8rem;
}
</style>
