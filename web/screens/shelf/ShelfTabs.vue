<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const TABS = [
  { to: '/shelf', label: 'The gear' },
  { to: '/shelf/pairs', label: 'What they agree on' },
  { to: '/shelf/budget', label: 'Energy budget' },
]
</script>

<template>
  <nav class="tabs" aria-label="Parts of the shelf">
    <router-link
      v-for="tab in TABS"
      :key="tab.to"
      :to="tab.to"
      :aria-current="route.path === tab.to ? 'page' : undefined"
      >{{ tab.label }}</router-link
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 20px;
  margin: 10px 0 0;
}
a {
  color: inherit;
  text-decoration: none;
  padding: 10px 0 6px;
  min-height: 44px;
  border-bottom: 2px solid transparent;
}
a[aria-current] {
  font-weight: 650;
  border-bottom-color: currentColor;
}
@media (forced-colors: active) {
  a:not([aria-current]) {
    border-color: Canvas;
  }
}
@media print {
  .tabs {
    display: none;
  }
}
</style>
