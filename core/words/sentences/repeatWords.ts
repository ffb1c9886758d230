import type { Goal } from '../../compare/ranking'
import type { Repeats } from '../../compare/repeats'
import type { Repeatability } from '../../compare/verdict'
import { difference, figure } from '../figures'
import { goalFigure, goalSaid } from './verdictSentence'

/** What repeats did, by the kind of their figure: "took 1 h 17 min to 1 h 18 min". */
const DID: Record<Goal['kind'], [before: string, after: string]> = {
  time: ['took', ''],
  points: ['gained', ''],
  celsius: ['became', ' warm'],
  share: ['put', ' into the battery'],
}

/**
 * How far apart the repeats of one set-up came out, in a sentence, and how far runs lie apart as a rule.
 *
 * @param name of the set-up
 * @param usual what other runs tell of how well runs repeat
 * @param from the level that the clocks were set to, %
 */
export function repeatSentence(
  goal: Goal,
  repeats: Repeats,
  name: string,
  usual: Repeatability,
  from: number | null = null,
): string {
  const { runs, low, high, deviation, share } = repeats
  const [least, most] = [goalFigure(goal, low), goalFigure(goal, high)]
  const [before, after] = DID[goal.kind]
  const range = least === most ? `${least}${after} each` : `${least} to ${most}${after}`
  // A temperature has no nothing of its own to be a share of.
  const isShare = goal.kind !== 'celsius'
  const apart = isShare ? figure(100 * share, 1, '%') : difference(deviation, 1, '°C')
  const rule = isShare && !usual.assumed ? ` Other runs vary by ${figure(100 * usual.share, 1, '%')}.` : ''
  return `${goalSaid(goal, from)}, the ${runs} runs of ${name} ${before} ${range}: they vary by ${apart}, one standard deviation.${rule}`
}
