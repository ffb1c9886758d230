import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf, type Samples } from '../trace/samples'
import { cut, integrate } from './integral'
import { covers } from './milestones'

/** Level and gain at a given time. Percentage points; NaN where it cannot be known. */
export interface Mark {
  atS: number
  percent: number
  /** The levels read on either side: the truth lies between. */
  low: number
  high: number
  /** Points gained since the first level read. */
  gain: number
  reason?: string
}

/** 5, 10, 15, 20, 30, 45, 60, 90 and 120 minutes, in seconds. */
export const DEFAULT_MARKS = [5, 10, 15, 20, 30, 45, 60, 90, 120].map((minutes) => minutes * 60)
/** A reading this close to the mark, in seconds, is the mark. */
export const MARK_TOLERANCE_S = 10

/** Levels at the given moments (seconds). Nothing is read past the last reading. */
export function marks(trace: Trace, atSeconds: Iterable<number> = DEFAULT_MARKS): Mark[] {
  const shown = samplesOf(trace.time, trace.percent)
  const power = samplesOf(trace.time, powerColumn(trace))
  return Array.from(atSeconds, (atS) => markAt(shown, power, atS))
}

function markAt(shown: Samples, power: Samples, atS: number): Mark {
  const { t, v } = shown
  if (t.length === 0) return unknown(atS, 'No battery level was read.')
  const start = v[0]
  const near = nearest(t, atS)
  if (Math.abs(t[near] - atS) <= MARK_TOLERANCE_S)
    return { atS, percent: v[near], low: v[near], high: v[near], gain: v[near] - start }
  const right = firstAtOrAfter(t, atS)
  if (right === t.length) return unknown(atS, 'The run ended before it.')
  if (right === 0) return unknown(atS, 'The first level was read after it.')
  const [from, to] = [v[right - 1], v[right]]
  const percent = from + (to - from) * shareDone(power, t[right - 1], t[right], atS)
  return { atS, percent, low: Math.min(from, to), high: Math.max(from, to), gain: percent - start }
}

/** How much of the step between two readings is done at `atS`: by energy where the meter covers it. */
function shareDone(power: Samples, from: number, to: number, atS: number): number {
  if (covers(power, from, to)) {
    const done = integrate(cut(power, from, atS), Infinity).measured
    const all = integrate(cut(power, from, to), Infinity).measured
    if (all > 0) return done / all
  }
  return (atS - from) / (to - from)
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
  reason,
})
