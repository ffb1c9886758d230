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
import { lookNow } from './machineClock'

const BEAT_EVERY_MS = 2000
/** How often it is asked again about a jump that it told nothing of. */
const ASK_AGAIN_MS = 10_000
const TOLD_LATE =
  'That was not known until now: what was noted in between stands too early, and can be put right on the sheet.'

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
  /** Jumps taken for a clock that was set while the server told nothing: looked at again once it does, ms. */
  let assumedMs = 0
  let lastBeat = 0
  let lastAsked = 0
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
      lastAsked = pageNow
      inDoubt(jump)
    } else if ((assumedMs !== 0 || anchor.uptimeS === null) && !doubt && pageNow - lastAsked > ASK_AGAIN_MS) {
      lastAsked = pageNow
      inDoubt(0)
    }
    if (pageNow - lastBeat > BEAT_EVERY_MS) {
      lastBeat = pageNow
      void saveBeat(Date.now())
    }
  }

  /** One jump after the other; what is stamped waits for the last of them. */
  function inDoubt(jumpMs: number) {
    const before = doubt ?? Promise.resolve()
    const mine: Promise<void> = before
      .then(() => explain(jumpMs))
      .finally(() => {
        if (doubt === mine) doubt = undefined
      })
    doubt = mine
  }

  /** With the jumps that could only be assumed to be a set clock: the server's clock tells of them all at once. */
  async function explain(jumpMs: number) {
    const now = await lookNow()
    if (now.uptimeS === null && jumpMs === 0) return
    const told = now.uptimeS !== null || anchor.uptimeS === null
    const jump = explainJump(jumpMs + assumedMs, anchor, now)
    wallShiftMs += jump.setMs - assumedMs
    if (jump.sleptMs) onSlept(jump.sleptMs)
    const isLate = told && assumedMs !== 0 && jump.sleptMs !== 0
    const said = told ? jump : { sleptMs: 0, setMs: jumpMs }
    if (jumpMs !== 0 || isLate) notice.value = [jumpInWords(said), isLate ? TOLD_LATE : ''].join(' ').trim()
    assumedMs = told ? 0 : jump.setMs
    if (told) anchor = now
    // The last beat was by the clock as it stood before: a restart now would take it for one set back.
    void saveBeat(now.wallMs)
    onAnchor()
  }

  /** After a restart: how far the machine's clock was moved since the anchor was stored. */
  async function resume(stored: Anchor | null, shiftMs: number) {
    const now = await lookNow()
    const beat = await loadBeat()
    const absence = explainAbsence(stored ?? undefined, now, beat)
    wallShiftMs = shiftMs + absence.movedMs
    assumedMs = 0
    notice.value = absenceInWords(absence, beat, timeOfDay)
    anchor = now
    wallMinusPage = now.wallMs - now.pageMs
  }

  /** Resolves once no jump is in doubt: a moment taken on the page's clock before can be told now. */
  async function settled() {
    while (doubt) await doubt
  }

  /**
   * Before a lane starts: a jump before it is none of its clock. One that the server still tells nothing of stays for
   * good what it was taken for, or it would be found later and counted on a lane that began after it.
   */
  async function ready(pageNow: number) {
    watch(pageNow)
    if (assumedMs !== 0 && !doubt) inDoubt(0)
    await settled()
    if (assumedMs !== 0)
      anchor = { wallMs: Date.now(), pageMs: performance.now(), uptimeS: null, bootId: null }
    assumedMs = 0
    // A beat of an earlier evening may lie ahead, if the clock was set back since.
    void saveBeat(Date.now())
    if (anchor.uptimeS === null) inDoubt(0)
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
    ready,
    reset,
    /** Wall clock as it would be had nobody set it, ms. */
    steadyNow: () => Date.now() - wallShiftMs,
    shift: () => wallShiftMs,
    /** A tab that watches reckons with the shift that the other tab found. */
    adopt: (shiftMs: number) => (wallShiftMs = shiftMs),
    /** The anchor to store, so that the clock can be checked against it after a restart. */
    anchor: (): Anchor => ({
      wallMs: anchor.wallMs + assumedMs,
      uptimeS: anchor.uptimeS,
      bootId: anchor.bootId,
    }),
  }
}
