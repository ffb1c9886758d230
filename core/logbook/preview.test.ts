import { expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { emptyLogbook } from './logbook'
import { mergePreview } from './preview'

it('tells what a merge would bring: new, the same, and different', () => {
  const lists = (...sources: ReturnType<typeof source>[]) => ({ ...emptyLogbook(), runs: [], sources })
  const source = (id: string, ratedWatts: number) =>
    blankSource({ id, name: `Hawser ${ratedWatts}`, kind: 'wall charger', ratedWatts })
  const { name, ...rest } = source('b', 30)
  const reordered = { ...rest, name }
  expect(
    mergePreview(lists(source('a', 20), source('b', 30)), lists(source('a', 21), reordered, source('c', 65))),
  ).toEqual([{ called: 'source', fresh: 1, same: 1, differing: ['Hawser 21'] }])
})
