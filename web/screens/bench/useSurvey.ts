import { computed, ref, watch } from 'vue'
import { held, outcomeOf, pluggedIn, typedSurvey, watchAtLeast, withSample } from '@core/bench/survey'
import { capacityOf } from '@core/gear/capacity'
import type { ChainAgreement } from '@core/gear/chain'
import { observationSchema } from '@core/gear/schema'
import type { ObservedOutcome } from '@core/gear/gear'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { useSurveyInHand } from './useSurveyInHand'
import { useSurveyMeter } from './useSurveyMeter'

const NOT_UNDERSTOOD = 'Type volts and amperes, like 5.2 2.34, or watts alone.'
/** Typed watts are those of the meter. */
const atMeter = ({ outcome, meterWatts }: ChainAgreement) => ({ outcome, watts: meterWatts })
const rounded = (n: number) => (Number.isFinite(n) ? Math.round(n * 1000) / 1000 : null)

/** A survey as it goes: one source at a time, and what was kept of the others. */
export function useSurvey() {
  const logbook = useLogbook()
  const notices = useNotices()
  const expectedOf = useExpected()
  const deviceId = ref(logbook.devices[0]?.id ?? '')
  const cableId = ref<string | null>(null)
  const sourceId = ref('')
  const typed = ref('')
  const error = ref('')
  const saving = ref(false)
  const [sound, note] = [ref(''), ref('')]
  const awake = ref<'awake' | 'asleep' | null>(null)
  const chosen = ref<ObservedOutcome | null>(null)
  /** What was taken up again was not changed by hand. */
  let takenUp = ''
  const here = () => [sourceId.value, deviceId.value, cableId.value].join()
  const choice = () => ({ deviceId: deviceId.value, sourceId: sourceId.value, cableId: cableId.value })
  const inHand = useSurveyInHand(choice, (kept) => {
    if (!logbook.device(kept.deviceId) || !logbook.source(kept.sourceId)) return false
    takenUp = [kept.sourceId, kept.deviceId, kept.cableId].join()
    deviceId.value = kept.deviceId
    cableId.value = kept.cableId
    sourceId.value = kept.sourceId
    return true
  })
  const { elsewhere, isIn, seconds, now, readings } = inHand
  let isKnown = false
  void inHand.ready.then(() => (isKnown = true))

  let rested = false
  const meter = useSurveyMeter((volts, amps) => {
    if (!isKnown || elsewhere.value) return
    if (!isIn.value) {
      const seen = pluggedIn(rested, amps)
      rested = seen.rested
      if (!seen.isIn) return
      plugIn()
    }
    inHand.follow(withSample(readings.value, { t: now(), volts, amps }))
  })
  watch(meter.meterId, () => (rested = false))

  /** The first on the shelf, after this one, that this device was not surveyed on. */
  function nextSource(): string {
    const done = new Set(
      logbook.observations.filter((o) => o.deviceId === deviceId.value && o.watts !== null).map((o) => o.sourceId),
    )
    const ids = logbook.sources.map((s) => s.id)
    const at = ids.indexOf(sourceId.value)
    const inTurn = [...ids.slice(at + 1), ...ids.slice(0, Math.max(0, at))]
    return inTurn.find((id) => !done.has(id)) ?? inTurn[0] ?? ids[0] ?? ''
  }
  watch(
    deviceId,
    () => {
      if (here() !== takenUp) sourceId.value = nextSource()
    },
    { immediate: true },
  )
  watch([sourceId, deviceId, cableId], () => {
    if (here() !== takenUp) unplug()
    takenUp = ''
  })

  const source = computed(() => logbook.source(sourceId.value))
  const expected = computed(() =>
    expectedOf({
      deviceId: deviceId.value,
      sourceId: sourceId.value,
      cableId: cableId.value,
      conditions: { fedFromId: source.value?.fedFromId ?? null },
    }),
  )
  const settled = computed(() => held(readings.value, source.value?.kind === 'wireless pad'))
  const watts = computed(() => settled.value?.watts ?? readings.value.at(-1)?.watts ?? NaN)
  /** Null until something was read. */
  const suggested = computed<ObservedOutcome | null>(() =>
    Number.isNaN(watts.value) || !expected.value ? null : outcomeOf(watts.value, atMeter(expected.value)),
  )
  const outcome = computed<ObservedOutcome | null>({
    get: () => chosen.value ?? suggested.value,
    set: (to) => (chosen.value = to === suggested.value ? null : to),
  })
  const claimS = computed(() => {
    const device = logbook.device(deviceId.value)
    return device ? watchAtLeast(watts.value, capacityOf(device).usableWh) : NaN
  })

  function unplug() {
    inHand.unplug()
    chosen.value = null
    typed.value = sound.value = note.value = error.value = ''
    awake.value = null
  }

  function plugIn() {
    inHand.plugIn()
    rested = false
  }

  /** Plugged in, then readings, then kept: each by Enter. */
  async function enter() {
    await inHand.ready
    error.value = ''
    // The same press twice is one.
    if (elsewhere.value || saving.value) return
    if (!isIn.value) return plugIn()
    if (typed.value.trim() === '') return keep()
    const read = typedSurvey(typed.value)
    if (!read) {
      error.value = NOT_UNDERSTOOD
      return
    }
    const written = typed.value
    saving.value = true
    try {
      await inHand.note({ t: now(), ...read })
    } catch (failure) {
      // The field keeps it: the same press notes it again.
      return notices.fail(failure)
    } finally {
      saving.value = false
    }
    if (typed.value === written) typed.value = ''
  }

  async function keep() {
    if (outcome.value === null) {
      error.value = `${NOT_UNDERSTOOD} Or choose the outcome.`
      return
    }
    const last = settled.value ?? readings.value.at(-1)
    const record = {
      id: crypto.randomUUID(),
      deviceId: deviceId.value,
      sourceId: sourceId.value,
      cableId: cableId.value,
      outcome: outcome.value,
      note: [note.value.trim(), last && !settled.value ? 'Had not settled.' : ''].filter(Boolean).join(' '),
      when: new Date().toISOString(),
      volts: rounded(last?.volts ?? NaN),
      amps: rounded(last?.amps ?? NaN),
      watts: rounded(last?.watts ?? NaN),
      watchedS: Math.round(now()),
      sound: sound.value.trim(),
      awake: awake.value,
    }
    saving.value = true
    try {
      observationSchema.validateSync(record)
      await logbook.put('observations', record)
      notices.say(`${source.value?.name ?? 'It'} is on record.`)
      sourceId.value = nextSource()
    } catch (failure) {
      // Nothing typed is lost: the source stays in hand.
      notices.fail(failure)
    } finally {
      saving.value = false
    }
  }
  return { meter, elsewhere, deviceId, cableId, sourceId, typed, error, seconds, isIn, readings, settled, expected, outcome, suggested, sound, awake, note, claimS, saving, enter, unplug }
} // prettier-ignore
