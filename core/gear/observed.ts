import type { Agreement, Outcome } from './agree'
import type { ObservedOutcome } from './gear'

/** What a reviewer calls each outcome. */
export const OBSERVED_WORDS: Record<ObservedOutcome, string> = {
  charges: 'charges',
  slow: 'charges slowly',
  connected: 'connected, not charging',
  loses: 'loses level',
  refuses: 'refuses',
}

/** What is expected of a pair, in words. */
export const EXPECTED_WORDS: Record<Outcome, string> = {
  charges: 'charges',
  slow: 'charges slowly',
  connected: 'connected, not charging',
  none: 'does not connect',
}

/** What may be seen without contradicting the expectation. */
const FITS: Record<Outcome, readonly ObservedOutcome[]> = {
  charges: ['charges'],
  slow: ['slow'],
  // A device that cannot charge may say so, or quietly live off its battery.
  connected: ['connected', 'loses'],
  none: ['refuses', 'connected', 'loses'],
}

/** Says what contradicts the expectation and what to look at; null where the two agree. */
export function disagreement(expected: Agreement, seen: ObservedOutcome): string | null {
  if (FITS[expected.outcome].includes(seen)) return null
  const opening = `Expected “${EXPECTED_WORDS[expected.outcome]}”, seen “${OBSERVED_WORDS[seen]}”.`
  return `${opening} ${adviceFor(expected.outcome, seen)}`
}

const GOOD: readonly string[] = ['charges', 'slow']

function adviceFor(expected: Outcome, seen: ObservedOutcome): string {
  if (!GOOD.includes(expected) && GOOD.includes(seen))
    return 'The device takes more than its record says: check its least watts, its levels and its family.'
  if (expected === 'charges' && seen === 'slow')
    return 'Check the cable, the port and whether another port shares the power; a device that is hot or nearly full takes less.'
  if (expected === 'slow' && seen === 'charges')
    return 'Check the device’s largest power and the source’s offers: one of them is better than recorded.'
  if (seen === 'loses')
    return 'It uses more than it gets: note the load it was under, or check the source’s rating.'
  return 'Check the cable and the port first, then the ratings of both.'
}
