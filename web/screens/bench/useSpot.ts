import { computed, reactive, ref, watch } from 'vue'
import { isByHand } from '@core/bench/setup'
import { lastCount } from '@core/bench/count'
import { offeredSpot } from '@core/bench/offered'
import { isSpot, leftOf, type TypedSpot } from '@core/bench/spot'
import { entrySchema } from '@core/protocol/entry'
import { yupErrors } from '../../forms/yupErrors'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { useDoubt } from './useDoubt'

/** One spot check after the other: the lane that is one, the meter's count at its end, and the next source. */
export function useSpot() {
  const bench = useBench()
  const logbook = useLogbook()
  const notices = useNotices()
  const doubtOf = useDoubt()
  /** A lane that a plan carried here is made on the bench, with all that its protocol asks. */
  const lane = computed(() => bench.lanes.find(({ setup }) => isSpot(setup) && setup.planned === null))
  /** The device, cable and minutes of the last one, with the next source. */
  const next = (): TypedSpot =>
    offeredSpot(
      logbook.runs.filter((r) => r.provenance !== 'import'),
      logbook,
    )

  /** The count and the level now, as they are typed at the end. */
  const typed = reactive({ counterWh: '', percent: '' })
  /** What is odd about what was typed: typed the same again, it is kept. */
  const question = ref('')
  let asked = ''
  const errors = ref<Partial<Record<keyof typeof typed, string>>>({})
  const saving = ref(false)
  let pressedAgain = false
  /** When the count began to be typed: it was read off then, and not as the last digit was. */
  let seenAt: number | undefined
  watch(
    () => typed.counterWh,
    (text) => (seenAt = text === '' ? undefined : (seenAt ?? performance.now())),
    { flush: 'sync' },
  )
  /** The count that is on the lane already: noted here and not kept yet, or on the bench, or before a reload. */
  const counted = computed(() =>
    lane.value && lane.value.count >= 0 ? lastCount(lane.value.state) : undefined,
  )
  const byHand = computed(() => lane.value !== undefined && isByHand(lane.value.setup))

  async function noteCount(): Promise<boolean> {
    errors.value = {}
    const held = { ...typed }
    const isTyped = Object.values(typed).some((text) => text.trim() !== '')
    if (!byHand.value || (counted.value && !isTyped)) return true
    if (typed.counterWh.trim() === '' && !counted.value) {
      errors.value = { counterWh: 'Type what the meter has counted, in Wh.' }
      return false
    }
    try {
      const read = entrySchema.validateSync(held, { abortEarly: false })
      const { counterWh, percent } = read
      const values = {
        ...(counterWh === undefined ? {} : { counterWh }),
        ...(percent === undefined ? {} : { percent }),
      }
      const key = JSON.stringify([lane.value!.setup.runId, values])
      const doubt = asked === key ? null : doubtOf(lane.value!, values)
      question.value = doubt?.question ?? ''
      asked = doubt ? key : ''
      if (doubt) return false
      await bench.note(lane.value!, values, seenAt)
    } catch (error) {
      errors.value = yupErrors(error)
      return false
    }
    // It is on the lane: what fails from here on is done again by the same press, and nothing noted twice.
    for (const field of ['counterWh', 'percent'] as const) if (typed[field] === held[field]) typed[field] = ''
    return true
  }

  /** Notes the count and keeps the run. `goOn` gets the level that the next one starts at, '' where it was not read. */
  async function keep(goOn: (level: string) => void): Promise<void> {
    const now = lane.value
    if (!now) return
    if (saving.value) return void (pressedAgain = true)
    saving.value = true
    pressedAgain = false
    try {
      const level = typed.percent.trim()
      if (!(await noteCount())) return
      const run = await bench.finish(now, { spoilt: false, reason: '' })
      notices.say(`${logbook.source(run.sourceId)?.name ?? 'It'} is on record.`)
      goOn(level)
    } catch (error) {
      notices.fail(error)
    } finally {
      saving.value = false
    }
    // Refused, and pressed meanwhile with a later count: that press is not lost.
    if (pressedAgain && lane.value === now) await keep(goOn)
  }
  /** From the beginning: what was read by then stays on record as spoilt. */
  async function startOver() {
    const now = lane.value!
    try {
      if (now.state.readings.length > 1) await bench.finish(now, { spoilt: true, reason: 'Started over.' })
      else await bench.takeOff(now)
      question.value = asked = ''
      Object.assign(typed, { counterWh: '', percent: '' })
    } catch (error) {
      notices.fail(error)
    }
  }
  const leftS = computed(() => (lane.value ? leftOf(lane.value.setup, lane.value.elapsedS) : NaN))
  return { lane, next, typed, errors, question, saving, byHand, counted, leftS, keep, startOver }
}
