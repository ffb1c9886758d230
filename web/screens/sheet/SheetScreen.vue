<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { resultSentence } from '@core/words/sentences/sentence'
import { isSimulated, RUN_STATE_WORDS, type RunState } from '@core/logbook/run'
import { writeTraceCsv } from '@core/formats/traceCsvOut'
import EmptyPage from '../../components/EmptyPage.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { download, fileName } from '../../composables/download'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import ConditionList from './ConditionList.vue'
import CorrectionList from './CorrectionList.vue'
import FigureTable from './FigureTable.vue'
import FindingList from './FindingList.vue'
import ReadingTable from './ReadingTable.vue'
import RunCharts from './RunCharts.vue'
import EventList from './EventList.vue'
import LoadTable from './LoadTable.vue'
import SetupList from './SetupList.vue'
import { useRun } from './useRun'

const props = defineProps<{ id: string }>()
const logbook = useLogbook()
const notices = useNotices()
const router = useRouter()
const { run, trace, analysis, state } = useRun(() => props.id)
const view = ref<'paths' | 'readings'>('paths')

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
const NEXT: Record<RunState, { to: RunState; label: string }> = {
  done: { to: 'set-aside', label: 'Set aside this run' },
  short: { to: 'done', label: 'Count it as done' },
  'set-aside': { to: 'done', label: 'Take this run back in' },
  spoilt: { to: 'done', label: 'Count it as sound' },
}

async function setState(to: RunState) {
  try {
    await logbook.changeRun(props.id, () => ({ state: to }))
  } catch (error) {
    notices.fail(error)
  }
}
async function remove() {
  try {
    const undo = await logbook.removeRun(props.id)
    await router.push('/sheet')
    notices.say('The run was deleted.', undo)
  } catch (error) {
    notices.fail(error)
  }
}
const takeCsv = () =>
  download(fileName(logbook.nameOf(run.value!), 'csv'), writeTraceCsv(trace.value!), 'text/csv')
</script>

<template>
  <div class="page">
    <EmptyPage
      v-if="!run"
      title="There is no such run"
      text="It may have been deleted, or belongs to another logbook."
    >
      <v-btn-main to="/sheet">See all runs</v-btn-main>
    </EmptyPage>
    <template v-else>
      <p><router-link to="/sheet" class="quiet">All runs</router-link></p>
      <h1><InkMark :ink="run.ink" /> {{ logbook.nameOf(run) }} <SimulatedTag v-if="isSimulated(run)" /></h1>
      <p v-if="run.state !== 'done'" class="state">{{ stateWords }}. {{ run.stateReason }}</p>
      <p v-if="state === 'working'" role="status">Working out the figures …</p>
      <p v-else-if="state === 'failed'" role="alert">
        This run’s readings could not be read from storage. Import the logbook’s file again.
      </p>
      <template v-if="analysis && trace">
        <p class="sentence" data-testid="sentence">{{ sentence }}</p>
        <p v-if="run.notes" class="quiet">{{ run.notes }}</p>
        <div class="bar">
          <v-btn-toggle v-model="view" mandatory>
            <v-btn value="paths">Paths</v-btn>
            <v-btn value="readings">Readings</v-btn>
          </v-btn-toggle>
          <span class="spacer" />
          <v-btn @click="takeCsv">Take the trace (CSV)</v-btn>
          <v-btn @click="setState(NEXT[run.state].to)">{{ NEXT[run.state].label }}</v-btn>
          <v-btn @click="remove">Delete this run</v-btn>
        </div>
        <template v-if="view === 'paths'">
          <RunCharts :run="run" :trace="trace" :analysis="analysis" :source-name="source?.name ?? ''" />
          <FigureTable :analysis="analysis" :run="run" />
          <FindingList :findings="analysis.findings" />
          <LoadTable :run="run" :trace="trace" />
          <EventList :run="run" :duration-s="analysis.durationS" />
          <ConditionList :run="run" />
          <SetupList :run="run" />
          <CorrectionList :run="run" />
        </template>
        <ReadingTable v-else :run="run" :trace="trace" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.sentence {
  font-size: 1.16rem;
  max-width: 68ch;
  margin: 8px 0 4px;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  margin: 14px 0;
}
.spacer {
  flex: 1;
}
.state {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}
</style>
