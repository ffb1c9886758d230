<script setup lang="ts">
/** What went wrong with a form as a whole. */
defineProps<{ text?: string }>()
</script>

<template>
  <p v-if="text" role="alert" class="form-failure">{{ text }}</p>
</template>

<style scoped>
.form-failure {
  grid-column: 1 / -1;
  color: rgb(var(--v-theme-error));
}
</style>
