<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { ValidationError, type Schema } from 'yup'
import { NO_HEAT, type Feed, type LaneChoice } from '@core/bench/setup'
import { agree } from '@core/gear/agree'
import { figure } from '@core/words/figures'
import type { StopRule } from '@core/logbook/run'
import { intervalSchema, startLevelSchema } from '@core/protocol/entry'
import { STOP_CHOICES } from '@core/protocol/stopping'
import { useBench } from '../../stores/bench'
import { useStrip } from '../../stores/strip'
import { useLogbook } from '../../stores/logbook'
import FeedPicker from './FeedPicker.vue'

const emit = defineEmits<{ started: [] }>()
const bench = useBench()
const logbook = useLogbook()
const strip = useStrip()

const INTERVALS = [1, 5, 10]
const choice = reactive({
  deviceId: logbook.devices[0].id,
  sourceId: logbook.sources[0].id,
  cableId: null as string | null,
  startPercent: '',
  interval: 5 as number | 'own',
  ownInterval: '',
  stop: 'shown-full' as StopRule['kind'],
  stopLevel: '80',
  stopMinutes: '30',
  feed: { kind: 'hand' } as Feed,
})
const errors = ref<Record<string, string>>({})
const failure = ref('')
const busy = ref(false)

const named = (items: readonly { id: string; name: string }[]) =>
  items.map((i) => ({ value: i.id, title: i.name }))
const expectation = computed(() => {
  const device = logbook.device(choice.deviceId)
  const source = logbook.source(choice.sourceId)
  if (!device || !source) return ''
  const a = agree(device, source, logbook.cable(choice.cableId) ?? null)
  const level = Number.isNaN(a.volts) ? '' : ` at ${figure(a.volts, 1, 'V')}`
  return a.watts > 0 ? `Expect up to ${figure(a.watts, 1, 'W')}${level}. ${a.why}` : a.why
})

/** Checks one typed value; remembers the message under the field's name. */
function check<T>(field: string, schema: Schema<T>, typed: unknown): T | undefined {
  try {
    return schema.validateSync(typed)
  } catch (error) {
    errors.value[field] = (error as ValidationError).message
    return undefined
  }
}

function stopRule(): StopRule | undefined {
  switch (choice.stop) {
    case 'level': {
      const percent = check('stopLevel', startLevelSchema, choice.stopLevel)
      if (percent === 0) errors.value.stopLevel = 'The level must be above 0 %.'
      return percent ? { kind: 'level', percent } : undefined
    }
    case 'duration': {
      const minutes = check('stopMinutes', intervalSchema, choice.stopMinutes)
      return minutes ? { kind: 'duration', seconds: minutes * 60 } : undefined
    }
    default:
      return { kind: choice.stop }
  }
}

/** The lane as chosen; undefined, with the errors named, while something does not hold. */
function laneChoice(): LaneChoice | undefined {
  errors.value = {}
  failure.value = ''
  const startPercent = check('startPercent', startLevelSchema, choice.startPercent)
  const minutes =
    choice.interval === 'own' ? check('ownInterval', intervalSchema, choice.ownInterval) : choice.interval
  const stop = stopRule()
  const { feed } = choice
  if (feed.kind === 'instruments' && feed.ids.length === 0)
    failure.value = 'Choose at least one instrument, or read by hand.'
  if (startPercent === undefined || minutes === undefined || !stop) return undefined
  if (Object.keys(errors.value).length || failure.value) return undefined
  return {
    deviceId: choice.deviceId,
    sourceId: choice.sourceId,
    cableId: choice.cableId,
    // It was read from the display as it was typed here.
    start: { percent: startPercent, read: true },
    reading: feed.kind === 'hand' ? { kind: 'every', seconds: minutes * 60 } : { kind: 'meter', seconds: 1 },
    stop,
    feed: JSON.parse(JSON.stringify(feed)) as Feed,
    planned: null,
    checklist: [],
    heat: NO_HEAT,
  }
}

async function begin(how: 'start' | 'rig') {
  const lane = laneChoice()
  if (!lane) return
  busy.value = true
  try {
    if (how === 'start') await bench.start(lane)
    else await strip.add({ choice: lane, protocolName: '', plannedPercent: lane.start.percent, items: [] })
    emit('started')
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="setup" novalidate aria-label="A new lane" @submit.prevent="begin('start')">
    <v-select v-model="choice.deviceId" label="Device" :items="named(logbook.devices)" />
    <v-select v-model="choice.sourceId" label="Source" :items="named(logbook.sources)" />
    <v-select
      v-model="choice.cableId"
      label="Cable"
      :items="[{ value: null, title: 'not recorded' }, ...named(logbook.cables)]"
    />
    <v-text-field
      v-model="choice.startPercent"
      label="Start level"
      suffix="%"
      inputmode="decimal"
      :error-messages="errors.startPercent"
    />
    <v-select v-model="choice.stop" label="Stop" :items="STOP_CHOICES" />
    <v-text-field
      v-if="choice.stop === 'level'"
      v-model="choice.stopLevel"
      label="Stop level"
      suffix="%"
      inputmode="decimal"
      :error-messages="errors.stopLevel"
    />
    <v-text-field
      v-if="choice.stop === 'duration'"
      v-model="choice.stopMinutes"
      label="Stop after"
      suffix="min"
      inputmode="decimal"
      :error-messages="errors.stopMinutes"
    />
    <FeedPicker v-model="choice.feed" :seed="1 + logbook.runs.length" />
    <fieldset v-if="choice.feed.kind === 'hand'" class="wide">
      <legend>Read every</legend>
      <v-btn-toggle v-model="choice.interval" mandatory variant="outlined" color="primary">
        <v-btn v-for="m in INTERVALS" :key="m" :value="m">{{ m }} min</v-btn>
        <v-btn value="own">own</v-btn>
      </v-btn-toggle>
      <v-text-field
        v-if="choice.interval === 'own'"
        v-model="choice.ownInterval"
        class="own"
        label="Own interval"
        suffix="min"
        inputmode="decimal"
        :error-messages="errors.ownInterval"
      />
    </fieldset>
    <p class="wide">{{ expectation }}</p>
    <p v-if="failure" role="alert" class="wide failure">{{ failure }}</p>
    <div class="wide">
      <v-btn type="submit" size="large" variant="flat" color="primary" :loading="busy">Start the clock</v-btn>
      <v-btn size="large" variant="outlined" class="ml-3" @click="begin('rig')">Put it on the strip</v-btn>
      <span class="quiet hint"
        >Start as the switch goes on. Lanes put on the strip start together, later.</span
      >
    </div>
  </form>
</template>

<style scoped>
.setup {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 240px), 1fr));
  gap: 16px 32px;
  margin-top: 20px;
}
.wide {
  grid-column: 1 / -1;
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
.own {
  max-width: 160px;
}
.hint {
  margin-left: 16px;
}
.failure {
  color: rgb(var(--v-theme-error));
}
</style>
