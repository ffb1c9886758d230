<script setup lang="ts">
import type { FairnessRow } from '@core/compare/fairness'

/** Every condition of the runs beside each other: equal, different, or not known. */
defineProps<{ rows: readonly FairnessRow[]; heads: readonly string[] }>()
const WORDS = { equal: 'equal', different: 'differs', unknown: 'not known' }
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
            <th v-for="(head, i) in heads" :key="i" scope="col">{{ head }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.label">
            <th scope="row">{{ row.label }}</th>
            <td :class="[row.state, row.weight]">{{ WORDS[row.state] }}</td>
            <td v-for="(value, i) in row.values" :key="i" class="quiet">{{ value || '–' }}</td>
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
