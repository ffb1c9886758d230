<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { duration } from '@core/words/figures'
import { problemInWords } from '@core/formats/problem'
import type { TraceReadResult } from '@core/formats/traceCsv'
import { channel } from '@core/trace/channels'
import { channelsOf, durationOf } from '@core/trace/trace'
import FormPick from '../../forms/FormPick.vue'
import { download } from '../../composables/download'
import { useFiles } from '../../stores/files'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import type { OpenedTable } from '../../workers/files.worker'
import ColumnPicker from './ColumnPicker.vue'

const props = defineProps<{
  file: string
  opened: OpenedTable
  result: TraceReadResult | null
  failure: string
}>()
const files = useFiles()
const logbook = useLogbook()
const notices = useNotices()
const router = useRouter()
const MOST_SHOWN = 12

const pair = reactive({
  deviceId: logbook.devices[0]?.id ?? '',
  sourceId: logbook.sources[0]?.id ?? '',
  cableId: null as string | null,
})
const named = (items: readonly { id: string; name: string }[]) =>
  items.map((i) => ({ value: i.id, title: i.name }))
const hasGear = computed(() => logbook.devices.length > 0 && logbook.sources.length > 0)
const held = computed(() => {
  if (!props.result) return ''
  const { trace } = props.result
  const what = [
    ...channelsOf(trace).map((c) => channel(c).called),
    ...(Object.keys(trace.temperatures).length ? ['temperature'] : []),
  ]
  return `${trace.time.length} readings over ${duration(durationOf(trace))}: ${what.join(', ')}.`
})

const takeFaults = () =>
  download(
    `${props.file}-faults.txt`,
    (props.result?.problems ?? []).map(problemInWords).join('\n'),
    'text/plain',
  )

const taking = ref(false)
async function take() {
  taking.value = true
  try {
    const id = await files.takeTrace({ ...pair })
    if (id) await router.push(`/sheet/${id}`)
  } catch (error) {
    notices.fail(error)
  } finally {
    taking.value = false
  }
}
</script>

<template>
  <section class="mt-4" aria-label="A trace to bring in">
    <p>
      <strong>{{ file }}</strong> {{ held }}
    </p>
    <p v-for="text in result?.assumed ?? []" :key="text" class="quiet assumed">{{ text }}</p>
    <v-alert v-if="failure" type="error" variant="tonal" role="alert" class="my-3"
      >{{ failure }} Nothing stored was changed.</v-alert
    >
    <v-alert v-if="result?.problems.length" type="warning" variant="tonal" role="alert" class="my-3">
      {{ result.problemCount }} {{ result.problemCount === 1 ? 'place' : 'places' }} could not be read;
      everything else is kept.
      <ul>
        <li v-for="(problem, i) in result.problems.slice(0, MOST_SHOWN)" :key="i">
          {{ problemInWords(problem) }}
        </li>
      </ul>
      <span v-if="result.problemCount > MOST_SHOWN"
        >and {{ result.problemCount - MOST_SHOWN }} more.
        <v-btn size="small" @click="takeFaults">Take the list</v-btn></span
      >
    </v-alert>
    <ColumnPicker v-if="!opened.own || failure" :opened="opened" @change="files.readColumns($event)" />
    <template v-if="result">
      <div v-if="hasGear" class="pair">
        <FormPick v-model="pair.deviceId" label="Device" :items="named(logbook.devices)" />
        <FormPick v-model="pair.sourceId" label="Source" :items="named(logbook.sources)" />
        <FormPick
          v-model="pair.cableId"
          label="Cable"
          :items="[{ value: null, title: 'not recorded' }, ...named(logbook.cables)]"
        />
      </div>
      <p v-else>
        Put the device and the source on the <router-link to="/shelf">shelf</router-link> first; the file
        stays open here.
      </p>
    </template>
    <div class="d-flex ga-3 mt-3">
      <v-btn-main :disabled="!result || !hasGear" :loading="taking" @click="take">Make it a run</v-btn-main>
      <v-btn @click="files.opened = null">Leave it</v-btn>
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 8px 24px;
}
ul {
  margin-left: 20px;
}
</style>
