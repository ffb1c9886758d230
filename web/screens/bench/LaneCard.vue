<script setup lang="ts">
import { computed } from 'vue'
import { clock, countdown, duration, figure, points } from '@core/format/figures'
import { readingInWords } from '@core/protocol/rules'
import { stopInWords } from '@core/protocol/stopping'
import PathChart from '../../charts/PathChart.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useLogbook } from '../../stores/logbook'
import { missedOf, type Lane } from '../../stores/lane'
import ReadingEntry from './ReadingEntry.vue'
import StopDialog from './StopDialog.vue'
import { useLaneView } from './useLaneView'
import { useDueCall } from './useDueCall'

const props = defineProps<{ lane: Lane }>()
const logbook = useLogbook()
const { byHand, last, lastAge, watts, due, untilDue, paths, until } = useLaneView(props.lane)
const { flashing } = useDueCall(
  computed(() => byHand && due.value),
  computed(() => props.lane.setup.runId),
)
const name = computed(() => logbook.nameOf(props.lane.setup))
const missed = computed(() => (byHand ? missedOf(props.lane).map((s) => duration(s)) : []))
</script>

<template>
  <section class="lane" :class="{ flashing }" :aria-label="name">
    <header>
      <h2><InkMark :ink="lane.setup.ink" /> {{ name }} <SimulatedTag v-if="!byHand" /></h2>
      <p class="quiet">
        Stops {{ stopInWords(lane.setup.stop) }} ·
        {{
          byHand
            ? `read ${readingInWords(lane.setup.reading)}`
            : `one reading a second, ${lane.setup.feed.kind === 'simulated' ? lane.setup.feed.speed : 1}× time`
        }}
      </p>
    </header>
    <div class="body">
      <div class="figures">
        <div>
          <div class="label">Clock</div>
          <div class="figure big" data-testid="elapsed" role="timer">{{ clock(lane.elapsedS) }}</div>
        </div>
        <div>
          <div class="label">Level</div>
          <div class="figure big" data-testid="level">{{ figure(last?.percent, 0, '%') }}</div>
          <div class="quiet small">gained {{ points((last?.percent ?? NaN) - lane.setup.startPercent) }}</div>
        </div>
        <div>
          <div class="label">Power</div>
          <div class="figure big">{{ figure(watts, 1, 'W') }}</div>
          <div class="quiet small">read {{ lastAge }} ago</div>
        </div>
        <div v-if="byHand">
          <div class="label">{{ due ? 'Reading due' : 'Next reading in' }}</div>
          <div class="figure big" :class="{ due }" data-testid="countdown">
            {{ due ? 'now' : countdown(untilDue) }}
          </div>
          <div v-if="missed.length" class="small missed">missed: {{ missed.join(', ') }}</div>
        </div>
      </div>
      <ReadingEntry v-if="byHand" :lane="lane" />
      <div aria-live="assertive" class="offscreen">
        {{ byHand && due ? `A reading is due on ${name}` : '' }}
      </div>
      <PathChart
        :paths="paths"
        unit="%"
        :min="0"
        :max="100"
        :until="until"
        :height="230"
        :label-ends="false"
        :summary="`Charge curve so far: ${lane.count} entries, now ${figure(last?.percent, 0, '%')} after ${duration(lane.elapsedS)}`"
      />
      <StopDialog :lane="lane" />
    </div>
  </section>
</template>

<style scoped>
.lane {
  border-top: 2px solid rgba(var(--v-border-color), 0.6);
  padding-top: 10px;
  transition: background-color 0.3s;
}
.lane.flashing {
  background: rgba(var(--v-theme-primary), 0.16);
}
h2 {
  margin: 4px 0 0 !important;
  font-size: 1.25rem !important;
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px 20px;
  margin: 10px 0;
}
.label {
  font-size: 0.84rem;
}
.big {
  font-size: clamp(1.7rem, 4.4vw, 2.7rem);
  font-weight: 600;
  line-height: 1.15;
  white-space: nowrap;
}
.due,
.missed {
  color: rgb(var(--v-theme-primary));
}
.small {
  font-size: 0.84rem;
}
</style>
