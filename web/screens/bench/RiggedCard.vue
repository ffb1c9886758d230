<script setup lang="ts">
import { computed } from 'vue'
import { ownItems } from '@core/bench/shared'
import type { Feed } from '@core/bench/setup'
import type { RiggedLane } from '@core/bench/strip'
import type { ChecklistItem } from '@core/protocol/checklist'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePreparing } from '../../stores/preparing'
import { useStrip } from '../../stores/strip'
import ChecklistRows from './ChecklistRows.vue'
import FeedPicker from './FeedPicker.vue'

/** A lane on the strip, with what has to be seen to for it alone. */
const props = defineProps<{ lane: RiggedLane }>()
const strip = useStrip()
const logbook = useLogbook()
const notices = useNotices()
const items = computed(() => ownItems(props.lane, strip.rigged))
const answerOf = (item: ChecklistItem) => props.lane.choice.checklist.find((a) => a.id === item.id)
const answer = (item: ChecklistItem, given?: 'done' | 'skipped', value: number | null = null) =>
  void strip.answer(props.lane, item, given, value).catch(notices.fail)
const preparing = usePreparing()
/** A rest that was timed is what it was. */
const measured = (item: ChecklistItem) =>
  item.id === 'rest' ? preparing.restedNow(props.lane.choice.deviceId) : ''
const setFeed = (feed: Feed) => strip.setFeed(props.lane, feed).catch(notices.fail)
</script>

<template>
  <article class="rigged" :aria-label="logbook.nameOf(lane.choice)">
    <header>
      <h3>{{ logbook.nameOf(lane.choice) }}</h3>
      <span class="quiet">{{ lane.protocolName || `from ${lane.choice.start.percent} %` }}</span>
      <v-btn size="small" @click="strip.takeOff(lane.id).catch(notices.fail)">Take it off</v-btn>
    </header>
    <ChecklistRows :items="items" :answer-of="answerOf" :measured="measured" @answer="answer" />
    <div v-if="lane.choice.planned" class="feed">
      <FeedPicker
        :model-value="lane.choice.feed"
        :seed="1 + logbook.runs.length"
        @update:model-value="setFeed"
      />
    </div>
  </article>
</template>

<style scoped>
.rigged {
  border-top: 2px solid rgba(var(--v-border-color), 0.6);
  padding: 8px 0 16px;
}
header {
  display: flex;
  gap: 6px 16px;
  align-items: baseline;
  flex-wrap: wrap;
}
h3 {
  font-size: 1.1rem;
  font-weight: 650;
  margin: 0;
}
.feed {
  display: grid;
  margin-top: 10px;
}
</style>
