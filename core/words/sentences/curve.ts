import type { ClaimVerdict } from '../../analysis/claimed'
import type { PartEnd } from '../../analysis/parts/parts'
import { duration } from '../figures'

/** What ended a part of the curve. */
export const PART_END_WORDS: Record<PartEnd, string> = {
  supply: 'supply step',
  heat: 'heat, probably',
  level: 'battery level',
  record: 'end of record',
}

/**
 * An advertised claim against the log, in a sentence.
 *
 * @example claimInWords(met) // '“50 % in 30 min” is met, by 4 min (± 20 s).'
 */
export function claimInWords({
  percent,
  seconds,
  verdict,
  marginS,
  uncertaintyS,
  reason,
}: ClaimVerdict): string {
  const claim = `“${percent >= 100 ? 'Full' : `${percent} %`} in ${duration(seconds)}”`
  const by = Number.isNaN(marginS)
    ? ''
    : `, by ${duration(Math.abs(marginS))} (± ${duration(2 * uncertaintyS)})`
  if (verdict === 'met') return `${claim} is met${by}.`
  if (verdict === 'missed')
    return `${claim} is missed${by || `: ${reason.charAt(0).toLowerCase()}${reason.slice(1)}`.replace(/\.$/, '')}.`
  return `${claim} is not decided. ${reason}`
}
