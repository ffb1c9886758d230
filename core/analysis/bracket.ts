import { samplesOf, valueAt, type Samples } from '../trace/samples'
import type { Trace } from '../trace/trace'
import { cut, integrate, timeOfShare } from './integral'

/** A watched reading says when the display changed to within this many seconds before it was noted. */
export const WATCHED_WINDOW_S = 5
/** The level under a display is on average this far above what it shows, points: it floors, or is seen from the change. */
export const HALF_POINT = 0.5

/** Levels as they were shown: seconds, whole points, and which of them were watched as they changed; none where nobody did. */
export interface Shown extends Samples {
  watched: readonly (boolean | undefined)[]
}

/** The levels that were read, in their order. */
export function shownOf(trace: Trace): Shown {
  const samples = samplesOf(trace.time, trace.percent)
  const { percent, watched } = trace
  // Hardly any run has them, and a log of a million levels needs no flag for each.
  const flags: boolean[] = []
  if (percent && watched)
    trace.time.forEach((at, i) => {
      if (!Number.isNaN(percent[i]) && !Number.isNaN(at)) flags.push(watched[i] === 1)
    })
  return { ...samples, watched: flags }
}

/** The stretch between two readings of the level, from `t[at - 1]` to `t[at]`. */
export interface Bracket {
  fromS: number
  toS: number
  /** The level under the display at either end, points: half a point above what is shown, where nobody watched. */
  fromLevel: number
  toLevel: number
  /** The display turns full in it: it may have shown 100 at any moment. */
  saturates: boolean
}

/**
 * The bracket that ends with reading `at` (1 or more). Where the display turns full, the level reaches 100 at the
 * middle of it, or when that was watched: lower levels are interpolated towards that.
 */
export function bracketBefore({ t, v, watched }: Shown, at: number): Bracket {
  const saturates = v[at] >= 100 && !watched[at]
  return {
    fromS: t[at - 1],
    toS: saturates ? (t[at - 1] + t[at]) / 2 : t[at],
    fromLevel: v[at - 1] + (watched[at - 1] ? 0 : HALF_POINT),
    toLevel: saturates ? 100 : v[at] + (watched[at] ? 0 : HALF_POINT),
    saturates,
  }
}

/** The share of a bracket's step at which `level` is crossed, within 0–1. */
export function shareOf({ fromLevel, toLevel }: Bracket, level: number): number {
  const step = toLevel - fromLevel
  return step > 0 ? Math.min(1, Math.max(0, (level - fromLevel) / step)) : 1
}

/**
 * The moment between `from` and `to` at which `share` of the level's step is done: by delivered energy where
 * the meter covers the stretch, by time where it does not.
 */
export function timeAtShare(power: Samples, from: number, to: number, share: number): number {
  const byEnergy = covers(power, from, to) ? timeOfShare(cut(power, from, to), share) : NaN
  return Number.isNaN(byEnergy) ? from + share * (to - from) : byEnergy
}

/** How much of the step between two readings is done at `atS`: by energy where the meter covers it. */
export function shareDone(power: Samples, from: number, to: number, atS: number): number {
  if (covers(power, from, to)) {
    const done = integrate(cut(power, from, atS), { threshold: Infinity }).measured
    const all = integrate(cut(power, from, to), { threshold: Infinity }).measured
    if (all > 0) return done / all
  }
  return to > from ? (atS - from) / (to - from) : 1
}

/** Power that never turns round, known over the whole stretch: otherwise energy says nothing of the level. */
export function covers(power: Samples, from: number, to: number): boolean {
  if (Number.isNaN(valueAt(power, from)) || Number.isNaN(valueAt(power, to))) return false
  return cut(power, from, to).v.every((w) => w >= 0)
}
