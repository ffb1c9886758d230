import { ref } from 'vue'
import {
  absenceInWords,
  explainAbsence,
  explainJump,
  JUMP_MS,
  jumpInWords,
  jumpSince,
  type Anchor,
  type Sight,
} from '@core/bench/clock'
import { timeOfDay } from '@core/words/moments'
import { loadBeat, saveBeat } from '../storage/benchSession'

const BEAT_EVERY_MS = 2000
/** No reading waits longer than this for the server's clock, ms. */
const ANSWER_WITHIN_MS = 1500

async function serverClock(): Promise<Pick<Anchor, 'uptimeS' | 'bootId'>> {
  try {
    const response = await fetch('/api/clock', {
      cache: 'no-store',
      signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
    })
    const { uptimeS, bootId } = (await response.json()) as { uptimeS: unknown; bootId: unknown }
    if (!response.ok || typeof uptimeS !== 'number') return { uptimeS: null, bootId: null }
    return { uptimeS, bootId: typeof bootId === 'string' ? bootId : null }
  } catch {
    return { uptimeS: null, bootId: null }
  }
}

async function lookNow(): Promise<Sight> {
  const server = await serverClock()
  return { wallMs: Date.now(), pageMs: performance.now(), ...server }
}

/**
 * Keeps the lanes' clocks right while the machine's clock is set, and while the machine sleeps. `onSlept` is told how
 * long the page's clock stood still, in ms; `onAnchor`, that there is something new to store.
 */
export function useBenchClock(onSlept: (sleptMs: number) => void, onAnchor: () => void) {
  const notice = ref('')
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  let wallShiftMs = 0
  /** Wall minus page clock as last seen: it only changes when somebody sets the machine's clock, or it slept. */
  let wallMinusPage = Date.now() - performance.now()
  let anchor: Sight = { wallMs: Date.now(), pageMs: performance.now(), uptimeS: null, bootId: null }
  let lastBeat = 0
  /** A jump that is not explained yet: until then no moment can be told for sure. */
  let doubt: Promise<void> | undefined

  /** The first sight of the machine's clocks: taken as the program opens, long before a lane needs it. */
  const seen = lookNow().then((sight) => {
    // A jump on the way to it is left for the watch to find, which then cannot tell sleep.
    if (anchor.uptimeS === null && Math.abs(jumpSince(sight.wallMs, sight.pageMs, wallMinusPage)) < JUMP_MS)
      anchor = sight
  })

  /** Looks for a jump; called with every tick, and before anything is stamped. */
  function watch(pageNow: number) {
    const jump = jumpSince(Date.now(), pageNow, wallMinusPage)
    if (Math.abs(jump) >= JUMP_MS) {
      wallMinusPage += jump
      const before = doubt ?? Promise.resolve()
      const mine: Promise<void> = before
        .then(() => explain(jump))
        .finally(() => {
          if (doubt === mine) doubt = undefined
        })
      doubt = mine
    }
    if (pageNow - lastBeat > BEAT_EVERY_MS) {
      lastBeat = pageNow
      void saveBeat(Date.now())
    }
  }

  async function explain(jumpMs: number) {
    const before = anchor
    const now = await lookNow()
    const jump = explainJump(jumpMs, before, now)
    wallShiftMs += jump.setMs
    if (jump.sleptMs) onSlept(jump.sleptMs)
    notice.value = jumpInWords(jump)
    anchor = now
    onAnchor()
  }

  /** After a restart: how far the machine's clock was moved since the anchor was stored. */
  async function resume(stored: Anchor | null, shiftMs: number) {
    const now = await lookNow()
    const beat = await loadBeat()
    const absence = explainAbsence(stored ?? undefined, now, beat)
    wallShiftMs = shiftMs + absence.movedMs
    notice.value = absenceInWords(absence, beat, timeOfDay)
    anchor = now
    wallMinusPage = now.wallMs - now.pageMs
  }

  /** Resolves once no jump is in doubt: a moment taken on the page's clock before can be told now. */
  async function settled() {
    while (doubt) await doubt
  }

  function reset() {
    wallShiftMs = 0
    notice.value = ''
  }

  return {
    notice,
    watch,
    settled,
    resume,
    /** Resolves once the machine's clocks have been seen. */
    seen,
    reset,
    /** Wall clock as it would be had nobody set it, ms. */
    steadyNow: () => Date.now() - wallShiftMs,
    shift: () => wallShiftMs,
    /** A tab that watches reckons with the shift that the other tab found. */
    adopt: (shiftMs: number) => (wallShiftMs = shiftMs),
    /** The anchor to store, so that the clock can be checked against it after a restart. */
    anchor: (): Anchor => ({ wallMs: anchor.wallMs, uptimeS: anchor.uptimeS, bootId: anchor.bootId }),
  }
}
