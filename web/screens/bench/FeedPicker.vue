<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import type { Feed } from '@core/bench/setup'
import { listInstruments, type InstrumentInfo } from '../../stores/instrumentStream'
import FormPick from '../../forms/FormPick.vue'
import { canReadOwnBattery } from '../../stores/ownBattery'

/** Where the readings of a lane come from. */
const props = defineProps<{ seed: number }>()
const feed = defineModel<Feed>({ required: true })
const found = ref<InstrumentInfo[] | null>(null)
const SPEEDS = [1, 10, 60, 600]

const load = async () => (found.value = await listInstruments())
onMounted(load)
/** An instrument says its name a moment after it is heard. */
const AGAIN_MS = 3000
useIntervalFn(() => {
  if (feed.value.kind === 'instruments') void load()
}, AGAIN_MS)
const KINDS = computed(() => [
  { value: 'hand', title: 'my hands' },
  { value: 'simulated', title: 'a simulated meter and battery' },
  { value: 'instruments', title: 'instruments' },
  ...(canReadOwnBattery() ? [{ value: 'own-battery', title: 'this device’s own battery' }] : []),
])
const choices = computed(() =>
  (found.value ?? []).map((i) => ({ value: i.id, title: i.simulated ? `${i.name} (simulated)` : i.name })),
)

function setKind(kind: Feed['kind']) {
  if (kind === 'simulated') feed.value = { kind, seed: props.seed, speed: 60 }
  else if (kind === 'instruments') feed.value = { kind, ids: [], simulated: false }
  else feed.value = { kind }
}
function setIds(chosen: unknown) {
  const ids = chosen as string[]
  const simulated = (found.value ?? []).some((i) => ids.includes(i.id) && i.simulated)
  feed.value = { kind: 'instruments', ids, simulated }
}
const setSpeed = (speed: number) => (feed.value = { kind: 'simulated', seed: props.seed, speed })
</script>

<template>
  <fieldset class="wide">
    <legend>Readings come from</legend>
    <v-btn-toggle :model-value="feed.kind" mandatory class="kinds" @update:model-value="setKind">
      <v-btn v-for="k in KINDS" :key="k.value" :value="k.value">{{ k.title }}</v-btn>
    </v-btn-toggle>
  </fieldset>
  <fieldset v-if="feed.kind === 'simulated'" class="wide">
    <legend>One reading a second, with time running at</legend>
    <v-btn-toggle :model-value="feed.speed" mandatory @update:model-value="setSpeed">
      <v-btn v-for="s in SPEEDS" :key="s" :value="s">{{ s }}×</v-btn>
    </v-btn-toggle>
    <p class="quiet">
      Figures come from the charge model, and say <em>simulated</em> wherever they are shown.
    </p>
  </fieldset>
  <fieldset v-if="feed.kind === 'instruments'" class="wide">
    <FormPick
      class="instruments"
      :model-value="feed.ids"
      label="Instruments on this lane"
      multiple
      :items="choices"
      :no-data-text="found === null ? 'Looking …' : 'None is heard. Start the program with --scpi host:port.'"
      @update:model-value="setIds"
    />
    <v-btn size="small" @click="load">Look again</v-btn>
    <p class="quiet">
      A meter and a battery may stand on one lane: their clocks are put together by the start of current.
    </p>
  </fieldset>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
  border: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
}
legend {
  font-size: 0.86rem;
  margin-bottom: 4px;
}
.kinds {
  flex-wrap: wrap;
  height: auto !important;
}
.kinds .v-btn {
  min-height: 44px;
}
.instruments {
  min-width: min(100%, 420px);
}
</style>
