<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { FairnessRow } from '@core/compare/fairness'
import { isSound } from '@core/logbook/run'
import { choiceWords } from '@core/words/sentences/adviceWords'
import EmptyPage from '../../components/EmptyPage.vue'
import InTurn from '../../components/InTurn.vue'
import { useLogbook } from '../../stores/logbook'
import AdvicePart from './AdvicePart.vue'
import CompareBar from './CompareBar.vue'
import ComparePaths from './ComparePaths.vue'
import FairnessTable from './FairnessTable.vue'
import RankingList from './RankingList.vue'
import ResultsTable from './ResultsTable.vue'
import RunPicker from './RunPicker.vue'
import ThresholdPanel from './ThresholdPanel.vue'
import { useAddress } from './useAddress'
import { useAdvice } from './useAdvice'
import { useApart } from './useApart'
import { useComparison } from './useComparison'
import { useLeads } from './useLeads'
import { useSizes } from './useSizes'
import { PANELS, usePaths } from './usePaths'
import { useThresholds } from './useThresholds'
import { useUnderLoad } from './useUnderLoad'
import { useVerdict } from './useVerdict'
import { useWritingUp } from './useWritingUp'

const logbook = useLogbook()
const { word } = useAddress()
const route = useRoute()
const across = word('across', ['clock', 'level'])
const panel = word('panels', PANELS)
const comparison = useComparison()
const { chosen, baseline, align, runs, names, inks, inked, busy } = comparison
const thresholds = useThresholds(comparison)
const verdict = useVerdict(comparison, thresholds)
const {
  goal,
  setups,
  names: setupNames,
  lines,
  ranking,
  lineRanking,
  repeatability,
  fair,
  blocking,
  accepted,
  baseAt,
  sentence,
  reach,
} = verdict
const told = useAdvice(verdict, thresholds)
const apart = useApart(comparison, verdict, told, thresholds)
const underLoad = useUnderLoad(verdict)
const paths = usePaths(comparison, () => panel.value)
const { lifted } = paths
const enough = computed(() => chosen.value.length >= 2)
/** The lists of runs are made once somebody looks into them. */
const isChoosing = ref(false)
const judged = computed(() => enough.value && !busy.value)
/** A blocking difference stops the verdict until it is accepted; then the verdict says so. */
const stopped = computed(() => blocking.value.length > 0 && !accepted.value)
const differing = computed(() => blocking.value.map((r) => r.label.toLowerCase()).join(', '))
const namesOf = (state: FairnessRow['state']) =>
  fair.value.flatMap((r) => (r.state === state ? [r.label.toLowerCase()] : [])).join(', ')
const chosenWords = computed(() =>
  judged.value && setups.value.length === 1
    ? `${chosen.value.length} runs of one set-up`
    : `${chosen.value.length} runs, against ${names.value[baseline.value]}`,
)
const unequal = computed(() => namesOf('different'))
const unknown = computed(() => namesOf('unknown'))
const unsound = computed(() => runs.value.filter((r) => !isSound(r)).map((r) => names.value[r.id]))
const advice = computed(() =>
  choiceWords(goal.value, told.advice.value, setupNames.value, thresholds.prefer.value),
)
const withoutLevels = computed(() =>
  setups.value.some((s) => s.sides.some(({ analysis }) => Number.isNaN(analysis.startPercent))),
)
const isChoice = computed(() => told.advice.value.scope === 'gear')
const sizes = useSizes(verdict)
const changes = useLeads(verdict)
const { writeUp, backToWriteUp, writeItUp } = useWritingUp(sentence, repeatability, goal, () =>
  underLoad.quantities.value.some(({ kind }) => kind === 'score') ? verdict.scoreRepeatability.value : null,
)
</script>

