<script setup lang="ts">
import { useBench } from '../../stores/bench'
import { usePutBack } from '../../stores/putBack'
import { takeLaneFile } from './laneFile'

/** What the reviewer must know about the bench itself. */
const bench = useBench()
const putBack = usePutBack()
/** The way out when the browser refuses to store: every lane's readings as files. */
const takeFiles = () => bench.lanes.forEach(takeLaneFile)
</script>

<template>
  <v-alert v-if="bench.alarm" type="error" variant="tonal" role="alert" class="my-3">
    {{ bench.alarm }}
    <template #append>
      <v-btn-main color="error" @click="takeFiles">Take the files now</v-btn-main>
    </template>
  </v-alert>
  <v-alert v-if="bench.watching" type="info" variant="tonal" role="status" class="my-3">
    Another tab of this program holds the bench. Here you may watch; readings are noted there. If that tab is
    closed, this one takes over.
  </v-alert>
  <v-alert
    v-if="bench.clockNotice"
    type="warning"
    variant="tonal"
    closable
    class="my-3"
    @click:close="bench.clockNotice = ''"
  >
    {{ bench.clockNotice }}
  </v-alert>
  <section v-if="putBack.texts.length && !bench.running" class="put-back" aria-label="Put back">
    <h2>Put back now</h2>
    <ul>
      <li v-for="text in putBack.texts" :key="text">
        {{ text }} <v-btn-other size="small" @click="putBack.done(text)">It is back</v-btn-other>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.put-back ul {
  list-style: none;
  padding: 0;
}
.put-back li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  border-bottom: var(--hairline);
  min-height: 48px;
}
</style>
