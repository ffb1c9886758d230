<script setup lang="ts">
import { computed, ref } from 'vue'
import { useNotices } from '../../stores/notices'
import { usePreparing } from '../../stores/preparing'
import { useStrip } from '../../stores/strip'
import { commonAnswer, sharedItems } from '@core/bench/shared'
import type { ChecklistItem } from '@core/protocol/checklist'
import ChecklistRows from './ChecklistRows.vue'
import RiggedCard from './RiggedCard.vue'

/** What stands on the strip before the switch goes on. */
const strip = useStrip()
const notices = useNotices()
const preparing = usePreparing()
const busy = ref(false)
const open = computed(() => strip.rigged.reduce((sum, lane) => sum + strip.openItems(lane).length, 0))
/** What a tick is enough for. */
const ticks = computed(() =>
  strip.rigged.reduce((sum, lane) => sum + strip.openItems(lane).filter((i) => !i.asks).length, 0),
)
const shared = computed(() => sharedItems(strip.rigged))
const answerOf = (item: ChecklistItem) => commonAnswer(item, strip.rigged)
const answer = (item: ChecklistItem, given?: 'done' | 'skipped', value: number | null = null) =>
  void strip.answerAll(item, given, value).catch(notices.fail)

async function powerOn() {
  busy.value = true
  try {
    const devices = strip.rigged.map(({ choice }) => choice.deviceId)
    await strip.powerOn()
    void preparing.charging(devices).catch(notices.fail)
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
    <v-btn-other v-if="ticks > 1" @click="strip.tickAll().catch(notices.fail)"
      >All is done that only wants a tick</v-btn-other
    >
    <section v-if="shared.length" class="shared" aria-label="For all lanes">
      <h3>For all {{ strip.rigged.length }} lanes</h3>
      <ChecklistRows :items="shared" :answer-of="answerOf" @answer="answer" />
    </section>
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
h3 {
  font-size: 1.1rem;
  font-weight: 650;
  margin: 14px 0 0;
}
.shared {
  margin-bottom: 18px;
}
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
