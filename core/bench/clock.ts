/**
 * Clocks of a bench. A run's clock must not move when somebody sets the machine's, must count the machine's sleep,
 * and must be right after the program, or the machine, was restarted. Milliseconds unless a name says otherwise.
 */

/** A moment on the machine's clocks: the one that can be set, and the one since start-up that counts sleep. */
export interface Anchor {
  wallMs: number
  /** Seconds since the machine was started; null when nobody could tell. */
  uptimeS: number | null
  /** Names this start of the machine; null when nobody could tell. */
  bootId: string | null
}

/** An anchor as it was stored; null for what is none. */
export function readAnchor(stored: unknown): Anchor | null {
  const { wallMs, uptimeS, bootId } = (stored ?? {}) as Record<string, unknown>
  if (typeof wallMs !== 'number') return null
  return {
    wallMs,
    uptimeS: typeof uptimeS === 'number' ? uptimeS : null,
    bootId: typeof bootId === 'string' ? bootId : null,
  }
}

/** The same, with the page's own clock, which nobody can set and which stands still while the machine sleeps. */
export interface Sight extends Anchor {
  pageMs: number
}

/** A jump smaller than this is drift, ms. */
export const JUMP_MS = 2000

/** How far the wall clock has come away from the page's since they were last seen together, ms. */
export const jumpSince = (wallMs: number, pageMs: number, wallMinusPage: number): number =>
  wallMs - pageMs - wallMinusPage

/** What a jump was: time slept through, which the runs count, and time by which somebody set the clock. */
export interface Jump {
  sleptMs: number
  setMs: number
}

/**
 * Tells sleep from a clock that was set, by the clock since start-up. Without it, and whenever the machine is
 * another one by its boot id, a set clock is assumed: a run's clock that is not moved is the smaller mistake.
 */
export function explainJump(jumpMs: number, before: Sight, now: Sight): Jump {
  const sameBoot = before.bootId === now.bootId
  if (before.uptimeS === null || now.uptimeS === null || !sameBoot) return { sleptMs: 0, setMs: jumpMs }
  const stoodStill = (now.uptimeS - before.uptimeS) * 1000 - (now.pageMs - before.pageMs)
  const sleptMs = stoodStill >= JUMP_MS ? stoodStill : 0
  return { sleptMs, setMs: jumpMs - sleptMs }
}

/** What happened to the machine's clock while the program was away, and by how much it is to be corrected. */
export interface Absence {
  kind: 'same-boot' | 'restarted' | 'untold'
  /** To be taken out of the wall clock from now on, ms. */
  movedMs: number
  /** The machine's clock lies before the last sign of life: the time away cannot be known. */
  lostCount: boolean
}

/**
 * After the program was away. Within one boot the clock since start-up tells exactly by how much the wall clock was
 * moved. After a restart of the machine, or where nobody can tell, the wall clock is believed, unless it lies
 * before the last moment at which the bench was known to be alive.
 */
export function explainAbsence(stored: Anchor | undefined, now: Anchor, lastAliveMs: number | null): Absence {
  if (stored && isSameBoot(stored, now)) {
    const moved = now.wallMs - stored.wallMs - (now.uptimeS! - stored.uptimeS!) * 1000
    return { kind: 'same-boot', movedMs: Math.abs(moved) >= JUMP_MS ? moved : 0, lostCount: false }
  }
  const restarted = Boolean(stored?.bootId && now.bootId && stored.bootId !== now.bootId)
  const back = lastAliveMs !== null && now.wallMs < lastAliveMs - JUMP_MS
  return {
    kind: restarted ? 'restarted' : 'untold',
    movedMs: back ? now.wallMs - lastAliveMs : 0,
    lostCount: back,
  }
}

/**
 * The same start of the machine: by its boot id where it has one. Without, only if the time since start-up went on
 * just as the wall clock did: otherwise a machine restarted for longer than it had run before would pass for it.
 */
function isSameBoot(stored: Anchor, now: Anchor): boolean {
  if (stored.uptimeS === null || now.uptimeS === null || now.uptimeS < stored.uptimeS) return false
  if (stored.bootId !== null && now.bootId !== null) return stored.bootId === now.bootId
  const [wall, up] = [now.wallMs - stored.wallMs, (now.uptimeS - stored.uptimeS) * 1000]
  return Math.abs(wall - up) < JUMP_MS
}

const inWords = (ms: number): string => {
  const minutes = Math.round(Math.abs(ms) / 60_000)
  return minutes > 0 ? `${minutes} min` : `${Math.round(Math.abs(ms) / 1000)} s`
}
const direction = (ms: number): string => (ms > 0 ? 'forward' : 'back')

/** What a reviewer is told of a jump; '' when it needs no words. */
export function jumpInWords({ sleptMs, setMs }: Jump): string {
  const parts: string[] = []
  if (sleptMs >= JUMP_MS)
    parts.push(
      `This machine slept for ${inWords(sleptMs)}; the runs’ clocks count it, and no reading was taken.`,
    )
  if (Math.abs(setMs) >= JUMP_MS)
    parts.push(
      `This machine’s clock was moved ${direction(setMs)} by ${inWords(setMs)}. The runs’ clocks did not change.`,
    )
  return parts.join(' ')
}

/** What a reviewer is told of the time away; '' when it needs no words. `when` writes a time of day. */
export function absenceInWords(
  { kind, movedMs, lostCount }: Absence,
  lastAliveMs: number | null,
  when: (ms: number) => string,
): string {
  if (lostCount)
    return `This machine’s clock was set back while the program was closed. Elapsed times go on from ${when(lastAliveMs!)}; the time away is not counted.`
  if (movedMs !== 0)
    return `This machine’s clock was moved ${direction(movedMs)} by ${inWords(movedMs)} while the program was closed. Elapsed times are right all the same.`
  return kind === 'restarted'
    ? 'This machine was restarted while lanes ran. Elapsed times count the time away by its clock: check that it is right.'
    : ''
}
