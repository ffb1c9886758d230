<script setup lang="ts">
import { ref } from 'vue'
import type { Workings } from '@core/words/sentences/workings'
import WorkingsDialog from './WorkingsDialog.vue'

/** A figure of a table; pressed, it says how it was worked out. Plain where there is nothing to say. */
const props = defineProps<{ workings?: () => Workings }>()
const asked = ref<Workings | null>(null)
const ask = () => (asked.value = props.workings?.() ?? null)
</script>

<template>
  <button v-if="workings" type="button" title="How was this worked out?" @click="ask">
    <slot />
  </button>
  <slot v-else />
  <WorkingsDialog v-if="asked" :workings="asked" @done="asked = null" />
</template>

<style scoped>
button {
  font: inherit;
  color: inherit;
  text-align: inherit;
  min-height: 24px;
}
button:hover,
button:focus-visible {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
</style>
