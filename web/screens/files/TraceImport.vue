<script setup lang="ts">
import { counted } from '@core/words/lists'
import { computed, ref, toRaw, useTemplateRef } from 'vue'
import { clock, duration } from '@core/words/figures'
import { dayAndTime, movedBy } from '@core/words/moments'
import { seemsMadeBy } from '@core/bench/ended'
import type { Protocol } from '@core/protocol/protocol'
import { channel } from '@core/trace/channels'
import { cut } from '@core/trace/cut'
import { channelsOf, durationOf } from '@core/trace/trace'
import PathChart from '../../charts/PathChart.vue'
import { useFiles } from '../../stores/files'
import type { JoinedEnds, OneEnd } from '../../stores/importedRun'
import type { OpenedTrace } from '../../stores/openingFiles'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { isLong } from '../../workers/handOver'
import PathsTable from '../../charts/PathsTable.vue'
import ColumnPicker from './ColumnPicker.vue'
import GivenFields from './GivenFields.vue'
import JoiningPart from './JoiningPart.vue'
import FormPick from '../../forms/FormPick.vue'
import ReadFaults from './ReadFaults.vue'
import { useCharges } from './useCharges'
import { useGiven } from './useGiven'
import { usePowerOn } from './usePowerOn'
import type { WideRun } from '@core/formats/wide'
import WideImport from './WideImport.vue'
import { useGoOn } from '../../composables/goOn'
import { idsAsWord, placeOf } from '../../composables/places'

const props = defineProps<Omit<OpenedTrace, 'kind'>>()
const files = useFiles()
const logbook = useLogbook()
const notices = useNotices()
const goOn = useGoOn()

const { given, day, all: givenFrom } = useGiven(props.file, props.opened.words)
const hasGear = computed(() => logbook.devices.length > 0 && logbook.sources.length > 0)
/** What the columns of several chargers, or devices, do not tell. */
const asks = ref({ device: true, source: false })
const isWide = ref(props.opened.wide.length > 1 && !props.opened.own)

const { charges, choices, chosen, charge, isLast } = useCharges(() => props)
const {
  idleS,
  cutIdle,
  typed: powerOn,
  error: powerOnError,
  fromS,
} = usePowerOn(
  () => props.result,
  () => charge.value,
)
const held = computed(() => {
  if (!props.result) return ''
  const { trace, startedAt } = props.result
  const begun = startedAt ? ` Begun ${dayAndTime(startedAt)}.` : ''
  const what = [
    ...channelsOf(trace).map((c) => channel(c).called),
    ...(Object.keys(trace.temperatures).length ? ['temperature'] : []),
  ]
  return `${counted(trace.time.length, 'reading')} over ${duration(durationOf(trace))}: ${what.join(', ')}.${begun}`
})
const partFromS = computed(() => charge.value?.fromS ?? 0)
/** The charge that becomes a run, of a record that holds several; else the record. */
const part = computed(() => {
  if (!props.result) return null
  const { trace } = props.result
  return charge.value ? cut(toRaw(trace), charge.value.fromS, charge.value.toS) : trace
})
/** Where power came on, in the picture. */
const ticks = computed(() => {
  if (charges.value.length === 0) return fromS.value > 0 ? [{ x: fromS.value, text: 'power-on' }] : []
  return charges.value.map(({ fromS: x }, i) => ({ x, text: `charge ${i + 1}` }))
})
/** The path before anything is kept. */
const preview = computed(() => {
  if (!props.result) return null
  const { trace, preview: of } = props.result
  return of.points.length > 1
    ? {
        paths: [{ label: of.unit === '%' ? 'Level' : 'Power', ink: 0, points: of.points }],
        unit: of.unit,
        until: durationOf(trace),
      }
    : null
})

/** What a long record is asked is told once it is taken: to look through it here would hold the page up. */
const seems = (protocol: Protocol) =>
  !props.result || isLong(props.result.trace) || seemsMadeBy(protocol, part.value!)
const all = () => ({
  ...givenFrom(fromS.value),
  ...(charge.value ? { charge: { at: chosen.value, untilS: charge.value.toS } } : {}),
})

/** Another file waits to be joined by this one. */
const thisEnd = computed(
  (): OneEnd | null =>
    props.result && {
      file: props.file,
      trace: part.value!,
      startedAt: movedBy(props.result.startedAt, partFromS.value),
      fromS: fromS.value - partFromS.value,
    },
)
const joining = computed(() => files.otherEnd !== null && thisEnd.value !== null && !isWide.value)
const join = useTemplateRef<{
  take: () => Promise<JoinedEnds | undefined>
  isAfter: boolean
  isReady: boolean
}>('join')
/** This file, or what it makes with those before it, waits for the next. */
async function joinAnother() {
  const made = joining.value ? await join.value?.take() : undefined
  const end = made ? { ...made, file: made.files, fromS: 0 } : thisEnd.value
  if (end) await files.joinNext(end, charge.value ? chosen.value : undefined)
}

