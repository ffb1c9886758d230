<script setup lang="ts">
import { computed } from 'vue'
import { missedOf } from '@core/bench/due'
import { asWritten, clock, countdown, figure } from '@core/words/figures'
import { missedWords } from '@core/words/sentences/calls'
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

/** A lane among many: its level and its countdown large enough for a metre away, and little else. */
const props = defineProps<{ lane: Lane; place: number; flashing: boolean; here: boolean; path: boolean }>()
const emit = defineEmits<{ choose: [] }>()
const logbook = useLogbook()
const bench = useBench()
const {
  byHand,
  simulated,
  second,
  lastLevel,
  lastAge,
  power,
  rate,
  temperatures,
  hot,
  due,
  untilDue,
  ...more
} = useLaneView(props.lane)
const { warnings, forecast, goal } = more
const { expected, turn } = useTurn()
const turning = computed(() => (bench.watching ? null : expected(props.lane)))
const name = computed(() => logbook.nameOf(props.lane.setup))
const device = computed(() => logbook.device(props.lane.setup.deviceId)?.name)
const source = computed(() => logbook.source(props.lane.setup.sourceId)?.name)
const watch = computed(() => warnings.value.some((w) => w.code === 'watch'))
const missed = computed(() => {
  void second.value
  return missedWords(missedOf(props.lane))
})
const next = computed(() => {
  if (!byHand)
    return {
      label: power.value.isOwn ? 'into the battery' : 'now',
      text: figure(power.value.watts, 1, 'W'),
    }
  if (due.value) return { label: 'reading', text: 'due' }
  const text = Number.isFinite(untilDue.value) ? countdown(untilDue.value) : '–'
  return { label: 'next in', text }
})
</script>

<template>
  <section class="tile" :class="{ flashing: flashing && due, here, due }" :aria-label="name">
    <header>
      <button type="button" class="name" :aria-label="name" :aria-pressed="here" @click="emit('choose')">
        <InkMark :ink="lane.setup.ink" /> <strong>{{ place }} · {{ source ?? name }}</strong>
      </button>
    </header>
    <div class="under">
      <p class="quiet line">
        <span data-testid="elapsed" role="timer">{{ clock(lane.elapsedS) }}</span> {{ device }}
        <SimulatedTag v-if="simulated" />
      </p>
      <StopDialog v-if="!bench.watching" :lane="lane" small />
    </div>
    <p v-if="hot" class="hot" role="alert">
      Stop: {{ hot.place || 'the device' }} is at {{ figure(hot.celsius, 1, '°C') }}. Cut the power.
    </p>
    <div class="level">
      <span class="figure big" data-testid="level"
        >{{ lastLevel ? Math.round(lastLevel.percent) : '–'
        }}<span v-if="lastLevel" class="unit">&nbsp;%</span></span
      >
      <v-btn-other
        v-if="turning !== null"
        class="turn"
        :class="{ watch }"
        :aria-label="`It just turned ${turning} %`"
        @pointerdown="holdPointer"
        @click="turn(lane, turning)"
        >{{ watch ? 'watch it:' : 'just turned' }}<br />{{ turning }} %</v-btn-other
      >
    </div>
    <p class="quiet line">
      {{ Number.isNaN(lane.state.lastT) ? 'not read yet' : `read ${lastAge} ago${rate}`
      }}<span v-if="temperatures"> · {{ temperatures }}</span>
    </p>
    <div class="next">
      <span class="label">{{ next.label }}</span>
      <span class="figure mid" data-testid="countdown">{{ next.text }}</span>
    </div>
    <p v-if="missed" class="small missed">{{ missed }}</p>
    <UnpluggedNote :lane="lane" />
    <ul v-if="warnings.length && !hot" class="warnings" role="status">
      <li v-for="w in warnings" :key="w.code" :data-testid="`warning-${w.code}`" :title="w.advice">
        {{ asWritten(w.message) }} <span v-if="here" class="quiet">{{ asWritten(w.advice) }}</span>
      </li>
    </ul>
    <div aria-live="assertive" class="offscreen">{{ due ? `A reading is due on ${name}` : '' }}</div>
    <LanePath v-if="path" :lane="lane" :height="76" bare />
    <p v-if="forecast" class="quiet line forecast">
      {{ goal === 100 ? 'full' : `${goal} %` }} in about {{ forecast }}
    </p>
    <LaneStreams v-if="lane.setup.feed.kind === 'instruments'" :lane="lane" />
  </section>
</template>

<style scoped>
.tile {
  border-top: 2px solid rgba(var(--v-border-color), 0.35);
  padding: 4px 2px 6px;
  min-width: 0;
  container-type: inline-size;
  transition: background-color 0.3s;
}
.tile.due,
.tile.here {
  border-top-color: rgb(var(--v-theme-primary));
}
.tile.here {
  background: rgba(var(--v-theme-primary), 0.05);
}
.tile.flashing {
  background: rgba(var(--v-theme-primary), 0.16);
}
header {
  display: flex;
}
.under {
  display: flex;
  align-items: flex-start;
  justify-content: space-between;
  gap: 6px;
  min-height: 28px;
}
.under > .line {
  min-width: 0;
}
.unit {
  font-size: 0.5em;
  font-family: var(--text-face);
}
.name {
  flex: 1;
  min-width: 0;
  min-height: 32px;
  padding: 0;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
p,
.warnings {
  margin: 0;
}
.line,
.small {
  font-size: 0.82rem;
  line-height: 1.35;
}
.line {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.level,
.next {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}
.next {
  align-items: baseline;
}
.label {
  font-size: 0.84rem;
}
.figure {
  white-space: nowrap;
  font-weight: 600;
  line-height: 1.1;
}
.big {
  font-size: clamp(2.4rem, 26cqi, 3.4rem);
}
.mid {
  font-size: clamp(1.4rem, 15cqi, 2rem);
}
.due .mid,
.missed {
  color: rgb(var(--v-theme-primary));
}
.turn {
  font-size: 0.82rem;
  line-height: 1.15;
  min-height: 44px;
  min-width: 0;
  padding: 0 8px;
}
.turn.watch {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
}
.warnings {
  list-style: none;
  padding: 0 0 0 8px;
  border-left: 3px solid rgb(var(--v-theme-warning));
  font-size: 0.84rem;
  line-height: 1.3;
}
.hot {
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-on-error));
  padding: 6px 8px;
  font-weight: 700;
}
@media (max-width: 760px) {
  .forecast {
    display: none;
  }
}
</style>
