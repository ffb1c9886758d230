import { powerColumn, type Trace } from '../trace/trace'
import { samplesOf, valueAt, type Samples } from '../trace/samples'
import { cut, timeOfShare } from './integral'

/** Time to a shown percentage, with its bracket. Seconds since power-on; NaN when not reached. */
export interface Milestone {
  percent: number
  /** Best estimate. */
  timeS: number
  /** Time of the last reading below. The truth lies in (earliest, latest]. */
  earliestS: number
  latestS: number
  /** The first reading that showed it, which reviewers quote. */
  firstSeenS: number
  /** Standard uncertainty. */
  uncertaintyS: number
  /** Why it has no time, in plain words; absent when reached. */
  reason?: string
}

export interface MilestoneOptions {
  /** Hand-reading delay as a standard uncertainty in seconds. Default 0: a meter has none. */
  handDelayS?: number
}

/** Levels that every analysis gives a time to, %. */
export const DEFAULT_MILESTONES = [50, 80, 90, 100] as const
/** Seconds between a number showing and a hand noting it. */
export const HAND_DELAY_S = 2

/**
 * Standard uncertainty in seconds of a time known to lie in a bracket `widthS` seconds wide: a rectangular
 * distribution, GUM JCGM 100:2008 §4.3.7, combined in quadrature with the reading delay.
 */
export const bracketUncertainty = (widthS: number, handDelayS = 0): number =>
  Math.hypot(widthS / Math.sqrt(12), handDelayS)

/** First instant at which the display shows `percent` or more (0–100). */
export function milestone(trace: Trace, percent: number, options: MilestoneOptions = {}): Milestone {
  const shown = samplesOf(trace.time, trace.percent)
  return milestoneOf(shown, samplesOf(trace.time, powerColumn(trace)), percent, options)
}

/** {@link milestone} for many percentages, sharing the work of finding the readings. */
export function milestones(
  trace: Trace,
  percents: Iterable<number>,
  options: MilestoneOptions = {},
): Milestone[] {
  const shown = samplesOf(trace.time, trace.percent)
  const power = samplesOf(trace.time, powerColumn(trace))
  return Array.from(percents, (p) => milestoneOf(shown, power, p, options))
}

function milestoneOf(
  shown: Samples,
  power: Samples,
  percent: number,
  { handDelayS = 0 }: MilestoneOptions,
): Milestone {
  const { t, v } = shown
  if (t.length === 0) return notReached(percent, 'No battery level was read.')
  if (v[0] > percent) return notReached(percent, `The run started above it, at ${v[0]} %.`)
  const seen = v.findIndex((level) => level >= percent)
  if (seen < 0) return notReached(percent, `The run ended below it, at ${v[v.length - 1]} %.`)

  const latestS = t[seen]
  // A run that starts at the level has shown it since before the first reading.
  const earliestS = seen > 0 ? t[seen - 1] : Math.min(0, latestS)
  return {
    percent,
    timeS: percent >= 100 || seen === 0 ? (earliestS + latestS) / 2 : crossing(shown, power, seen, percent),
    earliestS,
    latestS,
    firstSeenS: latestS,
    uncertaintyS: bracketUncertainty(latestS - earliestS, handDelayS),
  }
}

/** Where the level crosses `percent` between readings `seen - 1` and `seen`. */
function crossing({ t, v }: Samples, power: Samples, seen: number, percent: number): number {
  const [from, to] = [t[seen - 1], t[seen]]
  const share = (percent - v[seen - 1]) / (v[seen] - v[seen - 1])
  return timeAtShare(power, from, to, share)
}

/**
 * The moment between `from` and `to` at which `share` of the level's step is done: by delivered energy where
 * the meter covers the stretch, by time where it does not.
 */
export function timeAtShare(power: Samples, from: number, to: number, share: number): number {
  const byEnergy = covers(power, from, to) ? timeOfShare(cut(power, from, to), share) : NaN
  return Number.isNaN(byEnergy) ? from + share * (to - from) : byEnergy
}

/** Power that never turns round, known over the whole stretch: otherwise energy says nothing of the level. */
export function covers(power: Samples, from: number, to: number): boolean {
  if (Number.isNaN(valueAt(power, from)) || Number.isNaN(valueAt(power, to))) return false
  return cut(power, from, to).v.every((w) => w >= 0)
}

function notReached(percent: number, reason: string): Milestone {
  return {
    percent,
    timeS: NaN,
    earliestS: NaN,
    latestS: NaN,
    firstSeenS: NaN,
    uncertaintyS: NaN,
    reason,
  }
}
