import { ref } from 'vue'
import * as journal from '../storage/journal'

/** A jump of the machine's clock smaller than this is drift, ms. */
const JUMP_MS = 2000
const BEAT_EVERY_MS = 2000
/** No test waits longer than this for the server's clock, ms. */
const ANSWER_WITHIN_MS = 1500

/** A moment that is known on the machine's clock and, where the server answers, on one that nobody can set. */
export interface Anchor {
  wallMs: number
  /** Seconds since the machine was started, sleep included; null when the server did not answer. */
  uptimeS: number | null
}

async function uptime(): Promise<number | null> {
  try {
    const response = await fetch('/api/clock', {
      cache: 'no-store',
      signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
    })
    const { uptimeS } = (await response.json()) as { uptimeS: unknown }
    return response.ok && typeof uptimeS === 'number' ? uptimeS : null
  } catch {
    return null
  }
}

export const anchorNow = async (): Promise<Anchor> => ({ wallMs: Date.now(), uptimeS: await uptime() })

const inWords = (ms: number): string => {
  const minutes = Math.round(Math.abs(ms) / 60_000)
  return minutes > 0 ? `${minutes} min` : `${Math.round(Math.abs(ms) / 1000)} s`
}

/**
 * Keeps the lanes' clocks right while the machine's clock is set, and while the machine sleeps. The page's own
 * clock cannot be set; the server's clock since start-up counts sleep as well. `onSlept` is told how long the page's
 * clock stood still, in ms; `onAnchor`, that there is something new to store.
 */
export function useBenchClock(onSlept: (sleptMs: number) => void, onAnchor: () => void) {
  const notice = ref('')
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  let wallShiftMs = 0
  /** Wall minus page clock as last seen: it only changes when somebody sets the machine's clock, or it slept. */
  let wallMinusPage = Date.now() - performance.now()
  let anchor: Anchor & { pageMs: number } = { wallMs: Date.now(), uptimeS: null, pageMs: performance.now() }
  let lastBeat = 0

  async function setAnchor() {
    const { wallMs, uptimeS } = await anchorNow()
    anchor = { wallMs, uptimeS, pageMs: performance.now() }
    wallMinusPage = wallMs - anchor.pageMs
  }

  /** Looks for a jump; called with every tick. */
  function watch(pageNow: number) {
    const jump = Date.now() - pageNow - wallMinusPage
    if (Math.abs(jump) >= JUMP_MS) {
      wallMinusPage += jump
      void explain(jump)
    }
    if (pageNow - lastBeat > BEAT_EVERY_MS) {
      lastBeat = pageNow
      void journal.saveBeat(Date.now())
    }
  }

  /** Sleep or a clock that was set? The server's clock tells them apart; without it, a set clock is assumed. */
  async function explain(jump: number) {
    const before = anchor
    const uptimeS = before.uptimeS === null ? null : await uptime()
    const page = performance.now()
    const stood = uptimeS === null ? 0 : (uptimeS - before.uptimeS!) * 1000 - (page - before.pageMs)
    const sleptMs = stood >= JUMP_MS ? stood : 0
    const setMs = jump - sleptMs
    wallShiftMs += setMs
    if (sleptMs) onSlept(sleptMs)
    const parts = []
    if (sleptMs)
      parts.push(
        `This machine slept for ${inWords(sleptMs)}; the runs’ clocks count it, and no reading was taken.`,
      )
    if (Math.abs(setMs) >= JUMP_MS)
      parts.push(
        `This machine’s clock was moved ${setMs > 0 ? 'forward' : 'back'} by ${inWords(setMs)}. The runs’ clocks did not change.`,
      )
    notice.value = parts.join(' ')
    await setAnchor()
    onAnchor()
  }

  /** After a restart: how far the machine's clock was moved since the anchor was stored. */
  async function resume(stored: Anchor | undefined, shiftMs: number) {
    wallShiftMs = shiftMs
    const now = await anchorNow()
    const sameBoot =
      stored && stored.uptimeS !== null && now.uptimeS !== null && now.uptimeS >= stored.uptimeS
    if (sameBoot) {
      const moved = now.wallMs - stored.wallMs - (now.uptimeS! - stored.uptimeS!) * 1000
      if (Math.abs(moved) >= JUMP_MS) {
        wallShiftMs += moved
        notice.value = `This machine’s clock was moved ${moved > 0 ? 'forward' : 'back'} by ${inWords(moved)} while the program was closed. Elapsed times are right all the same.`
      }
    } else await resumeByBeat()
    await setAnchor()
  }

  /** Without a clock to trust, a clock set back can still be told: the last sign of life lies in the future. */
  async function resumeByBeat() {
    const beat = await journal.loadBeat()
    if (beat === null || Date.now() >= beat - JUMP_MS) return
    wallShiftMs += Date.now() - beat
    notice.value = `This machine’s clock was set back while the program was closed. Elapsed times go on from ${new Date(beat).toLocaleTimeString()}; the time away is not counted.`
  }

  return {
    notice,
    watch,
    resume,
    setAnchor,
    reset: () => (wallShiftMs = 0),
    /** Wall clock as it would be had nobody set it, ms. */
    steadyNow: () => Date.now() - wallShiftMs,
    shift: () => wallShiftMs,
    /** A tab that watches reckons with the shift that the other tab found. */
    adopt: (shiftMs: number) => (wallShiftMs = shiftMs),
    /** The anchor to store, so that the clock can be checked against it after a restart. */
    anchor: (): Anchor => ({ wallMs: anchor.wallMs, uptimeS: anchor.uptimeS }),
  }
}
