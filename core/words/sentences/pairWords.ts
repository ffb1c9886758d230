import type { Agreement } from '../../gear/agree'
import type { ObservedOutcome } from '../../gear/gear'
import { EXPECTED_WORDS, OBSERVED_WORDS } from '../../gear/observed'
import { figure } from '../figures'

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
