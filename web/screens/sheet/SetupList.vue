<script setup lang="ts">
import type { Run } from '@core/logbook/run'
import { timeOfDay } from '@core/words/moments'

/** What was seen to before the switch went on, as it was answered. */
defineProps<{ run: Run }>()
</script>

<template>
  <section v-if="run.checklist.length" aria-label="Set-up as checked">
    <h2>Set-up as checked</h2>
    <ul>
      <li v-for="a in run.checklist" :key="a.id">
        {{ a.text }} – <span :class="{ odd: a.answer === 'skipped' || a.outside }">{{ a.answer }}</span>{{
          a.value === null ? '' : `, ${a.value}`
        }}{{ a.outside ? ', outside what is required' : '' }},
        {{ timeOfDay(a.when) }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  padding-left: 18px;
}
.odd {
  font-weight: 650;
  color: rgb(var(--v-theme-warning));
}
</style>
