import type { Analysis } from '../analysis/analyse'
import { deviation as deviationOf, mean } from '../stats/mean'
import { figuresOf, type Goal } from './ranking'
import type { Repeatability } from './verdict'

/** Of repeats that are told one by one: what is known of each is what its readings tell, and nothing of the others. */
export const OWN_READINGS: Repeatability = { share: 0, freedom: 30, assumed: false }

/** How far apart the repeats of one set-up came out, in the goal's unit. */
export interface Repeats {
  /** How many of them have the figure, two at least. */
  runs: number
  low: number
  high: number
  /** Standard deviation of a single run, and as a share of the mean. */
  deviation: number
  share: number
}

/** The repeats of one set-up by a goal; null where fewer than two of them have the figure. */
export function repeatsOf(goal: Goal, runs: readonly Analysis[]): Repeats | null {
  const { values } = figuresOf(goal, runs)
  if (values.length < 2) return null
  const deviation = deviationOf(values)
  return {
    runs: values.length,
    low: values.reduce((a, b) => Math.min(a, b)),
    high: values.reduce((a, b) => Math.max(a, b)),
    deviation,
    share: deviation / Math.abs(mean(values)),
  }
}
