<script setup lang="ts">
import { mdiBackspaceOutline, mdiKeyboardReturn } from '@mdi/js'

/** A number pad for one hand. */
const emit = defineEmits<{ press: [key: string]; enter: [] }>()
const ROWS = [
  ['1', '2', '3'],
  ['4', '5', '6', '-'],
  ['7', '8', '9'],
  ['.', '0'],
]
</script>

<template>
  <div class="pad" role="group" aria-label="Number pad">
    <!-- The field keeps the cursor: a tap on the pad is no reason to leave it. -->
    <template v-for="(row, i) in ROWS" :key="i">
      <button
        v-for="k in row"
        :key="k"
        type="button"
        :class="{ wide: k === '0' }"
        :aria-label="k === '-' ? 'Minus' : undefined"
        @pointerdown.prevent
        @click="emit('press', k)"
      >
        {{ k === '-' ? '−' : k }}
      </button>
      <button
        v-if="i === 0"
        type="button"
        aria-label="Delete the last digit"
        @pointerdown.prevent
        @click="emit('press', 'back')"
      >
        <v-icon :icon="mdiBackspaceOutline" />
      </button>
      <button
        v-if="i === 2"
        type="button"
        class="enter"
        aria-label="Enter"
        @pointerdown.prevent
        @click="emit('enter')"
      >
        <v-icon :icon="mdiKeyboardReturn" /> Enter
      </button>
    </template>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
  max-width: 420px;
  margin: 6px 0 0;
}
.pad button {
  min-height: 46px;
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
  grid-row: 3 / span 2;
  grid-column: 4;
  background: rgba(var(--v-theme-primary), 0.12);
  font-family: var(--text-face);
  font-size: 1.05rem;
}
.pad .wide {
  grid-column: span 2;
}
</style>
