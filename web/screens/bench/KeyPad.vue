<script setup lang="ts">
import { mdiBackspaceOutline, mdiKeyboardReturn } from '@mdi/js'

/** A number pad for one hand. */
const emit = defineEmits<{ press: [key: string]; enter: [] }>()
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0']
</script>

<template>
  <div class="pad" role="group" aria-label="Number pad">
    <!-- The field keeps the cursor: a tap on the pad is no reason to leave it. -->
    <button v-for="k in KEYS" :key="k" type="button" @pointerdown.prevent @click="emit('press', k)">
      {{ k }}
    </button>
    <button
      type="button"
      aria-label="Delete the last digit"
      @pointerdown.prevent
      @click="emit('press', 'back')"
    >
      <v-icon :icon="mdiBackspaceOutline" />
    </button>
    <button type="button" class="enter" aria-label="Enter" @pointerdown.prevent @click="emit('enter')">
      <v-icon :icon="mdiKeyboardReturn" /> Enter
    </button>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  max-width: 420px;
  margin: 8px 0;
}
.pad button {
  min-height: 52px;
  border: 1px solid rgba(var(--v-border-color), 0.35);
  border-radius: 4px;
  font-size: 1.4rem;
  font-family: var(--figure-face);
  touch-action: manipulation;
}
.pad button:active {
  background: rgba(var(--v-theme-primary), 0.2);
}
.pad .enter {
  grid-column: 1 / -1;
  background: rgba(var(--v-theme-primary), 0.12);
  font-family: var(--text-face);
}
</style>
