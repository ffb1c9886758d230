import type { ScoreVerdict } from '../../compare/underLoad'
import type { Score } from '../../analysis/scores'
import { asRead, figure } from '../figures'
import { listSome } from '../lists'

const percent = (share: number): string => figure(100 * share, 1, '%')

/**
 * What a benchmark says of set-ups, in a sentence: no faster and no slower is said with what would have shown.
 *
 * @param names of the set-ups, in the order of the list that was judged
 */
export function scoreSentence(
  benchmark: string,
  { leaders, behind, resolvesShare }: ScoreVerdict,
  names: readonly string[],
): string {
  const [nearest] = behind
  const others = nearest
    ? `; ${names[nearest.index]} is behind by at least ${percent(nearest.atLeastShare)}`
    : ''
  const led = listSome(leaders.map((i) => names[i]))
  return leaders.length === 1
    ? `${benchmark}: ${led} leads${others}.`
    : `${benchmark}: ${led} can’t be told apart, where ${percent(resolvesShare)} would have shown${others}.`
}

/** More digits behind the point than this nobody notes. */
const MOST_DIGITS = 6

/** How a score was understood, where it is noted. */
export const understoodScore = ({ name, value, unit, better }: Score): string =>
  `${name || 'A score'}, ${asRead(value, MOST_DIGITS, unit)}; ${better} is better`
