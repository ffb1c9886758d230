<script setup lang="ts">
import { computed } from 'vue'
import { unpluggedSince } from '@core/trace/pauses'
import { clock } from '@core/words/figures'
import type { Lane } from '../../stores/lane'

/** That a lane's device is unplugged to be looked at: easily forgotten, and nothing is counted until it ends. */
const props = defineProps<{ lane: Lane }>()
// The lane's state is not reactive: its count says that something came.
const since = computed(() => (props.lane.count >= 0 ? unpluggedSince(props.lane.state.events) : undefined))
</script>

<template>
  <p v-if="since !== undefined" class="unplugged" role="status">
    Unplugged since {{ clock(since) }}; the clock runs on. Say so when it is plugged in again (g).
  </p>
</template>

<style scoped>
.unplugged {
  border-left: 3px solid rgb(var(--v-theme-warning));
  padding-left: 8px;
  font-size: 0.86rem;
  line-height: 1.3;
}
</style>
