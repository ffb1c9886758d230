import { usualStep } from '../trace/samples'
import type { ReadingRule } from './rules'

/** A reading so close to a minute was to be at it, s. */
const TOLERANCE_S = 10
/** More minutes than these nobody names one by one. */
const MOST_MINUTES = 24
/** Steps of one rule differ by no more: the hand is late, the rule is not. */
const EVEN = 1.5

/**
 * The rule that a trace looks to have been read by: at minutes of its own where few readings stand on whole minutes
 * unevenly apart, else at its usual step. No hand reads more often than once a second: that is a meter's log.
 *
 * @example ruleReadBy({ time: Float64Array.of(0, 300, 900, 1800) }) // { kind: 'at', minutes: [5, 15, 30] }
 */
export function ruleReadBy(trace: { time: Float64Array }): ReadingRule {
  const seconds = usualStep(trace)
  return minutesOf(trace.time) ?? { kind: seconds < 1 ? 'meter' : 'every', seconds }
}

function minutesOf(time: Float64Array): ReadingRule | null {
  if (time.length < 3 || time.length > MOST_MINUTES + 1) return null
  const minutes = [...new Set(Array.from(time, (t) => Math.round(t / 60)))].filter((m) => m > 0)
  const steps = minutes.map((m, i) => m - (i === 0 ? 0 : minutes[i - 1]))
  const isEven = Math.max(...steps) < EVEN * Math.min(...steps)
  const isWhole = time.every((t) => Math.abs(t - 60 * Math.round(t / 60)) <= TOLERANCE_S)
  return isWhole && !isEven && minutes.length > 1 ? { kind: 'at', minutes } : null
}
