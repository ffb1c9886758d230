import type { Reading } from '../trace/trace'

/** What is known of a lane when a reading is typed. */
export interface EntryContext {
  /** The level last read, in percent, and when, s; undefined before one was. */
  last: { t: number; percent: number } | undefined
  /** The watts last read; NaN before any were. */
  lastWatts: number
  /** Seconds since power-on, now. */
  t: number
  /** Usable capacity, Wh; NaN when unknown. */
  usableWh: number
  /** Most the pair is expected to settle on, as its meter shows it, W; NaN when unknown. */
  expectedWatts: number
  /** What the meter's count stood at as power came on, Wh; 0 where it was set to nothing. */
  countAtStartWh: number
}

/** A shown level may be a point late or early: only more than this is suspicious. */
const POINTS_OF_GRACE = 2
/** Power above what the pair should settle on by more than this share is suspicious. */
const POWER_GRACE = 1.25
/** The last digit of a small meter's count, and what flows while it is read off, Wh. */
const COUNT_GRACE_WH = 0.05

/** Something odd about an entry, as one question, and what kind of thing it is. */
export interface Doubt {
  cause: 'fell' | 'gain' | 'power' | 'count'
  question: string
}

/**
 * What is odd about an entry; null when nothing is. It may be kept all the same: a cause that was `settled` so is not
 * asked about again.
 */
export function suspicion(
  entry: Omit<Reading, 't'>,
  context: EntryContext,
  settled: ReadonlySet<Doubt['cause']> = new Set(),
): Doubt | null {
  const doubts = [
    levelSuspicion(entry.percent, entry, context),
    powerSuspicion(entry, context),
    countSuspicion(entry, context),
  ]
  return doubts.find((doubt) => doubt !== null && !settled.has(doubt.cause)) ?? null
}

function levelSuspicion(
  percent: number | undefined,
  entry: Omit<Reading, 't'>,
  c: EntryContext,
): Doubt | null {
  if (percent === undefined) return null
  const { last } = c
  if (!last) return null
  const gained = percent - last.percent
  // A display may waver by a point: a fall of one is no question.
  if (gained < -1)
    return { cause: 'fell', question: `The level fell from ${last.percent} to ${percent} %. Is that so?` }
  const most = mostGain(last, entry, c)
  if (gained > most + POINTS_OF_GRACE)
    return {
      cause: 'gain',
      question: `${gained} points since the last reading are more than the energy allows (about ${Math.max(0, Math.round(most))}). Is that so?`,
    }
  return null
}

/** Points that the strongest power seen or expected since the last level could have brought, lossless. */
function mostGain(last: { t: number }, entry: Omit<Reading, 't'>, c: EntryContext): number {
  const watts = (r: Omit<Reading, 't'>) => r.power ?? (r.voltage ?? NaN) * (r.current ?? NaN)
  const known = [c.lastWatts, watts(entry), c.expectedWatts].filter((w) => !Number.isNaN(w))
  if (known.length === 0 || Number.isNaN(c.usableWh)) return Infinity
  return ((known.reduce((a, b) => Math.max(a, b)) * (c.t - last.t)) / 3600 / c.usableWh) * 100
}

/** Whether watts are more than a pair should settle on; never of what is not known. */
export const isMoreThan = (expectedWatts: number, watts: number): boolean =>
  expectedWatts > 0 && watts > expectedWatts * POWER_GRACE

function powerSuspicion(entry: Omit<Reading, 't'>, c: EntryContext): Doubt | null {
  const watts = entry.power ?? (entry.voltage ?? NaN) * (entry.current ?? NaN)
  if (!isMoreThan(c.expectedWatts, watts)) return null
  return {
    cause: 'power',
    question: `${Math.round(watts * 10) / 10} W is more than the two should settle on (${Math.round(c.expectedWatts * 10) / 10} W). Is that so?`,
  }
}

/** A count that was not set to nothing, or typed without its point, comes to more than can have flowed by now. */
function countSuspicion({ counterWh }: Omit<Reading, 't'>, c: EntryContext): Doubt | null {
  if (counterWh === undefined) return null
  const gone = counterWh - c.countAtStartWh
  const most = (c.expectedWatts * POWER_GRACE * c.t) / 3600 + COUNT_GRACE_WH
  if (!(gone > most)) return null
  return {
    cause: 'count',
    question: `${Number(gone.toFixed(3))} Wh since power-on are more than the two should settle on (${Math.round(c.expectedWatts * 10) / 10} W). Was the count set to nothing?`,
  }
}
