import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf, type Samples } from '../trace/samples'
import { bracketBefore, shareDone, shownOf, type Shown } from './bracket'
import { pointsOff } from './pointsOff'

/** Level and gain at a given time. Percentage points; NaN where it cannot be known. */
export interface Mark {
  atS: number
  percent: number
  /** The levels read on either side: the truth lies between. */
  low: number
  high: number
  /** Points gained since the first level read. */
  gain: number
  /** Standard uncertainty of the gain, points. */
  uncertainty: number
  /** So near full, or so slow, that a lead vanishes here: it no longer tells sources apart. */
  ceiling: boolean
  reason?: string
}

/** 5, 10, 15, 20, 30, 45, 60, 90 and 120 minutes, in seconds. */
export const DEFAULT_MARKS = [5, 10, 15, 20, 30, 45, 60, 90, 120].map((minutes) => minutes * 60)
/** A reading this close to the mark, in seconds, is the mark. */
export const MARK_TOLERANCE_S = 10
/** Whole points, rectangular (GUM, JCGM 100:2008 §4.3.7). */
export const LEVEL_UNCERTAINTY = 1 / Math.sqrt(12)
/** A gain is the difference of two. */
export const GAIN_UNCERTAINTY = 1 / Math.sqrt(6)

/** From this level on a mark stands near the ceiling, %; so does one whose rate is below this share of the best. */
const CEILING_PERCENT = 95
const CEILING_RATE = 1 / 3
/** Over so long a rate is told, s: a display of whole points moves in jumps. */
const RATE_OVER_S = 300

/** Levels at the given moments (seconds). Nothing is read past the last reading. */
export function marks(trace: Trace, atSeconds: Iterable<number> = DEFAULT_MARKS): Mark[] {
  const shown = shownOf(trace)
  const power = samplesOf(trace.time, powerColumn(trace))
  const best = bestRate(shown)
  return Array.from(atSeconds, (atS) => {
    const mark = markAt(shown, power, atS)
    const rate = rateBefore(shown, atS)
    const slow = rate >= 0 && rate < CEILING_RATE * best
    return mark.reason ? mark : { ...mark, ceiling: mark.percent >= CEILING_PERCENT || slow }
  })
}

function markAt(shown: Shown, power: Samples, atS: number): Mark {
  const { t, v } = shown
  if (t.length === 0) return unknown(atS, 'No battery level was read.')
  const start = v[0]
  const near = nearest(t, atS)
  if (Math.abs(t[near] - atS) <= MARK_TOLERANCE_S) return markOf(atS, v[near], v[near], v[near], start, 0)
  const right = firstAtOrAfter(t, atS)
  if (right === t.length) return unknown(atS, 'The run ended before it.')
  if (right === 0) return unknown(atS, 'The first level was read after it.')
  const [from, to] = [v[right - 1], v[right]]
  const bracket = bracketBefore(shown, right)
  const { fromS, toS } = bracket
  // Where the display turns full, it is full from the estimate of that moment on.
  const percent = atS >= toS ? to : from + (to - from) * shareDone(power, fromS, toS, atS)
  const inside = atS >= toS ? 0 : Math.abs(pointsOff(shown, power, right, bracket, atS))
  return markOf(atS, percent, Math.min(from, to), Math.max(from, to), start, inside)
}

const markOf = (
  atS: number,
  percent: number,
  low: number,
  high: number,
  start: number,
  /** What the curve between two readings adds, points. */
  inside: number,
): Mark => ({
  atS,
  percent,
  low,
  high,
  gain: percent - start,
  uncertainty: Math.hypot(GAIN_UNCERTAINTY, inside),
  ceiling: false,
})

/** Points per second over the last minutes before a moment; Infinity where too little was read to say. */
function rateBefore({ t, v }: Shown, atS: number): number {
  const end = firstAtOrAfter(t, atS + 1e-9) - 1
  if (end < 1) return Infinity
  const start = Math.max(0, firstAtOrAfter(t, t[end] - RATE_OVER_S + 1e-9) - 1)
  return t[end] > t[start] ? (v[end] - v[start]) / (t[end] - t[start]) : Infinity
}

/** A display that stood and then jumped makes one rate that nobody charged at: of so many, the best is left out. */
const LEAVES_ONE_OUT_FROM = 5

/** The best such rate of the run; of many the second best, since one jump of the display is none. */
function bestRate(shown: Shown): number {
  const { t } = shown
  const rates: number[] = []
  for (let at = RATE_OVER_S; t.length && at <= t[t.length - 1]; at += RATE_OVER_S) {
    const rate = rateBefore(shown, at)
    if (Number.isFinite(rate)) rates.push(rate)
  }
  rates.sort((a, b) => b - a)
  return Math.max(0, rates[rates.length >= LEAVES_ONE_OUT_FROM ? 1 : 0] ?? 0)
}

function nearest(t: Float64Array, atS: number): number {
  const right = firstAtOrAfter(t, atS)
  if (right === 0) return 0
  if (right === t.length) return right - 1
  return t[right] - atS < atS - t[right - 1] ? right : right - 1
}

const unknown = (atS: number, reason: string): Mark => ({
  atS,
  percent: NaN,
  low: NaN,
  high: NaN,
  gain: NaN,
  uncertainty: NaN,
  ceiling: false,
  reason,
})
