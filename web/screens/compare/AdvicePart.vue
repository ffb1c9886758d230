<script setup lang="ts">
import { computed } from 'vue'
import { DEFAULT_MARKS } from '@core/analysis/marks'
import { durationWithSpread, figure } from '@core/words/figures'
import { oddWords, purposeWords } from '@core/words/sentences/adviceWords'
import LadderChart from '../../charts/LadderChart.vue'
import InTurn from '../../components/InTurn.vue'
import CopyTable from '../../components/CopyTable.vue'
import FormPick from '../../forms/FormPick.vue'
import ThresholdField from './ThresholdField.vue'
import type { UseAdviceReturn } from './useAdvice'
import type { ChoiceApart } from './useApart'
import type { UseThresholdsReturn } from './useThresholds'
import { useSettings } from '../../stores/settings'

/** For whom which, the ladder of watts, and what sources that were not tested would do. */
const settings = useSettings()
const props = defineProps<{
  told: UseAdviceReturn
  thresholds: UseThresholdsReturn
  names: readonly string[]
  /** Gear for one device: there is something to choose, and watts can be set against what they brought. */
  isChoice: boolean
  /** The choice for each device or each way by itself, where there are several. */
  apart: readonly ChoiceApart[]
}>()
const { sharePercent, nightHours, warmC, ladderMinutes, topUpMinutes, options } = props.thresholds
const { advice, offered, odd, foreseen, curve, from } = props.told
const MINUTES = DEFAULT_MARKS.map((s) => ({ value: String(s / 60), title: `${s / 60} min` }))

const purposes = computed(() => [
  ...props.apart,
  ...purposeWords(advice.value, props.names, {
    ...options.value,
    atS: Number(ladderMinutes.value) * 60,
    topUpS: Number(topUpMinutes.value) * 60,
    gains: offered.value.map((o) => o.topUp),
    currency: settings.currency,
  }),
])
/** Of one set-up alone nothing can be chosen. */
const isOne = computed(() => props.names.length < 2)
const steps = computed(() => advice.value.ladder.steps.filter((s) => Number.isFinite(s.gain)))
const enough = computed(
  () => (steps.value.reduce((most, s) => Math.max(most, s.gain), 0) * sharePercent.value) / 100,
)
const points = computed(() =>
  steps.value.map((s) => ({ watts: s.ratedW, gain: s.gain, spread: 2 * s.uncertainty, name: props.names[s.index] })),
) // prettier-ignore
const pale = computed(() =>
  foreseen.value
    .filter((f) => Number.isFinite(f.gain))
    .map((f) => ({ watts: f.source.ratedWatts, gain: f.gain, spread: 0, name: `${f.source.name}, forecast` })),
) // prettier-ignore
const ladderTable = () => [
  ['Source', 'Rated', 'Gained', 'Share of the best'],
  ...steps.value.map((s) => [props.names[s.index], figure(s.ratedW, 0, 'W'), `${figure(s.gain, 1)} ± ${figure(2 * s.uncertainty, 1)}`, figure(100 * s.shareOfBest, 0, '%')]),
] // prettier-ignore
</script>