const taking = ref(false)
async function take(wide?: WideRun[]) {
  taking.value = true
  const isNone = files.waiting.length === 0
  try {
    if (wide) {
      const ids = await files.takeWide(all(), wide)
      notices.say(`${counted(ids.length, 'run is', 'runs are')} in the logbook.`)
      if (isNone) await goOn({ path: '/side-by-side', query: { runs: idsAsWord(ids) } })
    } else {
      const joined = joining.value ? await join.value?.take() : undefined
      const made = props.taken?.flatMap(({ runId }) => runId ?? []) ?? []
      const isWhole = isLast.value
      const called = charge.value ? `Charge ${chosen.value + 1} of ${props.file}` : props.file
      const id = await files.takeTrace(joined ? { ...all(), fromS: 0, joined } : all())
      if (!id) return
      const leadsTo = made.length
        ? { path: '/side-by-side', query: { runs: idsAsWord([...made, id]) } }
        : placeOf('sheet', id)
      if (!isNone || !isWhole || !(await goOn(leadsTo))) notices.say(`${called} is a run.`)
    }
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
      <strong>{{ file }}</strong> {{ isWide ? '' : held }}
      <span v-if="files.waiting.length" class="quiet"
        >{{ files.waiting.length }} more {{ files.waiting.length === 1 ? 'waits' : 'wait' }}.</span
      >
    </p>
    <p v-for="text in isWide ? [] : (result?.assumed ?? [])" :key="text" class="quiet assumed">{{ text }}</p>
    <v-checkbox
      v-if="opened.wide.length > 1"
      v-model="isWide"
      density="compact"
      label="It has columns of several chargers, or devices: each becomes a run"
    />
    <template v-if="!isWide">
      <ReadFaults :file="file" :failure="failure" :result="result" />
      <FormPick
        v-if="charges.length"
        v-model="chosen"
        :label="`It holds ${charges.length} charges. Make a run of`"
        :items="choices"
        class="which"
      />
      <JoiningPart v-if="joining" ref="join" :first="files.otherEnd!" :second="thisEnd!" />
      <template v-else-if="preview">
        <PathChart
          :paths="preview.paths"
          :unit="preview.unit"
          :min="0"
          :max="preview.unit === '%' ? 100 : undefined"
          :until="preview.until"
          :height="170"
          :events="ticks"
          summary="The path of the file, before anything is kept"
          solid
        />
        <PathsTable :pictures="[{ ...preview, title: 'Before anything is kept' }]" :until="preview.until" />
      </template>
      <v-checkbox
        v-if="idleS > 0 && !joining && !powerOn.trim()"
        v-model="cutIdle"
        density="compact"
        :label="`Begin at power-on, ${clock(idleS)} in the file: what idled before it is left out`"
      />
    </template>
    <ColumnPicker
      v-if="!opened.own || failure"
      :opened="opened"
      :without="isWide ? opened.wide : []"
      @change="files.readColumns($event)"
    />
    <template v-if="result || isWide">
      <GivenFields
        v-if="hasGear"
        v-model:device-id="given.deviceId"
        v-model:source-id="given.sourceId"
        v-model:cable-id="given.cableId"
        v-model:meter-id="given.meterId"
        v-model:notes="given.notes"
        v-model:planned="given.planned"
        v-model:as-planned="given.asPlanned"
        v-model:day="day"
        v-model:power-on="powerOn"
        :asks="isWide ? asks : { device: true, source: true }"
        :asks-day="!result?.startedAt"
        :begun="movedBy(result?.startedAt ?? null, fromS) ?? all().startedAt"
        :asks-power-on="!isWide && !joining && result !== null"
        :power-on-error="powerOnError"
        :seems="seems"
      />
      <p v-else>
        Put the device and the source on the <router-link to="/shelf">shelf</router-link> first; the file
        stays open here.
      </p>
      <!-- Not as hints: one that came and went would move the buttons below from under the finger. -->
      <p v-if="hasGear && !isWide && !joining" class="quiet small">
        Without a date the run is kept as not dated; the clock at the switch is the record’s own, such as a
        film’s.
      </p>
    </template>
    <WideImport
      v-if="isWide && hasGear"
      :opened="opened"
      :taking="taking"
      @take="take"
      @asks="asks = $event"
    />
    <div class="d-flex flex-wrap ga-3 mt-3">
      <v-btn-main
        v-if="!isWide"
        :disabled="!result || !hasGear || powerOnError !== '' || (joining && !join?.isReady)"
        :loading="taking"
        @click="take()"
        >{{ joining ? 'Make them one run' : 'Make it a run' }}</v-btn-main
      >
      <v-btn-other
        v-if="result && !isWide && (!joining || join?.isAfter)"
        :disabled="joining && !join?.isReady"
        @click="joinAnother().catch(notices.fail)"
        >Join another file to it</v-btn-other
      >
      <v-btn @click="files.openNext()">Leave it</v-btn>
    </div>
  </section>
</template>

<style scoped>
.which {
  max-width: 420px;
  margin: 10px 0;
}
</style>
