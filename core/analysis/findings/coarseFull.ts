import { duration } from '../../words/figures'
import { notice, type Rule } from './finding'

/** A time to full that may be off by more than this, twice its uncertainty, decides little, s. */
const COARSE_S = 180

/** The full-charge time is known so badly that a small lead means nothing. */
export const coarseFull: Rule = ({ milestones }) => {
  const full = milestones.find((m) => m.percent === 100)
  if (!full || full.reason || !(2 * full.uncertaintyS > COARSE_S)) return []
  return [
    notice(
      'coarse-data',
      `100 % came somewhere between ${duration(full.earliestS)} and ${duration(full.latestS)}: a lead of less than about ${duration(2 * full.uncertaintyS)} means nothing.`,
      'Watch the display towards the end, and note the moment at which it turns.',
    ),
  ]
}
