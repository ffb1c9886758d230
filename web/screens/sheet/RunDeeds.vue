<script setup lang="ts">
import { ref } from 'vue'
import { writeTraceCsv } from '@core/formats/traceCsvOut'
import type { Run, RunState } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'
import { download, fileName } from '../../composables/download'
import { useGoOn } from '../../composables/goOn'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import EditRunDialog from './EditRunDialog.vue'
import LeaveOutDialog from './LeaveOutDialog.vue'

/** What can be done with a run as a whole. */
const props = defineProps<{ run: Run; trace: Trace }>()
const logbook = useLogbook()
const notices = useNotices()
const goOn = useGoOn()
const editing = ref(false)
const cutting = ref(false)
const NEXT: Record<RunState, { to: RunState; label: string }> = {
  done: { to: 'set-aside', label: 'Set aside this run' },
  short: { to: 'done', label: 'Count it as done' },
  'set-aside': { to: 'done', label: 'Take this run back in' },
  spoilt: { to: 'done', label: 'Count it as sound' },
}

async function setState(to: RunState) {
  try {
    await logbook.changeRun(props.run.id, () => ({ state: to }))
  } catch (error) {
    notices.fail(error)
  }
}
async function remove() {
  try {
    const undo = await logbook.removeRun(props.run.id)
    await goOn('/sheet')
    notices.say('The run was deleted.', undo)
  } catch (error) {
    notices.fail(error)
  }
}
const takeCsv = () =>
  download(fileName(logbook.nameOf(props.run), 'csv'), writeTraceCsv(props.trace), 'text/csv')
/** As open data of battery tests have their columns. */
async function takeQuantities() {
  const { writeQuantityUnit } = await import('@core/formats/quantityUnit')
  download(
    fileName(`${logbook.nameOf(props.run)} quantities`, 'csv'),
    writeQuantityUnit(props.trace),
    'text/csv',
  )
}
</script>

<template>
  <div class="deeds">
    <v-btn size="small" @click="editing = true">Edit this run</v-btn>
    <v-btn size="small" @click="cutting = true">Leave a stretch out</v-btn>
    <v-btn size="small" @click="takeCsv">Take the trace (CSV)</v-btn>
    <v-btn size="small" @click="takeQuantities">Take it as “Quantity / unit”</v-btn>
    <v-btn size="small" @click="setState(NEXT[run.state].to)">{{ NEXT[run.state].label }}</v-btn>
    <v-btn size="small" @click="remove">Delete this run</v-btn>
    <LeaveOutDialog v-if="cutting" :run="run" :trace="trace" @done="cutting = false" />
    <EditRunDialog v-if="editing" :run="run" @done="editing = false" />
  </div>
</template>

<style scoped>
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 10px 0 0 -10px;
}
</style>
