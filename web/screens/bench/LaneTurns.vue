<script setup lang="ts">
import InkMark from '../../components/InkMark.vue'
import { useLogbook } from '../../stores/logbook'
import type { useQueue } from './useQueue'

/** The lanes that wait for an entry: which one has its turn, and which are due. */
const props = defineProps<{ queue: ReturnType<typeof useQueue> }>()
const { current, due, enterable, choose } = props.queue
const logbook = useLogbook()
</script>

<template>
  <div class="queue" role="group" aria-label="Lanes">
    <button
      v-for="lane in enterable"
      :key="lane.setup.runId"
      type="button"
      :class="{ here: lane === current, due: due.includes(lane) }"
      :aria-pressed="lane === current"
      @click="choose(lane)"
    >
      <InkMark :ink="lane.setup.ink" /> {{ logbook.nameOf(lane.setup)
      }}<span v-if="due.includes(lane)"> · due</span>
    </button>
  </div>
</template>

<style scoped>
.queue {
  display: flex;
  gap: 4px 16px;
  flex-wrap: wrap;
}
.queue button {
  min-height: 44px;
  padding: 0;
  text-align: left;
  border-bottom: 2px solid transparent;
}
.queue button.here {
  border-bottom-color: currentColor;
  font-weight: 650;
}
.queue button.due,
.due {
  color: rgb(var(--v-theme-primary));
}
</style>