<template>
  <div class="page compare">
    <h1 v-if="!judged || stopped">Side by side</h1>
    <h1 v-else data-testid="verdict">
      {{ sentence }} {{ reach }} <span class="advice">{{ advice }}</span>
    </h1>
    <EmptyPage
      v-if="logbook.runs.length < 2"
      title="Two runs are needed"
      text="Log two runs on the bench, or read their files; then set one against the other here."
    >
      <v-btn-main to="/bench">Go to the bench</v-btn-main>
    </EmptyPage>
    <template v-else>
      <p v-if="judged && accepted && differing" class="quiet">
        Compared although these differ: {{ differing }}.
      </p>
      <p v-if="unsound.length" class="quiet" data-testid="unsound">
        Spoilt or set aside, and still shown here: {{ unsound.join(', ') }}.
      </p>
      <div class="above">
        <details
          :open="!enough"
          class="choose"
          @toggle="isChoosing ||= ($event.target as HTMLDetailsElement).open"
        >
          <summary>
            {{ enough ? `${chosenWords}. Choose others` : 'Choose runs' }}
          </summary>
          <RunPicker v-if="isChoosing || !enough" v-model:chosen="chosen" v-model:baseline="baseline" />
        </details>
        <template v-if="judged">
          <v-btn size="small" :to="{ path: '/side-by-side/replay', query: route.query }"
            >Play them again</v-btn
          >
          <v-btn v-if="writeUp" size="small" color="primary" :to="backToWriteUp">Back to the write-up</v-btn>
          <v-btn v-else size="small" color="primary" @click="writeItUp">Write it up</v-btn>
        </template>
      </div>
      <p v-if="!enough" class="quiet">Choose at least two runs, or a question.</p>
      <p v-else-if="busy" role="status">Working out the figures …</p>
      <template v-if="judged">
        <v-alert v-if="stopped" type="warning" variant="tonal" role="alert" class="my-3" data-testid="unfair">
          No verdict: these runs differ in what decides it ({{ differing }}).
          <v-btn class="ml-2" @click="accepted = true">Compare all the same</v-btn>
          <v-btn v-if="align === 'start'" @click="align = 'level'">Set the clocks to a common level</v-btn>
        </v-alert>
        <CompareBar
          v-model:goal="goal"
          v-model:across="across"
          v-model:align="align"
          v-model:panel="panel"
          :without-levels="withoutLevels"
        />
        <div class="desk">
          <ComparePaths :paths="paths" :across="across" :names="Object.values(names)" />
          <aside>
            <InTurn v-if="!stopped" :turn="1">
              <RankingList
                v-model:lifted="lifted"
                :goal="goal"
                :ranking="lineRanking"
                :setups="lines"
                :names="lines.map(({ name }) => name)"
                :alone="setups.length < 2"
                :inks="inks"
                :inked="inked"
              />
            </InTurn>
            <p v-for="words in stopped ? [] : underLoad.sentences.value" :key="words" data-testid="score">
              {{ words }}
            </p>
            <p v-for="words in stopped ? [] : changes" :key="words" class="quiet" data-testid="lead-change">
              {{ words }}
            </p>
            <p v-if="sizes && !stopped" class="quiet" data-testid="sizes">{{ sizes }}</p>
            <p v-if="unequal || unknown" class="quiet">
              <template v-if="unequal">Not equal: {{ unequal }}. </template>
              <template v-if="unknown">Not known of all: {{ unknown }}. </template>
              <a href="#fairness">See the conditions</a>
            </p>
            <InTurn v-if="!stopped" :turn="2">
              <ThresholdPanel
                :thresholds="thresholds"
                :learnt="ranking.repeatability"
                :is-choice="isChoice"
              />
            </InTurn>
          </aside>
        </div>
        <InTurn v-if="!stopped && (setups.length > 1 || told.odd.value.length)" :turn="5">
          <AdvicePart
            :told="told"
            :thresholds="thresholds"
            :names="setupNames"
            :is-choice="isChoice"
            :apart="apart"
          />
        </InTurn>
        <InTurn :turn="8">
          <ResultsTable
            :setups="lines"
            :names="lines.map(({ name }) => name)"
            :inks="inks"
            :inked="inked"
            :baseline="baseAt"
            :under-load="underLoad.quantities.value"
            :prior-of="underLoad.priorOf"
            :silent="stopped"
            :alone="setups.length < 2"
          />
        </InTurn>
        <InTurn :turn="9">
          <FairnessTable :rows="fair" :heads="setups.flatMap((s) => s.runs.map((r) => names[r.id]))" />
        </InTurn>
      </template>
    </template>
  </div>
</template>

<style scoped>
.compare {
  padding-top: 18px;
  max-width: 1240px;
}
.compare h1 {
  font-size: 1.45rem;
}
.advice {
  color: rgb(var(--v-theme-primary));
}
.choose summary {
  min-height: 24px;
  font-size: 0.9rem;
  cursor: pointer;
}
.above {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: flex-start;
}
.choose {
  flex: 1 1 260px;
  min-width: 0;
}
.desk {
  margin-top: 8px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 360px);
  gap: 8px 36px;
  align-items: start;
}
.desk > * {
  min-width: 0;
}
@media (max-width: 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
