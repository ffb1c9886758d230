<script setup lang="ts">
import { useKeys, useKeysKey } from '../composables/keys'
import KeysDialog from './KeysDialog.vue'

/** Below every screen: its keys, and how the program works out its numbers. */
const { open, keys } = useKeys()
useKeysKey()
</script>

<template>
  <footer>
    <v-btn size="small" @click="open = true">Keys of this screen</v-btn>
    <router-link to="/how" class="quiet">How it works out its numbers</router-link>
    <KeysDialog v-model="open" :keys="keys" />
  </footer>
</template>

<style scoped>
footer {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  padding: 24px 28px 20px 16px;
  font-size: 0.86rem;
}
a {
  padding: 4px 0;
}
@media (max-width: 760px) {
  footer {
    padding-bottom: 84px;
  }
}
@media print {
  footer {
    display: none;
  }
}
</style>
