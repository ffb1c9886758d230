import type { Agreement } from '../../gear/agree'
import type { ChainAgreement } from '../../gear/chain'
import type { ObservedOutcome } from '../../gear/gear'
import { EXPECTED_WORDS, OBSERVED_WORDS } from '../../gear/observed'
import { asWritten, figure } from '../figures'

/** A pair in a few words: what was last seen, else what is expected; watts to a tenth where they are known. */
export function pairInWords(
  seen: { outcome: ObservedOutcome; watts: number | null } | undefined,
  expected: Pick<Agreement, 'outcome' | 'watts'>,
): string {
  const watts = (w: number) => figure(w, 1, 'W')
  if (seen)
    return [OBSERVED_WORDS[seen.outcome], ...(seen.watts === null ? [] : [watts(seen.watts)])].join(', ')
  const most = expected.watts > 0 ? [`up to ${watts(expected.watts)}`] : []
  return `${[EXPECTED_WORDS[expected.outcome], ...most].join(', ')} (expected)`
}

/** So many watts apart, what arrives and what the meter shows are read as one. */
const SAME_W = 0.05

/** That a meter shows more than the two should settle on: to be looked into, and not asked; W. */
export const moreThanExpectedWords = (watts: number, expectedW: number): string =>
  `${figure(watts, 1, 'W')} is more than the two should settle on (${figure(expectedW, 1, 'W')}): look at the meter again, and at what is plugged in.`

/**
 * What to expect of things put together, and why it is no more: in a sentence or two. What a meter shows is said where it
 * stands before what loses some of it.
 *
 * @example "Expect up to 10.0 W, 12.6 W at the meter. Binnacle pad gets 12.6 W and passes 9.95 W on."
 */
export function expectationWords(
  a: Pick<ChainAgreement, 'outcome' | 'watts' | 'volts' | 'meterWatts' | 'why'>,
  { withOutcome = false } = {},
): string {
  const why = asWritten(a.why)
  const outcome = withOutcome ? EXPECTED_WORDS[a.outcome] : ''
  const level = Number.isNaN(a.volts) ? '' : ` at ${figure(a.volts, 1, 'V')}`
  const meter = a.meterWatts - a.watts > SAME_W ? `, ${figure(a.meterWatts, 1, 'W')} at the meter` : ''
  const most = a.watts > 0 ? `up to ${figure(a.watts, 1, 'W')}${level}${meter}` : ''
  const expected = [outcome, most].filter(Boolean).join(', ')
  return [expected && `Expect ${expected}.`, why].filter(Boolean).join(' ')
}
