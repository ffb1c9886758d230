import { computed, reactive, ref, watch } from 'vue'
import { sameAgain } from '@core/bench/again'
import { isByHand } from '@core/bench/setup'
import { isSpot, USUAL_SPOT_MINUTES, type TypedSpot } from '@core/bench/spot'
import { entrySchema } from '@core/protocol/entry'
import { noConditions } from '@core/protocol/runConditions'
import { yupErrors } from '../../forms/yupErrors'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

const S_PER_MIN = 60

/** One spot check after the other: the lane that is one, the meter's count at its end, and the next source. */
export function useSpot() {
  const bench = useBench()
  const logbook = useLogbook()
  const notices = useNotices()
  const lane = computed(() => bench.lanes.find(({ setup }) => isSpot(setup)))
  /** The device, cable and minutes of the last one, with the next source. */
  function next(): TypedSpot {
    const made = logbook.runs.filter((r) => isSpot(r) && r.provenance !== 'import')
    const [devices, sources] = [logbook.devices.map((d) => d.id), logbook.sources.map((s) => s.id)]
    const again = sameAgain(made, { devices, sources })
    const last = made.at(-1)?.conditions
    const sourceId = again?.sourceId ?? sources[0] ?? ''
    const { cableId = null } = again ?? {}
    return {
      deviceId: again?.deviceId ?? devices[0] ?? '',
      sourceId,
      cableId: logbook.cable(cableId) ? cableId : null,
      startPercent: '',
      minutes: again?.stop.kind === 'duration' ? String(again.stop.seconds / S_PER_MIN) : USUAL_SPOT_MINUTES,
      feed: { kind: 'hand' },
      conditions: {
        ...noConditions(),
        deviceState: last?.deviceState ?? '',
        meterId: logbook.meter(last?.meterId ?? null) ? (last?.meterId ?? null) : null,
        fedFromId: logbook.source(sourceId)?.fedFromId ?? null,
        ambientC: '',
        restMinutes: '',
      },
    }
  }

  /** The count and the level now, as they are typed at the end. */
  const typed = reactive({ counterWh: '', percent: '' })
  const errors = ref<Partial<Record<keyof typeof typed, string>>>({})
  const saving = ref(false)
  /** When the count began to be typed: it was read off then, and not as the last digit was. */
  let seenAt: number | undefined
  watch(
    () => typed.counterWh,
    (text) => (seenAt = text === '' ? undefined : (seenAt ?? performance.now())),
    { flush: 'sync' },
  )
  /** What was noted already, of a run that could not be kept then. */
  let noted = ''
  const byHand = computed(() => lane.value !== undefined && isByHand(lane.value.setup))

  async function noteCount(): Promise<boolean> {
    const now = lane.value!
    if (!byHand.value || noted === now.setup.runId) return true
    errors.value = {}
    if (typed.counterWh.trim() === '') {
      errors.value = { counterWh: 'Type what the meter has counted, in Wh.' }
      return false
    }
    try {
      const read = entrySchema.validateSync({ ...typed }, { abortEarly: false })
      const { counterWh, percent } = read
      await bench.note(now, { counterWh, ...(percent === undefined ? {} : { percent }) }, seenAt)
    } catch (error) {
      errors.value = yupErrors(error)
      return false
    }
    noted = now.setup.runId
    return true
  }

  /** Notes the count and keeps the run. @returns the level that the next one starts at, '' where it was not read */
  async function keep(): Promise<string | undefined> {
    const now = lane.value
    if (!now || saving.value) return undefined
    saving.value = true
    try {
      if (!(await noteCount())) return undefined
      const level = typed.percent.trim()
      const run = await bench.finish(now, { spoilt: false, reason: '' })
      Object.assign(typed, { counterWh: '', percent: '' })
      noted = ''
      notices.say(`${logbook.source(run.sourceId)?.name ?? 'It'} is on record.`)
      return level
    } catch (error) {
      // The count is noted: what failed is done again by the same press.
      notices.fail(error)
      return undefined
    } finally {
      saving.value = false
    }
  }
  async function leave() {
    try {
      await bench.takeOff(lane.value!)
      noted = ''
      Object.assign(typed, { counterWh: '', percent: '' })
    } catch (error) {
      notices.fail(error)
    }
  }
  const leftS = computed(() => {
    const stop = lane.value?.setup.stop
    return stop?.kind === 'duration' ? Math.max(0, stop.seconds - lane.value!.elapsedS) : NaN
  })
  return { lane, next, typed, errors, saving, byHand, leftS, keep, leave }
}
