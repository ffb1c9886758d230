import { expect, it } from 'vitest'
import { GOALS, type Ranking } from '../../compare/ranking'
import { quantityOf } from '../../compare/quantities'
import type { Column } from './pageTold'
import { ofRuns, ofRunsIn, placeRuns, reachSentence } from './reachWords'

const goal = (key: string) => GOALS.find((g) => g.key === key)!
const ranking = (...runs: number[]) => ({ places: runs.map((n, index) => ({ index, runs: n })) }) as Ranking
const setups = ['Pad', 'Hawser 30', 'Bollard 5'].map((name, i) => ({ name, runs: [2, 3, 1][i] }))

it('says of how many runs a time speaks, where others did not get there', () => {
  expect(ofRuns(1, 2)).toBe('1 of 2 runs')
  expect([ofRuns(2, 2), ofRuns(0, 2)]).toEqual(['', ''])
  expect([placeRuns(1, 1), placeRuns(0, 2), placeRuns(1, 2), placeRuns(2, 2)]).toEqual(['', '', '1 of 2 runs', '2 runs'])
  const column = (quantity: object) => ({ quantity, results: [{ runs: 1 }] }) as unknown as Column
  expect(ofRunsIn(column(quantityOf('to-100')), 0, 2)).toBe('1 of 2 runs')
  // A score may be noted once in two runs, or thrice in one.
  expect(ofRunsIn(column({ figures: () => [] }), 0, 2)).toBe('')
  expect(reachSentence(goal('full'), ranking(1, 2, 1), setups)).toBe('Not every run got there: Pad in 1 of 2 runs and Hawser 30 in 2 of 3 runs.')
  expect(reachSentence(goal('full'), ranking(2, 3, 0), setups)).toBe('')
  // A temperature that was not read is not missed.
  expect(reachSentence(goal('coolest'), ranking(1, 2, 1), setups)).toBe('')
}) // prettier-ignore
