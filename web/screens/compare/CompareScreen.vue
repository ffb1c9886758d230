<script setup lang="ts">
import { computed } from 'vue'
import { GOALS } from '@core/compare/ranking'
import { goalTab } from '@core/words/sentences/verdictSentence'
import PathChart from '../../charts/PathChart.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import FormPick from '../../forms/FormPick.vue'
import { useLogbook } from '../../stores/logbook'
import ComparisonTables from './ComparisonTables.vue'
import FairnessTable from './FairnessTable.vue'
import RankingList from './RankingList.vue'
import RunPicker from './RunPicker.vue'
import { useComparison } from './useComparison'
import { useVerdict } from './useVerdict'

const logbook = useLogbook()
const comparison = useComparison()
const { chosen, baseline, align, alignment, worked, rows, level, power, until, names, inks, busy } =
  comparison
const {
  goal,
  setups,
  names: setupNames,
  ranking,
  fair,
  blocking,
  accepted,
  sentence,
} = useVerdict(worked, () => alignment.value.percent !== null)
const enough = computed(() => chosen.value.length >= 2)
const judged = computed(() => enough.value && !busy.value)
/** A blocking difference stops the verdict until it is accepted; then the verdict says so. */
const stopped = computed(() => blocking.value.length > 0 && !accepted.value)
const differing = computed(() => blocking.value.map((r) => r.label.toLowerCase()).join(', '))
const odd = computed(() => fair.value.filter((r) => r.state !== 'equal'))
const ALIGN = [
  { value: 'start', title: 'from power-on' },
  { value: 'level', title: 'from the highest start level' },
]
const summary = computed(
  () =>
    `${chosen.value.length} charge curves on one clock: ${Object.values(names.value).join('; ')}. The figures are in the tables below.`,
)
</script>

<template>
  <div class="page compare">
    <h1 v-if="!judged || stopped">Side by side</h1>
    <h1 v-else data-testid="verdict">
      {{ sentence.text }} <span class="advice">{{ sentence.advice }}</span>
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
      <details :open="!enough" class="choose">
        <summary>
          {{ enough ? `${chosen.length} runs, against ${names[baseline]}. Choose others` : 'Choose runs' }}
        </summary>
        <RunPicker v-model:chosen="chosen" v-model:baseline="baseline" />
      </details>
      <p v-if="!enough" class="quiet">Choose at least two runs.</p>
      <p v-else-if="busy" role="status">Working out the figures …</p>
      <template v-if="judged">
        <v-alert v-if="stopped" type="warning" variant="tonal" role="alert" class="my-3" data-testid="unfair">
          No verdict: these runs differ in what decides it ({{ differing }}).
          <v-btn class="ml-2" @click="accepted = true">Compare all the same</v-btn>
          <v-btn v-if="align === 'start'" @click="align = 'level'">Set the clocks to a common level</v-btn>
        </v-alert>
        <div class="bar">
          <v-btn-toggle
            :model-value="goal.key"
            mandatory
            density="compact"
            @update:model-value="goal = GOALS.find((g) => g.key === $event)!"
          >
            <v-btn v-for="g in GOALS" :key="g.key" :value="g.key">{{ goalTab(g) }}</v-btn>
          </v-btn-toggle>
          <FormPick v-model="align" class="align" label="Clocks" :items="ALIGN" density="compact" />
        </div>
        <div class="desk">
          <div>
            <PathChart
              :paths="level"
              unit="%"
              :min="0"
              :max="100"
              :until="until"
              :height="270"
              :finish-level="100"
              :show-clock="!power.length"
              :summary="summary"
            />
            <template v-if="power.length">
              <h2 class="strip">Power <span class="quiet">W</span></h2>
              <PathChart
                :paths="power"
                unit=""
                :min="0"
                :until="until"
                :height="130"
                summary="Power of the same runs on the same clock"
              />
            </template>
          </div>
          <aside>
            <RankingList
              v-if="!stopped"
              :goal="goal"
              :ranking="ranking"
              :setups="setups"
              :names="setupNames"
              :inks="inks"
            />
            <p v-if="odd.length" class="quiet">
              Not equal: {{ odd.map((r) => r.label.toLowerCase()).join(', ') }}.
              <a href="#fairness">See the conditions</a>
            </p>
          </aside>
        </div>
        <ComparisonTables :rows="rows" :baseline="baseline" />
        <FairnessTable :rows="fair" :heads="setups.flatMap((s) => s.runs.map((r) => names[r.id]))" />
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
.bar {
  margin-top: 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  justify-content: space-between;
}
.bar :deep(.v-btn-toggle) {
  height: auto;
  flex-wrap: wrap;
}
.align {
  flex: 0 1 240px;
}
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 360px);
  gap: 8px 36px;
  align-items: start;
}
.desk > * {
  min-width: 0;
}
.strip {
  margin: 0 0 -4px 50px;
  font-size: 0.8rem;
}
@media (max-width: 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
