<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { asWritten, clock, countdown, figure } from '@core/words/figures'
import EmptyPage from '../../components/EmptyPage.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import FormText from '../../forms/FormText.vue'
import { flashing } from '../../composables/benchCall'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'
import BenchNotices from './BenchNotices.vue'
import SpotForm from './SpotForm.vue'
import SpotResults from './SpotResults.vue'
import { useSpot } from './useSpot'

/** The meter's count after five minutes, source after source: what it says of the time to half full. */
const bench = useBench()
const logbook = useLogbook()
const { lane, next, typed, errors, question, saving, byHand, counted, leftS, keep, startOver } = useSpot()
const initial = shallowRef(next())
/** Each check begins with a form of its own. */
const turn = ref(0)
const deviceId = computed(() => lane.value?.setup.deviceId ?? initial.value.deviceId)
const isOver = computed(() => leftS.value <= 0)
const count = useTemplateRef<{ focus: () => void }>('count')
watch(
  () => lane.value?.setup.runId,
  async (id) => {
    await nextTick()
    if (id) count.value?.focus()
  },
  { immediate: true },
)

function offer(startPercent = '') {
  initial.value = { ...next(), startPercent }
  turn.value++
}
async function keepAndGoOn() {
  // What the display showed a moment ago is what the next starts at; it stands in its field to be looked at.
  await keep(offer)
  count.value?.focus()
}
// Another tab made some meanwhile.
watch(
  () => bench.watching,
  (is) => is || offer(),
)
void bench.resume()
</script>

<template>
  <div class="page">
    <p><router-link to="/bench" class="quiet">Bench</router-link></p>
    <h1>Spot check</h1>
    <p class="quiet">
      What the meter counts in five minutes, from below half, and how long half a charge would take at that
      rate. Source after source; each is a short run of its own.
    </p>
    <BenchNotices />
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to check yet"
      text="A spot check needs a device and some sources from the shelf."
    >
      <v-btn-main to="/shelf">Go to the shelf</v-btn-main>
    </EmptyPage>
    <template v-else>
      <form
        v-if="lane && !bench.watching"
        class="now"
        :class="{ flashing }"
        novalidate
        @submit.prevent="keepAndGoOn"
      >
        <h2>{{ logbook.nameOf(lane.setup) }} <SimulatedTag v-if="lane.setup.feed.kind === 'simulated'" /></h2>
        <p class="clocks">
          <span class="figure big" role="timer" data-testid="spot-left">{{ countdown(leftS) }}</span>
          <span class="quiet"
            >{{ isOver ? 'The time is up' : 'to go' }}; {{ clock(lane.elapsedS) }} since power-on</span
          >
        </p>
        <div v-if="byHand" class="fields">
          <FormText
            ref="count"
            v-model="typed.counterWh"
            label="The meter’s count"
            suffix="Wh"
            numeric
            autocomplete="off"
            :error="errors.counterWh"
          />
          <FormText
            v-model="typed.percent"
            label="Level now, if you look"
            suffix="%"
            numeric
            autocomplete="off"
            :error="errors.percent"
          />
        </div>
        <p v-if="question" role="alert" class="question">
          {{ asWritten(question) }} Enter keeps it; or type it again.
        </p>
        <p v-else-if="byHand && counted" role="status">
          {{ figure(counted.counterWh, 3, 'Wh') }} noted at {{ clock(counted.t) }}. Enter keeps it; a later
          count may be typed first.
        </p>
        <p v-else class="quiet" role="status">
          {{
            byHand
              ? isOver
                ? 'Type the count and press Enter: it stands for the moment at which you begin to type.'
                : 'It calls when the time is up. A count that is typed before is kept with its own time.'
              : isOver
                ? 'Enter keeps it and goes on.'
                : 'It is read by itself, and calls when the time is up.'
          }}
        </p>
        <div class="deeds">
          <v-btn-main type="submit" size="large" :loading="saving">Keep it, next source</v-btn-main>
          <v-btn :disabled="saving" @click="startOver">Start this one over</v-btn>
        </div>
      </form>
      <!-- Not while the last one is being kept: what is offered then is not the next yet. -->
      <SpotForm v-else-if="!bench.watching && !saving" :key="turn" :initial="initial" />
      <SpotResults :device-id="deviceId" />
      <p class="quiet caution">
        Stop on swelling, smell, hissing, smoke or discolouration. A source of unknown make on a device you
        care about is your risk.
      </p>
    </template>
  </div>
</template>

<style scoped>
.now {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding: 2px 18px 8px;
  margin: 18px 0;
  max-width: 860px;
}
.now.flashing {
  background: rgba(var(--v-theme-primary), 0.12);
}
.clocks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}
.big {
  font-size: 2.6rem;
  line-height: 1.1;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 10px;
}
.caution {
  font-size: 0.88rem;
}
</style>
