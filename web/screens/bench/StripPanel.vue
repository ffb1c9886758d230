<script setup lang="ts">
import { computed, ref } from 'vue'
import { useNotices } from '../../stores/notices'
import { useStrip } from '../../stores/strip'
import RiggedCard from './RiggedCard.vue'

/** What stands on the strip before the switch goes on. */
const strip = useStrip()
const notices = useNotices()
const busy = ref(false)
const open = computed(() => strip.rigged.reduce((sum, lane) => sum + strip.openItems(lane).length, 0))

async function powerOn() {
  busy.value = true
  try {
    await strip.powerOn()
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section aria-label="On the strip" class="strip">
    <h2>On the strip, still off</h2>
    <RiggedCard v-for="lane in strip.rigged" :key="lane.id" :lane="lane" />
    <div class="switch">
      <v-btn-main size="x-large" :loading="busy" @click="powerOn">Power on</v-btn-main>
      <p class="quiet">
        Press it as the switch goes on:
        {{ strip.rigged.length === 1 ? 'the clock begins' : 'all clocks begin together' }}.
        <span v-if="open" role="status"
          >{{ open }} {{ open === 1 ? 'item is' : 'items are' }} unanswered and will be on record as
          skipped.</span
        >
      </p>
    </div>
  </section>
</template>

<style scoped>
.switch {
  display: flex;
  gap: 20px;
  align-items: center;
  flex-wrap: wrap;
  margin: 12px 0;
}
.switch p {
  flex: 1 1 260px;
}
</style>
