import { useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import type { SurveyReading } from '@core/bench/survey'
import { useNotices } from '../../stores/notices'
import { loadSurvey, saveSurvey } from '../../stores/surveyInHand'
import { tabLock } from '../../stores/tabLock'

/** What is on the table: the device, what feeds it and through what. */
export interface SurveyChoice {
  deviceId: string
  sourceId: string
  cableId: string | null
}
export interface UseSurveyInHandReturn {
  /** Another tab has the survey: here nothing is noted until it lets go. */
  elsewhere: Ref<boolean>
  isIn: ComputedRef<boolean>
  /** Since it was plugged in, s; by a clock that nobody sets. */
  seconds: Ref<number>
  now: () => number
  readings: ShallowRef<readonly SurveyReading[]>
  plugIn: () => void
  unplug: () => void
  /** Typed: it is in storage before it is shown. @throws where it cannot be stored */
  note: (reading: SurveyReading) => Promise<void>
  /** From an instrument, which goes on whatever the store says. */
  follow: (readings: readonly SurveyReading[]) => void
}

const TICK_MS = 500

/**
 * The source in hand: since when it is plugged in, and what was read of it. One tab has it; a reload or a crash loses
 * nothing of it.
 *
 * @param choice what is chosen, kept with it
 * @param takeUp told what was in hand; false where that is no longer on the shelf
 */
export function useSurveyInHand(choice: () => SurveyChoice, takeUp: (kept: SurveyChoice) => boolean): UseSurveyInHandReturn {
  const notices = useNotices()
  const lock = tabLock('inkpath-log-survey')
  const elsewhere = ref(false)
  const readings = shallowRef<readonly SurveyReading[]>([])
  const seconds = ref(0)
  /** Of the clock since the page opened, ms: one that is set moves nothing. */
  const pluggedAt = ref<number | null>(null)
  const isIn = computed(() => pluggedAt.value !== null)
  const now = () => (pluggedAt.value === null ? 0 : (performance.now() - pluggedAt.value) / 1000)
  useIntervalFn(() => (seconds.value = now()), TICK_MS)

  async function store(list: readonly SurveyReading[]) {
    if (elsewhere.value) return
    await saveSurvey(
      isIn.value ? { ...choice(), pluggedAtMs: Date.now() - 1000 * now(), readings: list } : null,
    )
  }
  const keep = () => void store(readings.value).catch(notices.fail)
  function plugIn() {
    pluggedAt.value = performance.now()
    seconds.value = 0
    keep()
  }
  function unplug() {
    const wasIn = isIn.value
    pluggedAt.value = null
    readings.value = []
    if (wasIn) keep()
  }
  async function note(reading: SurveyReading) {
    await store([...readings.value, reading])
    readings.value = [...readings.value, reading]
  }
  function follow(list: readonly SurveyReading[]) {
    readings.value = list
    keep()
  }

  /** Across a reload only the machine's clock goes on; what was read was not read in the future. */
  async function goOn() {
    elsewhere.value = false
    const kept = await loadSurvey()
    if (!kept || isIn.value || !takeUp(kept)) return
    const elapsedS = Math.max(kept.readings.at(-1)?.t ?? 0, (Date.now() - kept.pluggedAtMs) / 1000)
    pluggedAt.value = performance.now() - 1000 * elapsedS
    readings.value = kept.readings
  }
  let giveUp: (() => void) | undefined
  void lock.take().then((taken) => {
    if (taken) return goOn()
    elsewhere.value = true
    giveUp = lock.waitFor(() => void goOn())
  })
  onScopeDispose(() => {
    giveUp?.()
    lock.leave()
  })
  return { elsewhere, isIn, seconds, now, readings, plugIn, unplug, note, follow }
} // prettier-ignore
