import { power } from '../analysis/power'
import { curveOf } from '../analysis/atBattery'
import { taperEnd } from '../analysis/taper'
import type { Protocol } from '../protocol/protocol'
import type { StopRule } from '../protocol/rules'
import { stopInWords } from '../protocol/stopping'
import { samplesOf } from '../trace/samples'
import { durationOf, type Trace } from '../trace/trace'
import { duration, figure } from '../words/figures'

/** How a run ended: as its rule wanted, or before. */
export interface Ended {
  state: 'done' | 'short'
  /** Where it stopped, and what the rule was; '' where it is done. */
  stateReason: string
}

/**
 * Done or short, and why.
 *
 * @param percent the last level that was shown; NaN where none was
 */
export function endedAt(isMet: boolean, rule: StopRule, elapsedS: number, percent: number): Ended {
  if (isMet) return { state: 'done', stateReason: '' }
  const after = `after ${duration(elapsedS)}`
  const where = Number.isNaN(percent) ? after : `at ${figure(percent, 0, '%')} ${after}`
  return { state: 'short', stateReason: `Stopped ${where}; the rule was: ${stopInWords(rule)}.` }
}

/** A reading so close to a moment is the moment, s. */
const TOLERANCE_S = 10

function isMetBy(rule: StopRule, trace: Trace): boolean {
  switch (rule.kind) {
    case 'open':
      return true
    case 'duration':
      return durationOf(trace) >= rule.seconds - TOLERANCE_S
    case 'level':
      return trace.percent?.some((shown) => shown >= rule.percent) === true
    case 'shown-full':
      return trace.percent?.some((shown) => shown >= 100) === true
    case 'taper-end': {
      const curve = curveOf(trace)
      const { heldPeakW, heldPeakAtS } = power(curve)
      return !Number.isNaN(taperEnd(curve, heldPeakW, heldPeakAtS))
    }
  }
}

/**
 * How a run ended of which there is nothing but its readings, such as one from a meter's file: by its rule, or short of it.
 *
 * @example endedBy({ kind: 'shown-full' }, trace).stateReason // 'Stopped at 9 % after 12 min; the rule was: …'
 */
export function endedBy(rule: StopRule, trace: Trace): Ended {
  const shown = samplesOf(trace.time, trace.percent).v
  return endedAt(isMetBy(rule, trace), rule, durationOf(trace), shown.at(-1) ?? NaN)
}

/** A start so many points from the one that was wanted is another test. */
const NEAR_POINTS = 10

/**
 * Whether a trace may well be a run of a protocol, so that it can be offered as one: from about its start, and as far as its
 * stop rule. Of a protocol that is not known, anything may.
 */
export function seemsMadeBy(protocol: Protocol | undefined, trace: Trace): boolean {
  if (!protocol) return true
  const [start = NaN] = samplesOf(trace.time, trace.percent).v
  const isFar = Math.abs(start - protocol.startPercent) > NEAR_POINTS
  return endedBy(protocol.stop, trace).state === 'done' && (protocol.startWay === 'as-found' || !isFar)
}
