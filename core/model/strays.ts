import type { Finding } from '../analysis/findings/finding'
import type { Milestone } from '../analysis/milestones'
import type { Forecast } from './forecast'

/** A run that differs from its forecast by more than this share, and by more than both are known to, strays. */
const SHARE = 0.15

const WORDS = {
  slower: 'A wrong protocol, heat, a cable that carries less, or a load on the device.',
  faster: 'The full run behind the forecast may have been slowed itself, or the capacity is another.',
}

/**
 * A run that strays from what a full run of its device on another source makes one expect: a finding, or none.
 *
 * @param full the run's milestone at 100 %
 */
export function strays(
  full: Milestone | undefined,
  expected: Pick<Forecast, 'seconds' | 'uncertaintyS'>,
): Finding[] {
  if (!full || full.reason || !(expected.seconds > 0)) return []
  const off = full.timeS / expected.seconds - 1
  const known = 2 * Math.hypot(full.uncertaintyS, expected.uncertaintyS)
  if (!(Math.abs(off) > SHARE) || Math.abs(full.timeS - expected.seconds) <= known) return []
  const way = off > 0 ? 'slower' : 'faster'
  return [
    {
      code: 'strays',
      severity: way === 'slower' ? 'warning' : 'notice',
      atS: NaN,
      message: `Full came ${Math.round(100 * Math.abs(off))} % ${off > 0 ? 'later' : 'sooner'} than a full run of this device on another source lets expect.`,
      advice: WORDS[way],
    },
  ]
}
