import type { Claim } from '../gear/claims'
import { durationOf, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import { milestones, type MilestoneOptions } from './milestones'

/** An advertised claim against the log. */
export interface ClaimVerdict extends Claim {
  verdict: 'met' | 'missed' | 'not decided'
  /** By how much it was met (above zero) or missed (below), s; NaN where no time can be told. */
  marginS: number
  /** Standard uncertainty of that, s. */
  uncertaintyS: number
  /** Why it is not decided, or how it was missed; '' where the times say it. */
  reason: string
}

/** A claim is made "from empty": a start higher than this proves nothing in its favour, %. */
const EMPTY_PERCENT = 1

/**
 * Each claim, met or missed by more than twice the uncertainty of the time, else not decided. A start above 1 % cannot
 * meet a claim that is made from empty, but can miss it.
 */
export function claimsAgainst(
  trace: Trace,
  claims: readonly Claim[],
  options: MilestoneOptions = {},
): ClaimVerdict[] {
  const startPercent = samplesOf(trace.time, trace.percent).v[0] ?? NaN
  return claims.map((claim): ClaimVerdict => {
    const [milestone] = milestones(trace, [claim.percent], options)
    const isFromEmpty = startPercent <= EMPTY_PERCENT
    if (milestone.reason) {
      const ranOut = startPercent < claim.percent && durationOf(trace) >= claim.seconds
      return {
        ...claim,
        verdict: ranOut ? 'missed' : 'not decided',
        marginS: NaN,
        uncertaintyS: NaN,
        reason: milestone.reason,
      }
    }
    const marginS = claim.seconds - milestone.timeS
    const isSure = Math.abs(marginS) > 2 * milestone.uncertaintyS
    const verdict = !isSure ? 'not decided' : marginS < 0 ? 'missed' : isFromEmpty ? 'met' : 'not decided'
    const reason = !isSure
      ? 'The readings leave it open.'
      : verdict === 'not decided'
        ? `The run started at ${startPercent} %, the claim is made from empty.`
        : ''
    return { ...claim, verdict, marginS, uncertaintyS: milestone.uncertaintyS, reason }
  })
}
