<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGuide } from './stores/guide'
import { useNotices } from './stores/notices'
import { idsAsWord } from './composables/places'

/** Walks a newcomer from two simulated lanes to their comparison. */
const guide = useGuide()
const notices = useNotices()
const router = useRouter()
const compared = computed(() => ({ path: '/side-by-side', query: { runs: idsAsWord(guide.kept) } }))
async function clear() {
  try {
    await guide.clear()
    await router.push('/shelf')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <aside v-if="guide.step !== 'none'" class="guide" aria-label="A first look" role="status">
    <template v-if="guide.step === 'charging'">
      <strong>A first look, simulated.</strong> One phone charges from two sources, two hours in a minute.
      Watch the levels; each run stops when its display shows 100 %. In a real test you type level and watts
      when a reading is due.
    </template>
    <template v-else>
      <strong>Both runs are in the logbook.</strong> Set them side by side: which source is faster, by how
      much, and is that real?
      <v-btn-main size="small" :to="compared">Set them side by side</v-btn-main>
      <v-btn size="small" @click="clear">Take the example away</v-btn>
    </template>
  </aside>
</template>

<style scoped>
.guide {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding: 8px 14px;
  margin: 12px 28px 0;
}
.guide .v-btn {
  margin-left: 10px;
}
</style>
