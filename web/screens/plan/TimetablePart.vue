<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import type { Campaign } from '@core/plan/campaign'
import { download, fileName } from '../../composables/download'
import { usePlan } from '../../stores/plan'
import MoveDialog from './MoveDialog.vue'
import RunCard from './RunCard.vue'
import { useDragRuns } from './useDragRuns'
import { useTimetable, type Card } from './useTimetable'

const props = defineProps<{ campaign: Campaign }>()
const plan = usePlan()
const { days, astray, unplaced, summary, refusal, layOut, move, release, setAside } = useTimetable(
  () => props.campaign,
)
const root = useTemplateRef<HTMLElement>('root')
const moving = ref<Card | null>(null)
useDragRuns(
  root,
  () => days.value.map((d) => d.startS).join(),
  (id, fromMs) => void move(id, fromMs),
)
const anyPlaced = computed(() => days.value.some((d) => d.cards.length))
const takeCalendar = () =>
  download(fileName(props.campaign.name, 'ics'), plan.calendar(props.campaign), 'text/calendar')
const endOf = (c: Card) => c.startMs + c.planned.slot!.chargeS * 1000
</script>

<template>
  <section aria-label="Timetable">
    <div class="bar">
      <v-btn-main :loading="plan.busy" :disabled="!campaign.planned.length" @click="layOut">{{
        anyPlaced ? 'Lay the open runs anew' : 'Lay out the runs'
      }}</v-btn-main>
      <v-btn-other :disabled="!anyPlaced" @click="takeCalendar">Take the calendar file</v-btn-other>
    </div>
    <p v-if="!campaign.planned.length">No pair is chosen yet: choose some under Pairs.</p>
    <div v-if="anyPlaced" class="told" data-testid="told">
      <p class="ends">
        The campaign ends on <strong>{{ summary.ends }}</strong>.
      </p>
      <p v-if="summary.length">{{ summary.length }} {{ summary.limit }}</p>
      <p v-for="s in summary.savings" :key="s">{{ s }}</p>
      <p v-if="summary.unfair" class="quiet">{{ summary.unfair }}</p>
    </div>
    <p v-if="refusal" role="alert" class="refusal">{{ refusal }}</p>
    <p v-if="astray.length" class="refusal">
      {{ astray.length }} {{ astray.length === 1 ? 'run lies' : 'runs lie' }} outside the free hours as they
      are now. Lay the open runs anew.
    </p>
    <section v-if="unplaced.length && campaign.planned.length" aria-label="Without a place">
      <h2>Without a place</h2>
      <ul>
        <li v-for="u in unplaced" :key="u.id">{{ u.name }}: {{ u.why }}</li>
      </ul>
    </section>
    <div v-if="anyPlaced" ref="root" class="days">
      <section v-for="d in days" :key="d.startS" class="day" :aria-label="d.title">
        <header>
          <strong>{{ d.title }}</strong> <span class="figure quiet hours">{{ d.hours }}</span>
        </header>
        <div class="strip" aria-hidden="true">
          <i
            v-for="c in d.cards"
            :key="c.planned.id"
            class="drawn"
            :style="{ left: `${c.left}%`, width: `${c.width}%`, top: `${4 + 7 * c.planned.slot!.lane}px` }"
          />
        </div>
        <ul :data-window="d.startS * 1000">
          <li
            v-for="c in d.cards"
            :key="c.planned.id"
            :data-run="c.planned.id"
            :data-ends="endOf(c)"
            :class="c.state"
          >
            <RunCard
              :card="c"
              @move="moving = c"
              @release="release(c.planned.id)"
              @aside="setAside(c.planned.id, 'Set aside in the plan.')"
            />
          </li>
        </ul>
      </section>
    </div>
    <MoveDialog
      v-if="moving"
      :card="moving"
      :days="days"
      @close="moving = null"
      @move="(ms) => move(moving!.planned.id, ms)"
    />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  margin: 8px 0;
}
.told {
  max-width: 80ch;
}
.ends {
  font-size: 1.1rem;
}
.refusal {
  border-left: 3px solid rgb(var(--v-theme-warning));
  padding-left: 10px;
  margin: 10px 0;
  font-weight: 600;
}
.days {
  margin-top: 12px;
  border-top: var(--hairline);
}
.day {
  display: grid;
  grid-template-columns: 176px 190px minmax(0, 1fr);
  gap: 4px 20px;
  border-bottom: var(--hairline);
  padding: 8px 0;
  align-items: start;
}
header {
  display: grid;
}

.hours {
  font-size: 0.82rem;
  white-space: nowrap;
}
.strip {
  position: relative;
  height: 44px;
  border-left: 1px solid;
  border-right: 1px solid;
  border-color: rgba(var(--v-border-color), 0.35);
  border-bottom: 1px solid rgba(var(--v-border-color), 0.35);
}
.strip i {
  position: absolute;
  height: 4px;
  border-radius: 2px;
}
ul[data-window] {
  list-style: none;
  margin: 0;
  padding: 0;
  min-height: 44px;
}
@media (max-width: 760px) {
  .day {
    grid-template-columns: minmax(0, 1fr);
  }
  .strip {
    display: none;
  }
}
@media print {
  .bar {
    display: none;
  }
}
</style>
