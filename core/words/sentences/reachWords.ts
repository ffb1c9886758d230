import type { Goal, Ranking } from '../../compare/ranking'
import type { Column } from './pageTold'
import { listSome } from '../lists'

/** How many of a set-up's runs a figure speaks of; '' where it is all of them, or none. */
export const ofRuns = (reached: number, all: number): string =>
  reached > 0 && reached < all ? `${reached} of ${all} runs` : ''

/** The runs of a place in a ranking: "2 runs", or "1 of 2 runs"; '' where there is one, or none got there. */
export const placeRuns = (reached: number, all: number): string =>
  reached === 0 || all === 1 ? '' : ofRuns(reached, all) || `${all} runs`

/** The same of a column of a table. What a run has several of is counted by itself, and misses nothing. */
export const ofRunsIn = ({ quantity, results }: Column, i: number, all: number): string =>
  quantity.figures ? '' : ofRuns(results[i].runs, all)

/**
 * A time is the mean of the runs that got there: of which set-ups there were others, in a sentence; '' where of none.
 *
 * @param setups names and numbers of runs, in the order of the list that was ranked
 */
export function reachSentence(
  { kind }: Goal,
  { places }: Ranking,
  setups: readonly { name: string; runs: number }[],
): string {
  if (kind !== 'time') return ''
  const some = places.flatMap(({ index, runs }) => {
    const { name, runs: all } = setups[index]
    const words = ofRuns(runs, all)
    return words ? [`${name} in ${words}`] : []
  })
  return some.length > 0 ? `Not every run got there: ${listSome(some)}.` : ''
}
