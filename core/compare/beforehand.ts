import type { ReadingRule } from '../protocol/rules'
import { studentT } from '../stats/quantiles'
import { ASSUMED_REPEATABILITY, type Repeatability } from './verdict'

/** What a planned pair is expected to come to: s, with what the way of reading will leave open. */
export interface Expected {
  id: string
  /** Time to the level that is compared, s; NaN where nothing can be said. */
  seconds: number
  repeats: number
}

/** How long a way of reading leaves between readings near the end, s: a meter, or a hand with its interval. */
export function intervalNear(rule: ReadingRule): number {
  switch (rule.kind) {
    case 'every':
    case 'meter':
      return rule.seconds
    case 'closing-in':
      return rule.thenSeconds
    case 'at': {
      const [before, last] = rule.minutes.slice(-2)
      return MINUTE_S * (last === undefined ? (before ?? 0) : last - before)
    }
  }
}

/** How it will be read. */
export interface ReadingPlan {
  /** Between readings near the level, s. */
  intervalS: number
  /** The display is watched as it turns: known to seconds. */
  watched: boolean
}

export type Cure = 'watch' | 'minute' | 'repeats' | 'watch-and-repeats' | 'too-close' | 'no-use'
/** Two planned pairs that the test will leave undecided, and what would decide them. */
export interface Undecided {
  a: string
  b: string
  /** The difference that is expected, s, and what it would have to be to be found. */
  differenceS: number
  limitS: number
  cures: Cure[]
  /** Runs of each that would be enough by themselves; Infinity where the readings leave too much open. */
  repeatsNeeded: number
}

/** A watched change is known to so much, s (half of 5 s rectangular, with the hand's two). */
const WATCHED_U_S = Math.hypot(5 / Math.sqrt(12), 2)
const MINUTE_S = 60
const MORE_REPEATS = 2
/** More runs of a pair than this nobody makes. */
const MOST_REPEATS = 30
/** What differs by less than this share takes no more from the stronger source: no test will tell. */
export const SAME_SHARE = 0.005

/** What is left open by checks `intervalS` apart about a time to full: the bracket, rectangular (GUM JCGM 100:2008 §4.3.7). */
const readingU = ({ intervalS, watched }: ReadingPlan): number =>
  watched ? WATCHED_U_S : Math.max(WATCHED_U_S, intervalS / Math.sqrt(12))

/** Found in nine cases of ten: the normal quantile that goes with it. */
const FOUND_Z = 1.2816

/**
 * How large a true difference must be for a test as planned to tell it apart in nine cases of ten, s: what the verdict
 * will ask for, and 1.28 standard deviations of the difference more (sample sizes for two means, NIST/SEMATECH
 * e-Handbook §7.2.2.2, from memory; with the readings' own doubt beside the repeats').
 */
export function detectable(
  a: Pick<Expected, 'seconds' | 'repeats'>,
  b: Pick<Expected, 'seconds' | 'repeats'>,
  plan: ReadingPlan,
  s: Repeatability = ASSUMED_REPEATABILITY,
): number {
  return detectableBy(
    readingU(plan),
    { value: a.seconds, repeats: a.repeats },
    { value: b.seconds, repeats: b.repeats },
    s,
  )
}

/** The same of any figure, of which a reading leaves `u` open, in its own unit. */
function detectableBy(u: number, a: Figure, b: Figure, s: Repeatability): number {
  const k = studentT(0.975, s.freedom + (a.repeats - 1) + (b.repeats - 1))
  const variance = [a, b].reduce((sum, { value, repeats }) => sum + (s.share * value) ** 2 / repeats, 0)
  const read = 2 * u ** 2
  return Math.sqrt(k * k * variance + 4 * read) + FOUND_Z * Math.sqrt(variance + read)
}
interface Figure {
  value: number
  repeats: number
}

/** What a planned pair is expected to gain by the end of a fixed time, points; NaN where nothing can be said. */
export interface ExpectedGain {
  id: string
  gain: number
  repeats: number
}
/** Two planned pairs whose gains a test of fixed length will leave undecided. */
export interface UndecidedGain {
  a: string
  b: string
  /** The difference that is expected, points, and what it would have to be to be found. */
  difference: number
  limit: number
  /** Runs of each that would be enough; Infinity where none up to thirty are. */
  repeatsNeeded: number
  /** The device takes no more from the stronger. */
  isSame: boolean
}

