<script setup lang="ts">
import { useRegisterSW } from 'virtual:pwa-register/vue'
import { useBench } from '../stores/bench'

/** A newer version waits: it is never taken up while lanes run. */
const { needRefresh, updateServiceWorker } = useRegisterSW()
const bench = useBench()
</script>

<template>
  <v-alert v-if="needRefresh" type="info" variant="tonal" class="update" role="status">
    A newer version of the program is here.
    {{ bench.running ? 'It is taken up once no lane runs.' : '' }}
    <template v-if="!bench.running" #append>
      <v-btn variant="outlined" @click="updateServiceWorker(true)">Take it up</v-btn>
    </template>
  </v-alert>
</template>

<style scoped>
.update {
  position: fixed;
  right: 16px;
  bottom: 84px;
  max-width: 420px;
  z-index: 7;
  background: rgb(var(--v-theme-surface));
}
</style>
