<script setup lang="ts">
/** What is typed of a reading: watts or volts and amperes, the battery's end too, the meter's own count. */
const mode = defineModel<'watts' | 'volts'>('mode', { required: true })
const counting = defineModel<boolean>('counting', { required: true })
const bothEnds = defineModel<boolean>('bothEnds', { required: true })
</script>

<template>
  <div class="kinds">
    <v-btn size="small" @click="mode = mode === 'watts' ? 'volts' : 'watts'">{{
      mode === 'watts' ? 'Type volts and amperes' : 'Type watts'
    }}</v-btn>
    <v-btn size="small" @click="bothEnds = !bothEnds">{{
      bothEnds ? 'Leave the battery’s end' : 'Type the battery’s end too'
    }}</v-btn>
    <v-btn size="small" @click="counting = !counting">{{
      counting ? 'Leave the count' : 'Type the meter’s count'
    }}</v-btn>
    <slot />
  </div>
</template>

<style scoped>
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
}
@media (pointer: coarse) {
  .kinds :deep(.v-btn) {
    min-height: 44px;
  }
}
</style>
