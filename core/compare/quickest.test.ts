import { expect, it } from 'vitest'
import { quickestFirst } from './quickest'

it('puts what is quickest first, by its best run; nothing known comes last', () => {
  const runs = (...of: [string, number][]) => of.map(([key, slow]) => ({ key, slow }))
  expect(quickestFirst(runs(['a', 9], ['none', NaN], ['b', 8], ['a', 7]))).toEqual(['a', 'b', 'none'])
  // Of points gained less is slower: they come below zero. A gain of nothing is known.
  expect(quickestFirst(runs(['idle', 0], ['few', -12], ['none', NaN], ['many', -50]))).toEqual(['many', 'few', 'idle', 'none'])
  expect(quickestFirst([])).toEqual([])
}) // prettier-ignore
