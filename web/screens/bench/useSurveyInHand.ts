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
  /** Once it is known what is in hand, and in which tab. */
  ready: Promise<void>
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

  /** Typed and on its way to storage: what is stored meanwhile for another reason holds it too. */
  let coming: readonly SurveyReading[] = []
  /** One typed reading after the other. */
  let turn = Promise.resolve()
  async function store() {
    if (elsewhere.value) return
    const list = [...readings.value, ...coming].sort((a, b) => a.t - b.t)
    await saveSurvey(
      isIn.value ? { ...choice(), pluggedAtMs: Date.now() - 1000 * now(), readings: list } : null,
    )
  }
  const keep = () => void store().catch(notices.fail)
  function plugIn() {
    pluggedAt.value = performance.now()
    seconds.value = 0
    keep()
  }
  function unplug() {
    const wasIn = isIn.value
    pluggedAt.value = null
    readings.value = coming = []
    if (wasIn) keep()
  }
  function note(reading: SurveyReading) {
    const source = pluggedAt.value
    const mine = turn.then(async () => {
      // Begun over meanwhile, it is no reading of the next one.
      if (pluggedAt.value !== source) return
      coming = [reading]
      await store().finally(() => (coming = []))
      if (pluggedAt.value === source)
        readings.value = [...readings.value, reading].sort((a, b) => a.t - b.t)
    })
    turn = mine.catch(() => undefined)
    return mine
  }
  function follow(list: readonly SurveyReading[]) {
    readings.value = list
    keep()
  }

  /** Across a reload only the machine's clock goes on; what was read was not read in the future. */
  async function goOn() {
    const kept = await loadSurvey()
    elsewhere.value = false
    if (!kept || isIn.value || !takeUp(kept)) return
    const elapsedS = Math.max(kept.readings.at(-1)?.t ?? 0, (Date.now() - kept.pluggedAtMs) / 1000)
    pluggedAt.value = performance.now() - 1000 * elapsedS
    readings.value = kept.readings
  }
  let giveUp: (() => void) | undefined
  /** The screen was left before the lock came: it is not kept by a tab that does not survey. */
  let isLeft = false
  const taken = async () => {
    if (isLeft) return lock.leave()
    await goOn()
  }
  /** Until then what is in hand is not known, and nothing may be written over it. */
  const ready = lock.take().then((isMine) => {
    if (isMine) return taken()
    elsewhere.value = true
    if (!isLeft) giveUp = lock.waitFor(() => void taken())
  })
  onScopeDispose(() => {
    isLeft = true
    giveUp?.()
    lock.leave()
  })
  return { ready, elsewhere, isIn, seconds, now, readings, plugIn, unplug, note, follow }
} // prettier-ignore
