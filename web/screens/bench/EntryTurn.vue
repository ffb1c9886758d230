<script setup lang="ts">
import { computed } from 'vue'
import { dueAt, isDue } from '@core/bench/due'
import { isByHand } from '@core/bench/setup'
import { duration } from '@core/words/figures'
import InkMark from '../../components/InkMark.vue'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'

/** Whose turn it is, and what is due of it. */
const props = defineProps<{
  lane: Lane
  /** Its place among those that can be typed into, from 1, and how many those are. */
  place: number
  of: number
  /** When its temperatures are due, s; null where none are. */
  heatAtS: number | null
}>()
const logbook = useLogbook()
const said = computed(() => {
  if (isDue(props.lane)) return `due at ${duration(dueAt(props.lane))}`
  if (props.heatAtS !== null) return `temperatures due at ${duration(props.heatAtS)}`
  return isByHand(props.lane.setup) ? 'not due yet' : 'reads by itself'
})
</script>

<template>
  <p class="turn">
    <span v-if="of > 1" class="quiet">Lane {{ place }} of {{ of }} · {{ said }}</span>
    <strong :title="logbook.nameOf(lane.setup)"
      ><InkMark :ink="lane.setup.ink" /> {{ logbook.nameOf(lane.setup) }}</strong
    >
    <span v-if="of <= 1" class="quiet">{{ said }}</span>
  </p>
</template>

<style scoped>
.turn {
  display: flex;
  gap: 2px 10px;
  flex-wrap: wrap;
  align-items: center;
  margin: 0 0 4px;
}
.turn .quiet {
  font-size: 0.88rem;
}
.turn strong {
  min-width: 0;
  overflow-wrap: anywhere;
}
/* The pad keeps its place on a phone: a name longer than the line is cut; the lane's number stands above it. */
@media (max-width: 760px) {
  .turn {
    margin: 0;
  }
  .turn strong {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
}
</style>