/** A gain is the difference of two whole-point displays, each rectangular: 1/√6 point. */
const GAIN_U = 1 / Math.sqrt(6)

/** Which pairs a test of fixed length will leave undecided, read at its end on time. */
export function undecidedGains(
  expected: readonly ExpectedGain[],
  s: Repeatability = ASSUMED_REPEATABILITY,
): UndecidedGain[] {
  const known = expected.filter((e) => Number.isFinite(e.gain))
  return known.flatMap((a, i) =>
    known.slice(i + 1).flatMap((b): UndecidedGain[] => {
      const difference = Math.abs(a.gain - b.gain)
      const limitBy = (more: { repeats?: number } = {}) =>
        detectableBy(GAIN_U, { value: a.gain, repeats: a.repeats, ...more }, { value: b.gain, repeats: b.repeats, ...more }, s)
      const limit = limitBy()
      if (difference > limit) return []
      const isSame = difference <= SAME_SHARE * Math.min(a.gain, b.gain)
      const needed = isSame ? Infinity : fewest((repeats) => difference > limitBy({ repeats }))
      return [{ a: a.id, b: b.id, difference, limit, repeatsNeeded: needed, isSame }]
    }),
  )
} // prettier-ignore

/**
 * Which pairs a plan will leave undecided, from what each is expected to take, how well runs repeat, how often they are
 * read and repeated; and what it would take: to watch the end, to check every minute, two more repeats of each, or
 * nothing, since the device takes no more.
 */
export function undecidedPairs(
  expected: readonly Expected[],
  plan: ReadingPlan,
  s: Repeatability = ASSUMED_REPEATABILITY,
): Undecided[] {
  const known = expected.filter((e) => e.seconds > 0)
  return known.flatMap((a, i) =>
    known.slice(i + 1).flatMap((b): Undecided[] => {
      const differenceS = Math.abs(a.seconds - b.seconds)
      const limitS = detectable(a, b, plan, s)
      if (differenceS > limitS) return []
      const isSame = differenceS <= SAME_SHARE * Math.min(a.seconds, b.seconds)
      const decides = (more: number, by: ReadingPlan) =>
        differenceS > detectable(moreOf(a, more), moreOf(b, more), by, s)
      const tries: [Cure, boolean][] = [
        ['watch', decides(0, { ...plan, watched: true })],
        ['minute', plan.intervalS > MINUTE_S && decides(0, { ...plan, intervalS: MINUTE_S })],
        ['repeats', decides(MORE_REPEATS, plan)],
      ]
      const repeatsNeeded = isSame ? Infinity : repeatsFor(a, b, plan, s)
      const watchedRepeats = isSame ? Infinity : repeatsFor(a, b, { ...plan, watched: true }, s)
      const last: Cure = isSame
        ? 'no-use'
        : Number.isFinite(repeatsNeeded)
          ? 'repeats'
          : Number.isFinite(watchedRepeats)
            ? 'watch-and-repeats'
            : 'too-close'
      const cures = isSame ? [] : tries.filter(([, helps]) => helps).map(([cure]) => cure)
      return [
        {
          a: a.id,
          b: b.id,
          differenceS,
          limitS,
          cures: cures.length ? cures : [last],
          repeatsNeeded: last === 'watch-and-repeats' ? watchedRepeats : repeatsNeeded,
        },
      ]
    }),
  )
}

const moreOf = (e: Expected, more: number): Expected => ({ ...e, repeats: e.repeats + more })

/** The fewest runs of each that would tell them apart; Infinity where no number up to thirty does. */
function repeatsFor(a: Expected, b: Expected, plan: ReadingPlan, s: Repeatability): number {
  const differenceS = Math.abs(a.seconds - b.seconds)
  return fewest((repeats) => differenceS > detectable({ ...a, repeats }, { ...b, repeats }, plan, s))
}

/** The fewest runs of each that are enough. */
function fewest(isEnough: (repeats: number) => boolean): number {
  for (let repeats = 1; repeats <= MOST_REPEATS; repeats++) if (isEnough(repeats)) return repeats
  return Infinity
}
