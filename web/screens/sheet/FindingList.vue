<script setup lang="ts">
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import type { Finding } from '@core/analysis/findings/findings'

const props = defineProps<{ findings: readonly Finding[] }>()
/** Why a figure is unknown already stands in its own place on the sheet. */
const STANDS_ELSEWHERE = new Set([
  'not-reached',
  'no-level',
  'no-charge',
  'no-taper-end',
  'no-efficiency',
  'coarse-power',
])
const shown = computed(() => props.findings.filter((f) => !STANDS_ELSEWHERE.has(f.code)))
const MARK = { notice: 'Note', warning: 'Mind', blocking: 'Wrong' }
</script>

<template>
  <section v-if="shown.length">
    <h2>Findings</h2>
    <ul>
      <li v-for="(f, i) in shown" :key="i" :class="f.severity">
        <strong>{{ MARK[f.severity] }}</strong>
        <span v-if="Number.isFinite(f.atS)" class="figure">{{ duration(f.atS) }}</span>
        <span
          >{{ f.message }} <span class="quiet">{{ f.advice }}</span></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 56px 112px 1fr;
  gap: 8px;
  padding: 8px 0;
  border-bottom: var(--hairline);
}
li > :last-child {
  grid-column: 3;
}
.warning strong {
  color: rgb(var(--v-theme-warning));
}
.blocking strong {
  color: rgb(var(--v-theme-error));
}
</style>
