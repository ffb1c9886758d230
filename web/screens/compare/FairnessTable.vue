<script setup lang="ts">
import { computed } from 'vue'
import { rollups } from 'd3-array'
import type { FairnessRow } from '@core/compare/fairness'

/** Every condition of the runs beside each other: equal, different, or not known. */
const props = defineProps<{ rows: readonly FairnessRow[]; heads: readonly string[] }>()
const WORDS = { equal: 'equal', different: 'differs', unknown: 'not known' }
/** More runs than this have no room for a column each: their values are counted. */
const MOST_COLUMNS = 12
const isWide = computed(() => props.heads.length <= MOST_COLUMNS)
const counted = (values: readonly string[]) =>
  rollups(
    values,
    (of) => of.length,
    (value) => value || 'not noted',
  )
    .sort((a, b) => b[1] - a[1])
    .map(([value, count]) => `${count} × ${value}`)
    .join('; ')
</script>

<template>
  <section id="fairness" aria-label="Fairness">
    <h2>Is it fair?</h2>
    <div class="scroll-x" tabindex="0">
      <table class="ruled" data-testid="fairness">
        <thead>
          <tr>
            <th scope="col">Condition</th>
            <th scope="col"></th>
            <template v-if="isWide">
              <th v-for="(head, i) in heads" :key="i" scope="col">{{ head }}</th>
            </template>
            <th v-else scope="col">{{ heads.length }} runs</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.label">
            <th scope="row">{{ row.label }}</th>
            <td :class="[row.state, row.weight]">{{ WORDS[row.state] }}</td>
            <template v-if="isWide">
              <td v-for="(value, i) in row.values" :key="i" class="quiet">{{ value || '–' }}</td>
            </template>
            <td v-else class="quiet">{{ counted(row.values) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.different {
  font-weight: 650;
  color: rgb(var(--v-theme-warning));
}
.different.blocking {
  color: rgb(var(--v-theme-error));
}
.unknown {
  font-style: italic;
}
</style>