<template>
  <section :aria-label="isOne ? 'Odd results' : 'For whom which'">
    <h2 v-if="!isOne">For whom which</h2>
    <dl v-if="!isOne" class="purposes" data-testid="purposes">
      <div v-for="p in purposes" :key="p.purpose">
        <dt>{{ p.purpose }}</dt>
        <dd>{{ p.answer }}</dd>
      </div>
    </dl>
    <p v-if="apart.length" class="quiet" data-testid="apart">
      Each by itself, with its figures:
      <template v-for="(part, i) in apart" :key="part.name"
        >{{ i ? ', ' : ''
        }}<router-link
          :to="{ query: { ...$route.query, runs: part.runs.join(), baseline: undefined, accept: undefined } }"
          >{{ part.name }}</router-link
        ></template
      >.
    </p>
    <p v-else-if="advice.scope === 'mixed'" class="quiet">
      What to keep or buy is told of one device at a time: choose its runs alone.
    </p>
    <p v-else-if="advice.scope === 'ways'" class="quiet">
      What to keep or buy is told where each stands here once: choose runs that were made in one way.
    </p>
    <div v-if="!isOne" class="asked">
      <InTurn :turn="1">
        <template v-if="isChoice">
          <ThresholdField
            v-model="sharePercent"
            label="Enough is"
            suffix="% of the best"
            :low="1"
            :high="100"
          />
          <FormPick v-model="ladderMinutes" label="after" :items="MINUTES" density="compact" />
          <ThresholdField v-model="nightHours" label="A night has" suffix="h" :low="0.5" :high="24" />
        </template>
        <ThresholdField v-model="warmC" label="Warm from" suffix="°C" :low="25" :high="60" />
        <FormPick v-model="topUpMinutes" label="Before leaving" :items="MINUTES" density="compact" />
      </InTurn>
    </div>
    <InTurn :turn="2">
      <template v-if="odd.length">
        <h2>Odd results</h2>
        <ul data-testid="odd">
          <li v-for="(o, i) in odd" :key="i">{{ oddWords(o, names) }}</li>
        </ul>
      </template>
    </InTurn>
    <template v-if="isChoice && steps.length > 1">
      <div class="head">
        <h2>Watts against what they brought in {{ ladderMinutes }} min</h2>
        <CopyTable :table="ladderTable" name="the ladder" />
      </div>
      <div class="ladder">
        <div class="picture">
          <InTurn :turn="4">
            <LadderChart
              :points="points"
              :foreseen="pale"
              :curve="curve"
              :enough="enough"
              summary="Points gained against rated watts; the figures are in the table beside it"
            />
          </InTurn>
        </div>
        <div class="scroll-x" tabindex="0">
          <table class="ruled" data-testid="ladder">
            <thead>
              <tr>
                <th scope="col">Source</th>
                <th scope="col" class="number">Rated</th>
                <th scope="col" class="number">Gained</th>
                <th scope="col" class="number">of the best</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="s in steps"
                :key="s.index"
                :class="{ smallest: s.index === advice.ladder.smallest?.index }"
              >
                <th scope="row">{{ names[s.index] }}</th>
                <td class="number">{{ figure(s.ratedW, 0, 'W') }}</td>
                <td class="number">{{ figure(s.gain, 1) }} ± {{ figure(2 * s.uncertainty, 1) }}</td>
                <td class="number">
                  {{ figure(100 * s.shareOfBest, 0, '%')
                  }}<span v-if="s.ceiling" class="quiet" title="So near full that a difference is hidden">
                    near full</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </div>
    </template>
    <InTurn :turn="3">
      <template v-if="foreseen.length">
        <h2>Not tested: forecast</h2>
        <p class="quiet">
          What a full run of this device lets expect from {{ figure(from, 0, '%') }}, with twice its standard
          uncertainty. A forecast is no run, and is in no ranking.
        </p>
        <div class="scroll-x" tabindex="0">
          <table class="ruled forecast" data-testid="foreseen">
            <thead>
              <tr>
                <th scope="col">Source</th>
                <th scope="col" class="number">Settles on</th>
                <th scope="col" class="number">Half</th>
                <th scope="col" class="number">Full</th>
                <th scope="col" class="number">Gain in {{ ladderMinutes }} min</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="f in foreseen" :key="f.source.id">
                <th scope="row">
                  {{ f.source.name }}<span v-if="!f.source.owned" class="quiet"> not owned yet</span>
                </th>
                <td class="number">{{ figure(f.watts, 1, 'W') }}</td>
                <td v-for="(time, i) in [f.half, f.full]" :key="i" class="number">
                  {{ durationWithSpread(time.seconds, 2 * time.uncertaintyS) }}
                </td>
                <td class="number">{{ figure(f.gain, 0) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </InTurn>
  </section>
</template>

<style scoped>
.purposes > div {
  display: grid;
  grid-template-columns: minmax(220px, 440px) 1fr;
  gap: 4px 24px;
  padding: 4px 0;
  border-bottom: var(--hairline);
}
.purposes dd {
  font-weight: 600;
}
.asked {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 200px));
  gap: 4px 24px;
  margin-top: 10px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
}
.ladder {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 460px);
  gap: 8px 36px;
  align-items: start;
}
.picture {
  min-height: 260px;
}
.smallest {
  font-weight: 650;
}
.forecast :is(td, th) {
  font-style: italic;
}
@media (max-width: 960px) {
  .ladder,
  .purposes > div {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
