<script setup lang="ts">
defineProps<{ title: string; failure?: string; busy?: boolean }>()
const emit = defineEmits<{ save: []; cancel: [] }>()
</script>

<template>
  <v-card>
    <form novalidate @submit.prevent="emit('save')">
      <v-card-title tag="h2">{{ title }}</v-card-title>
      <v-card-text class="fields">
        <slot />
        <p v-if="failure" role="alert" class="failure">{{ failure }}</p>
      </v-card-text>
      <v-card-actions>
        <v-spacer />
        <v-btn @click="emit('cancel')">Leave as it was</v-btn>
        <v-btn type="submit" variant="flat" color="primary" :loading="busy">Put on the shelf</v-btn>
      </v-card-actions>
    </form>
  </v-card>
</template>

<style scoped>
form {
  display: flex;
  flex-direction: column;
  max-height: 90vh;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 8px 24px;
  overflow-y: auto;
  align-items: start;
}
.fields :deep(.wide),
.failure {
  grid-column: 1 / -1;
}
.failure {
  color: rgb(var(--v-theme-error));
}
</style>
