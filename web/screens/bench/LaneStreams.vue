<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { shiftSchema } from '@core/protocol/entry'
import { startOfCurrent } from '@core/trace/clocks'
import { figure } from '@core/words/figures'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'

/** The streams that feed a lane: which are heard, and how far each clock was moved to stand on the lane's. */
const props = defineProps<{ lane: Lane }>()
const bench = useBench()
const open = ref(false)
const typed = reactive<Record<string, string>>({})
const errors = reactive<Record<string, string>>({})
const ids = computed(() => (props.lane.setup.feed.kind === 'instruments' ? props.lane.setup.feed.ids : []))
const streams = computed(() => {
  void props.lane.count
  return ids.value.map((id) => ({
    id,
    lost: props.lane.lost[id],
    offset: props.lane.state.offsets[id] ?? 0,
    heard: props.lane.state.latest.has(id),
  }))
})
const starts = computed(() => {
  if (!open.value) return {}
  const readings = [...props.lane.state.readings]
  return Object.fromEntries(
    ids.value.map((id) => [id, startOfCurrent(readings.filter((r) => r.stream === id))]),
  )
})
const words = (offset: number) => `${offset < 0 ? '−' : '+'}${figure(Math.abs(offset), 1, 's')}`

function set(id: string) {
  const read = checkTyped(shiftSchema, typed[id] ?? '')
  errors[id] = read.error
  if ('value' in read) void bench.setOffsets(props.lane, { ...props.lane.state.offsets, [id]: read.value })
}
</script>

<template>
  <div class="streams">
    <ul>
      <li v-for="s in streams" :key="s.id">
        <span class="figure">{{ s.id }}</span>
        <span v-if="s.lost" class="lost" role="status"
          >lost: {{ s.lost }}; asking again, nothing is filled in</span
        >
        <span v-else class="quiet">{{ s.heard ? 'heard' : 'waiting for the first reading' }}</span>
        <span v-if="ids.length > 1" class="quiet" data-testid="offset"
          >clock moved {{ words(s.offset) }}</span
        >
      </li>
    </ul>
    <template v-if="ids.length > 1">
      <p v-if="lane.count >= 0 && lane.state.aligned" class="quiet small">
        The clocks were put together by the start of current.
      </p>
      <v-btn size="small" :disabled="bench.watching" @click="open = !open">Move a clock</v-btn>
      <form v-if="open" class="move" novalidate @submit.prevent>
        <div v-for="s in streams" :key="s.id">
          <FormText
            v-model="typed[s.id]"
            :label="`Move ${s.id} by`"
            suffix="s"
            :hint="`Its current began at ${figure(starts[s.id], 1, 's')} on its own clock`"
            persistent-hint
            :error="errors[s.id]"
            @keydown.enter.prevent="set(s.id)"
          />
          <v-btn-other size="small" @click="set(s.id)">Move it</v-btn-other>
        </div>
      </form>
    </template>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
li {
  display: flex;
  gap: 4px 14px;
  flex-wrap: wrap;
  font-size: 0.88rem;
}
.lost {
  color: rgb(var(--v-theme-error));
  font-weight: 650;
}
.move {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 240px), 1fr));
  gap: 10px 24px;
}
.small {
  font-size: 0.84rem;
}
</style>
