import { powerColumn, type Trace } from '../trace/trace'
import { samplesOf, type Samples } from '../trace/samples'
import {
  bracketBefore,
  shareOf,
  shownOf,
  timeAtShare,
  WATCHED_WINDOW_S,
  type Bracket,
  type Shown,
} from './bracket'
import { pointsOff } from './pointsOff'

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
  /** True where the display was watched as it turned to this level. */
  watched: boolean
  /** Why it has no time, in plain words; absent when reached. */
  reason?: string
  /** The same in a word or two, for a table; absent when reached. */
  brief?: 'no level read' | 'started there' | 'started above' | 'not reached'
}

export interface MilestoneOptions {
  /** Hand-reading delay as a standard uncertainty in seconds. Default 0: a meter has none. */
  handDelayS?: number
}

/** Levels that every analysis gives a time to, %. */
export const DEFAULT_MILESTONES = [50, 80, 90, 100] as const
/** Seconds between a number showing and a hand noting it. */
export const HAND_DELAY_S = 2
/** A display shows what it is told every so many seconds. */
export const REFRESH_S = 5

/** Standard deviation of a rectangular distribution of full width 1 (GUM, JCGM 100:2008 §4.3.7). */
const RECTANGULAR = 1 / Math.sqrt(12)

/**
 * Standard uncertainty in seconds of a time known to lie in a bracket `widthS` seconds wide: a rectangular
 * distribution, GUM JCGM 100:2008 §4.3.7, combined in quadrature with the display's refresh and the hand's delay.
 */
export const bracketUncertainty = (widthS: number, handDelayS = 0): number =>
  Math.hypot(widthS * RECTANGULAR, REFRESH_S * RECTANGULAR, handDelayS)

/** First instant at which the display shows `percent` or more (0–100). */
export function milestone(trace: Trace, percent: number, options: MilestoneOptions = {}): Milestone {
  return milestones(trace, [percent], options)[0]
}

/**
 * {@link milestone} for many percentages, sharing the work of finding the readings. Estimates never fall as the
 * percentage rises.
 */
export function milestones(
  trace: Trace,
  percents: Iterable<number>,
  { handDelayS = 0 }: MilestoneOptions = {},
): Milestone[] {
  const shown = shownOf(trace)
  const power = samplesOf(trace.time, powerColumn(trace))
  return Array.from(percents, (p) => milestoneOf(shown, power, p, handDelayS))
}

function milestoneOf(shown: Shown, power: Samples, percent: number, handDelayS: number): Milestone {
  const { t, v, watched } = shown
  if (t.length === 0) return none(percent, 'no level read', 'No battery level was read.')
  if (v[0] > percent) return none(percent, 'started above', `The run started above it, at ${v[0]} %.`)
  if (v[0] === percent) return none(percent, 'started there', 'The run started there.')
  const seen = v.findIndex((level) => level >= percent)
  if (seen < 0) return none(percent, 'not reached', `The run ended below it, at ${v[v.length - 1]} %.`)

  const latestS = t[seen]
  // The display had just changed to this very level.
  const turned = watched[seen] === true && percent > v[seen] - 1
  const earliestS = turned ? Math.max(t[seen - 1], latestS - WATCHED_WINDOW_S) : t[seen - 1]
  const most = bracketUncertainty(latestS - earliestS, handDelayS)
  const bracket = bracketBefore(shown, seen)
  const share = shareOf(bracket, percent)
  const timeS = turned ? latestS : timeAtShare(power, bracket.fromS, bracket.toS, share)
  const whole = turned || (percent >= 100 && bracket.saturates)
  const spread = whole ? most : spreadIn(shown, power, seen, bracket, percent, timeS, handDelayS)
  return {
    percent,
    timeS,
    earliestS,
    latestS,
    firstSeenS: latestS,
    uncertaintyS: Math.min(most, spread),
    watched: turned,
  }
}

/** What an interpolated time is known to, s: display step, bend, the full mark it leans on, refresh and hand. */
function spreadIn(
  shown: Shown,
  power: Samples,
  seen: number,
  bracket: Bracket,
  percent: number,
  timeS: number,
  handDelayS: number,
): number {
  const { fromS, toS, fromLevel, toLevel, saturates } = bracket
  const secondsPerPoint = (toS - fromS) / (toLevel - fromLevel)
  const step = secondsPerPoint * RECTANGULAR
  const bend = Math.abs(pointsOff(shown, power, seen, bracket, timeS)) * secondsPerPoint
  const full = saturates ? shareOf(bracket, percent) * 2 * (toS - fromS) * RECTANGULAR : 0
  return Math.hypot(step, bend, full, REFRESH_S * RECTANGULAR, handDelayS)
}

function none(percent: number, brief: Milestone['brief'], reason: string): Milestone {
  return {
    percent,
    timeS: NaN,
    earliestS: NaN,
    latestS: NaN,
    firstSeenS: NaN,
    uncertaintyS: NaN,
    watched: false,
    reason,
    brief,
  }
}
