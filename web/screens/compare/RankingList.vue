<script setup lang="ts">
import { computed } from 'vue'
import type { Goal, Ranking } from '@core/compare/ranking'
import { figure } from '@core/words/figures'
import { placeRuns } from '@core/words/sentences/reachWords'
import { goalParts, placeWords } from '@core/words/sentences/verdictSentence'
import InkMark from '../../components/InkMark.vue'
import { MOST_INKS } from './useComparison'
import type { SetUp } from './useVerdict'

/** Set-ups in their order, each with its ± as a bar on one scale; those that can't be told from the best stand together. */
const props = defineProps<{
  goal: Goal
  ranking: Ranking
  setups: readonly SetUp[]
  /** In the order of the set-ups. */
  names: readonly string[]
  inks: Readonly<Record<string, number>>
  /** Set-ups that are drawn in ink, by their keys. */
  inked: ReadonlySet<string>
  /** Repeats of one set-up: they have their order, and no verdict on each other. */
  alone?: boolean
}>()
/** The set-up, by its key, that is lifted out of the grey ones. */
const lifted = defineModel<string | null>('lifted', { default: null })

const scale = computed(() => {
  const known = props.ranking.places.filter((p) => !Number.isNaN(p.value))
  const low = Math.min(...known.map((p) => p.value - p.spread))
  const high = Math.max(...known.map((p) => p.value + p.spread))
  return (value: number) => (high > low ? (100 * (value - low)) / (high - low) : 50)
})
const rows = computed(() =>
  props.ranking.places.map((place) => {
    const setup = props.setups[place.index]
    const { value, spread } = place
    return {
      place,
      key: setup.key,
      ink: props.inks[setup.runs[0].id],
      name: props.names[place.index],
      ...(Number.isNaN(value) ? { value: '–', spread: '' } : goalParts(props.goal, value, spread)),
      runs: placeRuns(place.runs, setup.runs.length),
      words:
        !props.alone || Number.isNaN(value)
          ? placeWords(props.goal, place, props.goal.why(setup.sides[0].analysis))
          : '',
      dot: { left: `${scale.value(value)}%` },
      bar: {
        left: `${scale.value(value - spread)}%`,
        width: `${scale.value(value + spread) - scale.value(value - spread)}%`,
      },
    }
  }),
)
const assumed = computed(() => props.ranking.repeatability.assumed)
/** As its path is drawn: one of those in ink, or the one that is lifted. */
const isInked = ({ key }: (typeof rows.value)[number]) =>
  !lifts.value || lifted.value === null ? props.inked.has(key) : lifted.value === key
const isLong = computed(() => props.setups.length > MOST_INKS)
/** With more set-ups than inks one is lifted out by its name; so many repeats of one share its ink, and none can be. */
const lifts = computed(() => isLong.value && !props.alone)
</script>

<template>
  <section aria-label="Ranking">
    <ol :class="{ many: isLong }" :tabindex="isLong ? 0 : undefined">
      <li
        v-for="row in rows"
        :key="row.key"
        :class="{ leads: row.place.leads && !alone }"
        :data-testid="`place-${row.place.verdict}`"
      >
        <div class="line">
          <span
            ><InkMark v-if="isInked(row)" :ink="row.ink" />
            <button
              v-if="lifts"
              type="button"
              class="lift"
              :aria-pressed="lifted === row.key"
              :title="`Lift ${row.name} out`"
              @click="lifted = lifted === row.key ? null : row.key"
            >
              <strong>{{ row.name }}</strong>
            </button>
            <strong v-else>{{ row.name }}</strong></span
          >
          <span class="figure"
            >{{ row.value }} <span class="quiet">{{ row.spread }}</span></span
          >
        </div>
        <div v-if="row.spread" class="scale" aria-hidden="true">
          <span class="bar drawn" :style="row.bar"></span><span class="dot drawn" :style="row.dot"></span>
        </div>
        <p class="quiet">{{ [row.words, row.runs].filter(Boolean).join(' · ') }}</p>
      </li>
    </ol>
    <p v-if="alone" class="quiet small">The bars are twice what is known of each run by its own readings.</p>
    <p v-else class="quiet small">
      Runs are taken to repeat within
      <span :class="{ assumed }" :title="assumed ? 'Assumed: too few repeats tell' : undefined">{{
        figure(100 * ranking.repeatability.share, 1, '%')
      }}</span>{{ assumed ? ', assumed' : '' }}. The bars are twice what is known of a figure.
    </p>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 0;
}
.many {
  max-height: 62vh;
  overflow-y: auto;
}
.lift {
  min-height: 24px;
  text-align: left;
}
.lift[aria-pressed='true'] {
  color: rgb(var(--v-theme-primary));
}
li {
  padding: 2px 0 6px 12px;
  border-left: 3px solid transparent;
}
.leads {
  border-left-color: rgb(var(--v-theme-primary));
}
@media (forced-colors: active) {
  li:not(.leads) {
    border-color: Canvas;
  }
}
.line {
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: baseline;
}
.line .figure {
  margin-left: auto;
  white-space: nowrap;
}
.scale {
  position: relative;
  height: 8px;
  margin: 2px 0;
}
.scale::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 4px;
  border-top: var(--hairline);
}
.bar {
  position: absolute;
  top: 2px;
  height: 4px;
  opacity: 0.3;
}
.dot {
  position: absolute;
  top: 0;
  width: 8px;
  height: 8px;
  margin-left: -4px;
  border-radius: 50%;
}
p {
  font-size: 0.86rem;
}
.small {
  font-size: 0.8rem;
}
</style>
