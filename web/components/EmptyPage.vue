<script setup lang="ts">
defineProps<{ title: string; text: string }>()
</script>

<template>
  <section class="empty">
    <svg viewBox="0 0 360 90" aria-hidden="true">
      <path
        d="M4 80C60 78 80 30 150 22s120-8 160-8"
        fill="none"
        stroke="currentColor"
        stroke-width="2.5"
        stroke-dasharray="2 7"
        stroke-linecap="round"
      />
      <circle cx="314" cy="14" r="5" fill="currentColor" />
    </svg>
    <h2>{{ title }}</h2>
    <p>{{ text }}</p>
    <div class="actions"><slot /></div>
  </section>
</template>

<style scoped>
.empty {
  max-width: 520px;
  margin: 40px auto;
  text-align: center;
}
.empty svg {
  width: 260px;
  color: rgb(var(--v-theme-primary));
  opacity: 0.7;
}
.empty p {
  margin: 6px 0 18px;
}
.actions {
  display: flex;
  gap: 12px;
  justify-content: center;
  flex-wrap: wrap;
}
</style>
