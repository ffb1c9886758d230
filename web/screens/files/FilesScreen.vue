<script setup lang="ts">
import { counted } from '@core/words/lists'
import { refDebounced, useEventListener } from '@vueuse/core'
import { format } from 'date-fns'
import { computed, ref } from 'vue'
import { download } from '../../composables/download'
import { useBench } from '../../stores/bench'
import { useCopies } from '../../stores/copies'
import { useFiles } from '../../stores/files'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { useStartup } from '../../stores/startup'
import LogbookImport from './LogbookImport.vue'
import CopiesPart from './CopiesPart.vue'
import PasteDialog from './PasteDialog.vue'
import PreferencesPart from './PreferencesPart.vue'
import SetApart from './SetApart.vue'
import TraceImport from './TraceImport.vue'
import WipeDialog from './WipeDialog.vue'

const logbook = useLogbook()
const files = useFiles()
const startup = useStartup()
const bench = useBench()
const copies = useCopies()
const notices = useNotices()
const wiping = ref(false)
const pasting = ref(false)
/** A short file is read before a bar could be seen: nothing jumps for it. */
const lasts = refDebounced(
  computed(() => files.busy),
  250,
)

async function exportLogbook() {
  try {
    // The day on the wall: late in the evening another one may have begun elsewhere.
    const day = format(new Date(), 'yyyy-MM-dd')
    download(`inkpath-logbook-${day}.json`, await logbook.exportText(), 'application/json')
    await copies.noteTaken()
  } catch (error) {
    notices.fail(error)
  }
}
/** What a logbook's file looks like, for programs of others. */
async function takeSchema() {
  const { logbookJsonSchema } = await import('@core/formats/logbookSchema')
  download(
    'inkpath-logbook.schema.json',
    JSON.stringify(logbookJsonSchema(), null, 2),
    'application/schema+json',
  )
}
const takeFaults = ({ file, all }: { file: string; all: string }) =>
  download(`${file}-faults.txt`, all, 'text/plain')
async function undoEdition() {
  try {
    await logbook.undoEdition()
    notices.say('The logbook is as it was before, with what was written since.', logbook.undoEdition)
  } catch (error) {
    notices.fail(error)
  }
}
function pick(chosen: File | File[] | null) {
  void files.openAll(Array.isArray(chosen) ? chosen : chosen ? [chosen] : [])
}
/** Cells pasted anywhere but into a field are a table to bring in. */
useEventListener('paste', (event: ClipboardEvent) => {
  const isField = (event.target as HTMLElement | null)?.closest('input, textarea')
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!isField && text.trim().includes('\n'))
    void files.openAll([new File([text], 'the pasted table', { type: 'text/csv' })])
})
</script>

<template>
  <div class="page">
    <h1>Files</h1>
    <p class="quiet">
      The logbook lives in this browser: {{ counted(logbook.devices.length, 'device') }},
      {{ counted(logbook.sources.length, 'source') }}, {{ counted(logbook.runs.length, 'run') }}. Take it out
      now and then; a file is the only copy that another machine can read.
    </p>
    <h2>Take out</h2>
    <v-btn-main :disabled="logbook.isEmpty" @click="exportLogbook">Take the whole logbook (JSON)</v-btn-main>
    <p class="quiet small deed">
      <v-btn size="small" class="flush" @click="takeSchema">Take the file’s schema (JSON Schema)</v-btn>
      <span>A single run’s trace is on its sheet, as CSV.</span>
    </p>
    <SetApart />
    <CopiesPart />
    <h2>Bring in</h2>
    <v-file-input
      label="Logbooks, traces, spreadsheets, packages"
      multiple
      variant="underlined"
      hide-details
      prepend-icon=""
      accept=".json,.jsonl,.csv,.tsv,.txt,.log,.md,.xlsx,.ods,.zip,application/json,text/csv"
      @update:model-value="pick"
    />
    <p class="quiet small deed">
      <v-btn size="small" class="flush" @click="pasting = true">Paste or type a table</v-btn>
      <span>JSON, CSV, XLSX, ODS or ZIP, several at once. Files can be dropped on any screen.</span>
    </p>
    <p v-if="files.waiting.length && !files.opened && !files.busy" class="one-end" role="status">
      {{ files.waiting.length }} {{ files.waiting.length === 1 ? 'record waits' : 'records wait' }}.
      <v-btn size="small" @click="files.openNext()">Go on with the next</v-btn>
      <v-btn size="small" @click="files.waiting = []"
        >Leave {{ files.waiting.length === 1 ? 'it' : 'them' }}</v-btn
      >
    </p>
    <p v-if="files.otherEnd" class="one-end" role="status">
      <strong>{{ files.otherEnd.file }}</strong> waits for the file that joins it{{
        files.opened ? '' : ': choose it above'
      }}. <v-btn size="small" @click="files.otherEnd = null">Leave it out</v-btn>
    </p>
    <div v-if="files.busy && lasts" class="reading" role="status">
      <v-progress-linear
        :model-value="100 * (files.progress ?? 0)"
        :indeterminate="files.progress === null"
      />
      <p>
        Reading the file{{ files.progress === null ? ' …' : `: ${Math.round(100 * files.progress)} %` }}
        <v-btn size="small" @click="files.cancel()">Stop reading</v-btn>
      </p>
    </div>
    <v-alert
      v-for="(refusal, i) in files.refusals"
      :key="i"
      type="error"
      variant="tonal"
      class="mt-4"
      role="alert"
    >
      <strong>{{ refusal.file }}</strong> was not taken in. {{ refusal.message }}
      <ul v-if="refusal.places.length">
        <li v-for="place in refusal.places" :key="place">{{ place }}</li>
      </ul>
      <template v-if="refusal.count > refusal.places.length">
        and {{ refusal.count - refusal.places.length }} more.
        <v-btn size="small" @click="takeFaults(refusal)">Take the whole list</v-btn>
      </template>
      Nothing stored was changed.
    </v-alert>
    <LogbookImport
      v-if="files.opened?.kind === 'logbook'"
      :file="files.opened.file"
      :incoming="files.opened.logbook"
      :from="files.opened.from"
    />
    <TraceImport
      v-else-if="files.opened?.kind === 'trace'"
      :key="`${files.opened.file} ${files.waiting.length} ${files.opened.taken?.length ?? 0}`"
      v-bind="files.opened"
    />
    <p v-if="logbook.canUndoEdition" class="quiet small deed">
      <v-btn size="small" class="flush" @click="undoEdition">Undo the last import or wipe</v-btn>
      <span>What was written since stays.</span>
    </p>
    <PreferencesPart />
    <h2>Start over</h2>
    <v-btn-other color="error" :disabled="logbook.isEmpty || bench.running" @click="wiping = true"
      >Wipe the logbook</v-btn-other
    >
    <v-btn v-if="startup.demoAvailable" class="ml-2" @click="startup.openDemo().catch(notices.fail)"
      >Bring in the demo logbook</v-btn
    >
    <p v-if="bench.running" class="quiet small">A run is on the bench; stop it first.</p>
    <WipeDialog v-model="wiping" />
    <PasteDialog v-model="pasting" />
  </div>
</template>

<style scoped>
.small {
  font-size: 0.88rem;
  margin-top: 6px;
}
.deed {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  column-gap: 4px;
}
.reading {
  max-width: 520px;
  margin-top: 12px;
}
ul {
  margin: 6px 0 6px 20px;
}
</style>
