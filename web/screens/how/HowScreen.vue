<script setup lang="ts">
import { COMPARISON_RULES } from '@core/words/sentences/everyWorking'
import { useExample } from './useExample'

/** The rules behind every figure, with numbers in them. */
const { name, workings } = useExample()
</script>

<template>
  <div class="page how">
    <h1>How it works out its numbers</h1>
    <p class="quiet">
      Press a figure on a sheet to see how that one came about. Here is every kind of them, with the numbers
      of
      {{ name ? `${name}, the last full run of this logbook` : 'an invented run' }}. A ± is twice the standard
      uncertainty.
    </p>
    <section v-for="w in workings" :key="w.title" :aria-label="w.title">
      <h2>{{ w.title }}</h2>
      <p>{{ w.rule }}</p>
      <p class="figure formula">{{ w.formula }}</p>
      <p v-for="text in w.assumed" :key="text"><span class="assumed">Assumed</span>: {{ text }}</p>
      <p class="quiet">Source: {{ w.source }}</p>
    </section>
    <h2 class="part">Between runs</h2>
    <section v-for="r in COMPARISON_RULES" :key="r.title" :aria-label="r.title">
      <h2>{{ r.title }}</h2>
      <p>{{ r.rule }}</p>
      <p class="quiet">Source: {{ r.source }}</p>
    </section>
  </div>
</template>

<style scoped>
.how {
  max-width: 820px;
}
section {
  border-top: var(--hairline);
  padding: 4px 0 8px;
}
h2.part {
  font-size: 1.4rem;
  margin: 28px 0 8px;
}
h2 {
  font-size: 1.05rem;
  margin: 6px 0 0;
}
p {
  margin: 4px 0;
}
.formula {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 10px;
}
</style>
