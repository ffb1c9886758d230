<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose, mdiDrag } from '@mdi/js'

/** What is done to a block of a write-up: dragged by its grip, moved by buttons, left out. */
defineProps<{ name: string; isFirst: boolean; isLast: boolean }>()
defineEmits<{ move: [by: number]; leaveOut: [] }>()
</script>

<template>
  <div class="tools margin">
    <span class="grip" aria-hidden="true"><v-icon :icon="mdiDrag" size="20" /></span>
    <v-btn
      :icon="mdiArrowUp"
      size="small"
      :disabled="isFirst"
      :aria-label="`Move “${name}” up`"
      @click="$emit('move', -1)"
    />
    <v-btn
      :icon="mdiArrowDown"
      size="small"
      :disabled="isLast"
      :aria-label="`Move “${name}” down`"
      @click="$emit('move', 1)"
    />
    <v-btn :icon="mdiClose" size="small" :aria-label="`Leave “${name}” out`" @click="$emit('leaveOut')" />
  </div>
</template>

<style scoped>
.grip {
  cursor: grab;
  touch-action: none;
  padding: 7px 2px;
}
.margin {
  display: flex;
  align-items: flex-start;
  opacity: 0.55;
}
li:hover > .margin,
li:focus-within > .margin {
  opacity: 1;
}
@media print {
  .tools {
    display: none;
  }
}
</style>
