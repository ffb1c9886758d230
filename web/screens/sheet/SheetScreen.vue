<script setup lang="ts">
import { computed, ref } from 'vue'
import { curveSentence } from '@core/words/sentences/curve'
import { resultSentence } from '@core/words/sentences/sentence'
import { durationOf } from '@core/trace/trace'
import { isSimulated, RUN_STATE_WORDS } from '@core/logbook/run'
import { capacityThen } from '@core/protocol/runConditions'
import { dayAndTime, ofRun } from '@core/words/moments'
import EmptyPage from '../../components/EmptyPage.vue'
import InTurn from '../../components/InTurn.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import ConditionList from './ConditionList.vue'
import CorrectionList from './CorrectionList.vue'
import FigureTable from './FigureTable.vue'
import CurveTables from './CurveTables.vue'
import FindingList from './FindingList.vue'
import KeyFigures from './KeyFigures.vue'
import ReadingTable from './ReadingTable.vue'
import RunCharts from './RunCharts.vue'
import EventList from './EventList.vue'
import RunDeeds from './RunDeeds.vue'
import LoadTable from './LoadTable.vue'
import SetupList from './SetupList.vue'
import { useFindings } from './useFindings'
import { useRun } from './useRun'

const props = defineProps<{ id: string }>()
const logbook = useLogbook()
const analyses = useAnalyses()
const { run, trace, kept, analysis, state } = useRun(() => props.id)
const view = ref<'paths' | 'level' | 'readings'>('paths')

const { shown: findings, loudest, others, letterOf } = useFindings(run, analysis)

const device = computed(() => logbook.device(run.value?.deviceId ?? ''))
const source = computed(() => logbook.source(run.value?.sourceId ?? ''))
const sentence = computed(() =>
  analysis.value && device.value && source.value
    ? resultSentence(device.value.name, source.value.name, analysis.value)
    : '',
)
const stateWords = computed(() => {
  const words = RUN_STATE_WORDS[run.value?.state ?? 'done']
  return words.charAt(0).toUpperCase() + words.slice(1)
})
</script>

<template>
  <div class="page sheet">
    <EmptyPage
      v-if="!run"
      title="There is no such run"
      text="It may have been deleted, or belongs to another logbook."
    >
      <v-btn-main to="/sheet">See all runs</v-btn-main>
    </EmptyPage>
    <template v-else>
      <p class="quiet above">
        <router-link to="/sheet" class="quiet">All runs</router-link>
        · {{ ofRun(dayAndTime)(run) }} <SimulatedTag v-if="isSimulated(run)" />
      </p>
      <div class="head">
        <h1><InkMark :ink="run.ink" /> {{ logbook.nameOf(run) }}</h1>
        <v-btn-toggle v-model="view" mandatory density="compact" :disabled="!trace">
          <v-btn value="paths">Paths</v-btn>
          <v-btn value="level">Against level</v-btn>
          <v-btn value="readings">Readings</v-btn>
        </v-btn-toggle>
      </div>
      <p v-if="run.state !== 'done'" class="state">{{ stateWords }}. {{ run.stateReason }}</p>
      <p v-if="state === 'working' && !analysis" class="sentence waits" role="status">
        Working out the figures …
      </p>
      <p v-else-if="state === 'failed'" role="alert">
        This run’s readings could not be read from storage. Import the logbook’s file again.
        <template v-if="kept">Its path is shown as it was drawn last.</template>
      </p>
      <template v-if="trace || kept">
        <p v-if="analysis" class="sentence" data-testid="sentence">
          {{ sentence }} <span class="quiet">{{ curveSentence(analysis) }}</span>
          <span v-if="state === 'working'" class="quiet" role="status"> Working out the figures …</span>
        </p>
        <p v-if="run.notes" class="quiet">{{ run.notes }}</p>
        <template v-if="!trace || view !== 'readings'">
          <div class="desk">
            <RunCharts
              :run="run"
              :trace="trace"
              :kept="kept"
              :analysis="analysis"
              :source-name="source?.name ?? ''"
              :across="view === 'level' ? 'level' : 'clock'"
              :letters="letterOf"
              :findings="findings"
            />
            <aside v-if="analysis && trace">
              <InTurn :turn="1"><KeyFigures :analysis="analysis" :run="run" /></InTurn>
              <InTurn :turn="2">
                <FindingList :run="run" :findings="loudest" :letter-of="letterOf" />
                <p v-if="others.length" class="quiet">
                  <a href="#findings">{{ others.length }} more below</a>
                </p>
              </InTurn>
              <InTurn :turn="3"><RunDeeds :run="run" :trace="trace" /></InTurn>
            </aside>
          </div>
          <template v-if="analysis && trace">
            <InTurn :turn="4">
              <CurveTables
                :analysis="analysis"
                :spot="analyses.spotOf(id)"
                :usable-wh="capacityThen(run.conditions).usableWh"
              />
            </InTurn>
            <InTurn :turn="5"><FigureTable :analysis="analysis" :run="run" /></InTurn>
          </template>
          <section v-if="others.length" id="findings" aria-label="Findings">
            <h2>More findings</h2>
            <FindingList :run="run" :findings="others" :letter-of="letterOf" />
          </section>
          <InTurn v-if="trace" :turn="6">
            <LoadTable :run="run" :trace="trace" />
            <EventList :run="run" :duration-s="durationOf(trace)" />
          </InTurn>
          <InTurn :turn="7"><ConditionList :run="run" /></InTurn>
          <InTurn :turn="8">
            <SetupList :run="run" />
            <CorrectionList :run="run" />
          </InTurn>
        </template>
        <template v-else>
          <RunDeeds :run="run" :trace="trace" />
          <ReadingTable :run="run" :trace="trace" />
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped>
.sheet {
  padding-top: 14px;
  max-width: 1240px;
}
.above {
  margin: 0;
  font-size: 0.86rem;
}
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 330px);
  gap: 8px 36px;
  align-items: start;
}
@media (max-width: 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
.sentence {
  font-size: 1.06rem;
  line-height: 1.35;
  margin: 0 0 4px;
}
/* As much as most sentences take: what is below them stays where it is. */
.waits {
  min-height: 2.7em;
}
@media (max-width: 760px) {
  .waits {
    min-height: 6.75em;
  }
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: center;
}
.head h1 {
  flex: 1 1 min(100%, 12em);
}
.state {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}
</style>
