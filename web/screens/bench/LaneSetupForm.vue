<script setup lang="ts">
import { computed, watch } from 'vue'
import { NAMED_INTERVALS, offeredLane } from '@core/bench/offered'
import type { LaneChoice } from '@core/bench/setup'
import { takenBy } from '@core/bench/taken'
import { closeLane, laneChoiceSchema, laneField } from '@core/bench/typedLane'
import type { Meter } from '@core/gear/gear'
import { expectationWords } from '@core/words/sentences/pairWords'
import { named, namedOrNot } from '../../forms/choices'
import FormFailure from '../../forms/FormFailure.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import StopFields from '../../forms/StopFields.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useBench } from '../../stores/bench'
import { useStrip } from '../../stores/strip'
import { useNotices } from '../../stores/notices'
import { usePreparing } from '../../stores/preparing'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import FeedPicker from './FeedPicker.vue'

const emit = defineEmits<{ started: [] }>()
const bench = useBench()
const logbook = useLogbook()
const strip = useStrip()
const expectedOf = useExpected()

const instruments = (kind: Meter['kind']) => [
  { value: null, title: 'none' },
  ...named(logbook.meters.filter((m) => m.kind === kind)),
]
const onBench = [...strip.rigged.map(({ choice }) => choice), ...bench.lanes.map(({ setup }) => setup)]
/** Same again, next source: what was set up last, as far as it is on the shelf and not on the bench. */
const { lane: initial, isAgain } = offeredLane(
  [...logbook.runs.filter((r) => r.provenance !== 'import'), ...onBench],
  logbook,
  new Set(onBench.flatMap((s) => [s.deviceId, s.sourceId])),
)
const { form, values, submit, failure, busy } = useYupForm({
  schema: () => laneChoiceSchema,
  initial,
  shape: closeLane,
  fieldOf: (path): string => laneField(path, values),
})
const [interval] = form.defineField('interval')
const [feed] = form.defineField('feed')

const takes = computed(() => (logbook.source(values.sourceId)?.takes ?? '') !== '')
const feeders = computed(() => logbook.sources.filter((s) => s.id !== values.sourceId))
watch(
  () => values.sourceId,
  (id) => form.setFieldValue('conditions.fedFromId', logbook.source(id)?.fedFromId ?? null),
)
/** A rest that was timed is what it was; a drained device that starts is off the list. */
const preparing = usePreparing()
const notices = useNotices()
let timed = ''
watch(
  () => [values.deviceId, preparing.restedNow(values.deviceId)],
  () => {
    const typed = values.conditions.restMinutes
    // What the reviewer typed stands; what the clock says goes on.
    if (typed !== '' && typed !== timed) return
    const rested = preparing.restedNow(values.deviceId)
    if (rested === timed) return
    timed = rested
    form.setFieldValue('conditions.restMinutes', rested)
  },
  { immediate: true },
)
const expectation = computed(() => {
  const a = expectedOf(values)
  return a ? expectationWords(a) : ''
})
/** As it stands while the form is open: a lane may end meanwhile, here or in another tab. */
const taken = computed(() =>
  takenBy(
    values,
    [
      ...bench.lanes.map(({ setup }, i) => ({ place: `lane ${i + 1}`, uses: setup })),
      ...strip.rigged.map(({ choice }) => ({ place: 'the strip', uses: choice })),
    ],
    logbook,
  ),
)

const begin = submit(async (lane: LaneChoice, how: 'start' | 'rig') => {
  if (how === 'rig')
    await strip.add({ choice: lane, protocolName: '', plannedPercent: lane.start.percent, items: [] })
  else {
    await bench.start(lane)
    // The lane runs: what becomes of the list must not look as if it did not.
    void preparing.charging([lane.deviceId]).catch(notices.fail)
  }
  emit('started')
})
</script>

<template>
  <form class="fields setup" novalidate aria-label="A new lane" @submit.prevent="begin('start')">
    <p v-if="isAgain" class="wide quiet" data-testid="again">
      As last time, with the next source. Type the start level, and go.
    </p>
    <FormPick name="deviceId" label="Device" :items="named(logbook.devices)" />
    <FormPick name="sourceId" label="Source" :items="named(logbook.sources)" />
    <FormPick name="cableId" label="Cable" :items="namedOrNot(logbook.cables)" />
    <FormPick v-if="takes" name="conditions.fedFromId" label="Fed from" :items="namedOrNot(feeders)" />
    <FormText name="startPercent" label="Start level" suffix="%" numeric :autofocus="isAgain" />
    <FormPick
      v-if="logbook.meters.some((m) => m.kind === 'power meter')"
      name="conditions.meterId"
      label="Meter"
      :items="instruments('power meter')"
    />
    <FormPick
      v-if="logbook.meters.some((m) => m.kind === 'thermometer')"
      name="conditions.thermometerId"
      label="Thermometer"
      :items="instruments('thermometer')"
    />
    <FormText name="conditions.ambientC" label="Room" suffix="°C" numeric />
    <FormText name="conditions.restMinutes" label="Rested before" suffix="min" numeric />
    <FormText
      name="conditions.deviceState"
      label="State of the device"
      placeholder="Like asleep, flight mode"
    />
    <StopFields />
    <FeedPicker v-model="feed" :seed="1 + logbook.runs.length" />
    <fieldset v-if="feed.kind === 'hand'" class="wide">
      <legend>Read every</legend>
      <v-btn-toggle v-model="interval" mandatory>
        <v-btn v-for="m in NAMED_INTERVALS" :key="m" :value="m">{{ m }} min</v-btn>
        <v-btn value="own">own step</v-btn>
        <v-btn value="at">own minutes</v-btn>
      </v-btn-toggle>
      <FormText
        v-if="interval === 'own'"
        name="ownInterval"
        class="own"
        label="Own interval"
        suffix="min"
        numeric
      />
      <FormText
        v-if="interval === 'at'"
        name="atMinutes"
        class="minutes"
        label="At minutes"
        placeholder="5, 10, 15, 20, 30"
      />
    </fieldset>
    <fieldset class="wide">
      <legend>Temperatures, if any</legend>
      <FormText name="heatMinutes" class="minutes" label="At minutes" placeholder="10, 20, 30" />
      <FormText name="heatPlaces" class="minutes" label="Where" placeholder="front, back" />
    </fieldset>
    <div class="wide">
      <p>{{ expectation }}</p>
      <p class="taken" role="status">{{ taken.join(' ') }}</p>
    </div>
    <FormFailure :text="failure" />
    <div class="wide">
      <v-btn-main type="submit" size="large" :loading="busy">Start the clock</v-btn-main>
      <v-btn-other size="large" class="ml-3" @click="begin('rig')">Put it on the strip</v-btn-other>
      <span class="quiet hint"
        >Start as the switch goes on. Lanes put on the strip start together, later.</span
      >
    </div>
  </form>
</template>

<style scoped>
.taken {
  color: rgb(var(--v-theme-warning));
}
.setup {
  --field-least: 240px;
  gap: 16px 32px;
  margin-top: 20px;
}
fieldset {
  border: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
}
legend {
  font-size: 0.86rem;
  margin-bottom: 4px;
}
.setup :deep(.v-btn-toggle) {
  height: auto;
  flex-wrap: wrap;
}
.setup :deep(.v-btn-toggle .v-btn) {
  min-height: 40px;
}
.own {
  max-width: 160px;
}
.minutes {
  max-width: 260px;
}
.hint {
  margin-left: 16px;
}
@media (max-width: 760px) {
  .hint {
    display: block;
    margin: 8px 0 0;
  }
}
</style>
