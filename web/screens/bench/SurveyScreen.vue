<script setup lang="ts">
import { computed, ref, watch as follow } from 'vue'
import { OBSERVED_WORDS } from '@core/gear/observed'
import { OBSERVED_OUTCOMES } from '@core/gear/gear'
import { isMoreThan } from '@core/protocol/suspicion'
import { clock, duration, figure } from '@core/words/figures'
import { expectationWords, moreThanExpectedWords } from '@core/words/sentences/pairWords'
import EmptyPage from '../../components/EmptyPage.vue'
import { named, namedOrNot } from '../../forms/choices'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { beep, say } from '../../composables/benchCall'
import { useLogbook } from '../../stores/logbook'
import { useSettings } from '../../stores/settings'
import SurveyBars from './SurveyBars.vue'
import { useSurvey } from './useSurvey'
import { BY_HAND } from './useSurveyMeter'

/** Thirty sources in an afternoon, a minute each: plugged in, settled, noted, next. */
const logbook = useLogbook()
const survey = useSurvey()
const { elsewhere, deviceId, cableId, sourceId, typed, error, seconds, isIn, readings, settled, expected } =
  survey
const { outcome, suggested, sound, awake, note, claimS, saving } = survey
const { meterId, meters, lost, look } = survey.meter
const input = ref<{ focus: () => void }>()

const AWAKE = [
  { value: null, title: 'not noted' },
  { value: 'awake', title: 'awake' },
  { value: 'asleep', title: 'asleep' },
]
const outcomes = computed(() => OBSERVED_OUTCOMES.map((value) => ({ value, title: OBSERVED_WORDS[value] })))
const readers = computed(() => [
  { value: BY_HAND, title: 'my hands' },
  ...meters.value.map((m) => ({ value: m.id, title: m.simulated ? `${m.name} (simulated)` : m.name })),
])
const byMeter = computed(() => meterId.value !== BY_HAND)
const LAST_ROWS = 5
const told = computed(() => {
  if (byMeter.value && lost.value)
    return `Nothing more from ${meterId.value}: ${lost.value}. It is asked again.`
  if (!isIn.value)
    return byMeter.value
      ? 'Plug it in: the clock starts as current flows, or by Enter.'
      : 'Plug it in, and press Enter.'
  if (settled.value) {
    const { volts, amps, watts } = settled.value
    const level = Number.isNaN(volts) ? '' : `${figure(volts, 2, 'V')}, ${figure(amps, 2, 'A')}, `
    return `Settled: ${level}${figure(watts, 1, 'W')}. Enter keeps it and goes on.`
  }
  if (byMeter.value) return readings.value.length === 0 ? 'Waiting for the meter.' : 'Not settled yet.'
  return readings.value.length === 0
    ? 'Type what the meter shows, like 5.2 2.34, and press Enter.'
    : 'Not settled yet: read it once more.'
})
const settings = useSettings()
/** Eyes and hands are at the plugs: that it has settled is called out. */
follow(
  () => isIn.value && settled.value !== null,
  (is) => {
    if (!is || !byMeter.value) return
    if (settings.sound) beep()
    if (settings.spoken) say(`Settled: ${figure(settled.value!.watts, 1)} watts.`)
  },
)
/** Enter does the next thing: plugged in, note a reading, keep and go on. */
async function enter() {
  await survey.enter()
  input.value?.focus()
}
/** A survey is there to see what nobody expected: said, and not asked. */
const more = computed(() => {
  const watts = settled.value?.watts ?? readings.value.at(-1)?.watts ?? NaN
  const most = expected.value?.meterWatts ?? NaN
  return isMoreThan(most, watts) ? moreThanExpectedWords(watts, most) : ''
})
const watch = computed(() =>
  outcome.value === 'connected' && Number.isFinite(claimS.value)
    ? `“Does not charge” is a claim after ${duration(claimS.value)} at these watts: until then one point may still come.`
    : '',
)
</script>

<template>
  <div class="page">
    <p><router-link to="/bench" class="quiet">Bench</router-link></p>
    <h1>Survey</h1>
    <p class="quiet">One device on many sources, a minute each. What is kept fills the grid of pairs.</p>
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to survey yet"
      text="A survey needs a device and some sources from the shelf."
    >
      <v-btn-main to="/shelf">Go to the shelf</v-btn-main>
    </EmptyPage>
    <v-alert v-else-if="elsewhere" type="info" variant="tonal" role="status" data-testid="elsewhere">
      The survey is in hand in another tab. It goes on here once that one is closed or left.
    </v-alert>
    <template v-else>
      <div class="fields">
        <FormPick v-model="deviceId" label="Device" :items="named(logbook.devices)" />
        <FormPick v-model="cableId" label="Cable" :items="namedOrNot(logbook.cables)" />
        <FormPick v-model="sourceId" label="Source" :items="named(logbook.sources)" />
        <FormPick v-model="meterId" label="Read by" :items="readers" @focus="look" />
      </div>
      <form class="now" novalidate @submit.prevent="enter">
        <h2>
          {{ logbook.source(sourceId)?.name }}
          <span class="figure quiet" role="timer">{{ isIn ? clock(seconds) : '' }}</span>
        </h2>
        <p v-if="expected" class="quiet">{{ expectationWords(expected, { withOutcome: true }) }}</p>
        <FormText
          ref="input"
          v-model="typed"
          label="Volts and amperes, or watts"
          :error="error"
          autofocus
          autocomplete="off"
          class="typed"
        />
        <p role="status" data-testid="survey-told">{{ told }}</p>
        <ul v-if="readings.length" class="readings figure quiet">
          <li v-for="r in readings.slice(-LAST_ROWS)" :key="r.t">
            {{ clock(r.t) }} {{ figure(r.volts, 2, 'V') }} {{ figure(r.amps, 2, 'A') }}
            {{ figure(r.watts, 1, 'W') }}
          </li>
        </ul>
        <div v-if="isIn" class="fields">
          <FormPick
            v-model="outcome"
            :label="outcome !== null && outcome === suggested ? 'Outcome, by the watts' : 'Outcome'"
            :items="outcomes"
          />
          <FormPick v-model="awake" label="The device is" :items="AWAKE" />
          <FormText
            v-model="sound"
            label="Sound"
            placeholder="once, every few seconds, none"
            maxlength="80"
          />
          <FormText v-model="note" label="Note" maxlength="300" />
        </div>
        <p v-if="more" role="status" data-testid="survey-more">{{ more }}</p>
        <p v-if="watch" class="quiet">{{ watch }}</p>
        <div class="deeds">
          <v-btn-main type="submit" size="large" :loading="saving">{{
            !isIn ? 'Plugged in' : typed.trim() ? 'Note it' : 'Keep it, next source'
          }}</v-btn-main>
          <v-btn v-if="isIn" @click="survey.unplug()">Start this one over</v-btn>
        </div>
      </form>
      <SurveyBars :device-id="deviceId" />
      <p class="quiet caution">
        Stop on swelling, smell, hissing, smoke or discolouration. A source of unknown make on a device you
        care about is your risk.
      </p>
    </template>
  </div>
</template>

<style scoped>
.now {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding: 2px 0 8px 18px;
  margin: 18px 0;
  max-width: 860px;
}
.typed {
  max-width: 340px;
}
.readings {
  list-style: none;
  padding: 0;
}
.deeds {
  display: flex;
  gap: 12px;
  margin-top: 10px;
}
.caution {
  font-size: 0.88rem;
}
</style>
