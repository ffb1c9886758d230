<script setup lang="ts">
import { computed } from 'vue'
import { missedOf } from '@core/bench/due'
import { speedOf } from '@core/bench/setup'
import { asRead, asWritten, clock, countdown, figure } from '@core/words/figures'
import { missedWords } from '@core/words/sentences/calls'
import { readingInWords } from '@core/protocol/rules'
import { stopInWords } from '@core/protocol/stopping'
import InkMark from '../../components/InkMark.vue'
import { holdPointer } from '../../composables/holdPointer'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'
import LanePath from './LanePath.vue'
import LaneStreams from './LaneStreams.vue'
import StopDialog from './StopDialog.vue'
import UnpluggedNote from './UnpluggedNote.vue'
import { useLaneView } from './useLaneView'
import { useTurn } from './useTurn'

const props = defineProps<{ lane: Lane; flashing: boolean; here: boolean; size: number }>()
const emit = defineEmits<{ choose: [] }>()
const logbook = useLogbook()
const bench = useBench()
const view = useLaneView(props.lane)
const { byHand, simulated, lastLevel, lastAge, power, gained, rate, temperatures, hot, due, untilDue } = view
const { warnings } = view
const { forecast, goal } = view
const { expected, turn } = useTurn()
const turning = computed(() => (bench.watching ? null : expected(props.lane)))
const name = computed(() => logbook.nameOf(props.lane.setup))
const missed = computed(() => {
  void view.second.value
  return missedWords(missedOf(props.lane))
})
const sources = computed(() => {
  const { feed } = props.lane.setup
  if (feed.kind === 'hand') return `read ${readingInWords(props.lane.setup.reading)}`
  if (feed.kind === 'simulated') return `one reading a second, ${speedOf(props.lane.setup)}× time`
  return feed.kind === 'instruments' ? 'read by instruments' : 'read from this device’s own battery'
})
</script>

<template>
  <section class="lane" :class="{ flashing: flashing && due, here }" :aria-label="name">
    <header>
      <h2>
        <button type="button" :aria-pressed="here" @click="emit('choose')">
          <InkMark :ink="lane.setup.ink" /> {{ name }}
        </button>
        <SimulatedTag v-if="simulated" />
      </h2>
      <p v-if="size > 100" class="quiet small">Stops {{ stopInWords(lane.setup.stop) }} · {{ sources }}</p>
    </header>
    <p v-if="hot" class="hot" role="alert">
      Stop: {{ hot.place || 'the device' }} is at {{ figure(hot.celsius, 1, '°C') }}, the limit is
      {{ asRead(lane.setup.heat.stopLimitC, 1, '°C') }}. Cut the power and let it cool.
    </p>
    <UnpluggedNote :lane="lane" />
    <ul v-if="warnings.length && !hot" class="warnings" role="status">
      <li v-for="w in warnings" :key="w.code" :data-testid="`warning-${w.code}`">
        {{ asWritten(w.message) }} <span class="quiet">{{ asWritten(w.advice) }}</span>
      </li>
    </ul>
    <div class="figures">
      <div>
        <div class="label">Level</div>
        <div class="figure big" data-testid="level">{{ figure(lastLevel?.percent, 0, '%') }}</div>
        <div class="quiet small">gained {{ gained }}{{ rate }}</div>
      </div>
      <div v-if="byHand">
        <div class="label">{{ due ? 'Reading due' : 'Next reading in' }}</div>
        <div class="figure big" :class="{ due }" data-testid="countdown">
          {{ due ? 'now' : Number.isFinite(untilDue) ? countdown(untilDue) : '–' }}
        </div>
        <div v-if="missed" class="small missed">{{ missed }}</div>
      </div>
      <div>
        <div class="label">Clock</div>
        <div class="figure mid" data-testid="elapsed" role="timer">{{ clock(lane.elapsedS) }}</div>
        <div v-if="forecast" class="quiet small">
          {{ goal === 100 ? 'full' : `${goal} %` }} in about {{ forecast }}
        </div>
      </div>
      <div>
        <div class="label">{{ power.isOwn ? 'Into the battery' : 'Power' }}</div>
        <div class="figure mid">{{ figure(power.watts, 1, 'W') }}</div>
        <div class="quiet small">read {{ lastAge }} ago</div>
      </div>
      <div v-if="temperatures">
        <div class="label">Temperature</div>
        <div class="figure">{{ temperatures }}</div>
      </div>
    </div>
    <v-btn-other
      v-if="turning !== null"
      block
      :size="size > 100 ? 'large' : 'default'"
      class="my-2"
      @pointerdown="holdPointer"
      @click="turn(lane, turning)"
      >It just turned {{ turning }} %</v-btn-other
    >
    <div aria-live="assertive" class="offscreen">{{ due ? `A reading is due on ${name}` : '' }}</div>
    <LanePath :lane="lane" :height="size" :tabled="size > 100" />
    <LaneStreams v-if="lane.setup.feed.kind === 'instruments'" :lane="lane" />
    <StopDialog v-if="!bench.watching" :lane="lane" />
  </section>
</template>

<style scoped>
.warnings {
  list-style: none;
  padding: 0 0 0 10px;
  margin: 4px 0;
  border-left: 3px solid rgb(var(--v-theme-warning));
  font-size: 0.9rem;
}
.lane {
  border-top: 2px solid rgba(var(--v-border-color), 0.6);
  padding-top: 10px;
  transition: background-color 0.3s;
  min-width: 0;
  container-type: inline-size;
}
.lane.here {
  border-top-color: rgb(var(--v-theme-primary));
}
.lane.flashing {
  background: rgba(var(--v-theme-primary), 0.16);
}
h2 {
  margin: 4px 0 0 !important;
  font-size: clamp(1rem, 4.4cqi, 1.2rem) !important;
}
h2 button {
  min-height: 32px;
  padding: 0;
  font-weight: inherit;
  text-align: left;
}
.figures {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px 16px;
  margin: 10px 0;
  align-items: end;
}
.figures > div {
  align-self: start;
}
@container (min-width: 640px) {
  .figures {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
}
.label {
  font-size: 0.84rem;
}
.big {
  font-size: clamp(2.1rem, 11cqi, 3.4rem);
  font-weight: 600;
  line-height: 1.15;
  white-space: nowrap;
}
.mid {
  font-size: clamp(1.4rem, 6.2cqi, 2.2rem);
  font-weight: 600;
  line-height: 1.25;
  white-space: nowrap;
}
.due,
.missed {
  color: rgb(var(--v-theme-primary));
}
.hot {
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-on-error));
  padding: 10px 14px;
  font-weight: 700;
  font-size: 1.1rem;
}
.small {
  font-size: 0.84rem;
}
</style>
