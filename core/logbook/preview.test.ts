import { expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { emptyLogbook } from './logbook'
import { mergePreview } from './preview'
import { blankRun, type Run } from './run'
import { dayAndTime } from '../words/moments'

it('tells what a merge would bring: new, the same, and different', () => {
  const lists = (...sources: ReturnType<typeof source>[]) => ({ ...emptyLogbook(), runs: [], sources })
  const source = (id: string, ratedWatts: number) =>
    blankSource({ id, name: `Hawser ${ratedWatts}`, kind: 'wall charger', ratedWatts })
  const { name, ...rest } = source('b', 30)
  const reordered = { ...rest, name }
  expect(
    mergePreview(lists(source('a', 20), source('b', 30)), lists(source('a', 21), reordered, source('c', 65))),
  ).toEqual([{ called: 'source', fresh: 1, same: 1, differing: ['Hawser 21'], staying: [] }])
})

it('tells runs whose readings alone differ, and those that stay as they are here', () => {
  const run = (id: string, over: Partial<Run> = {}) =>
    blankRun({
      id,
      deviceId: 'd',
      sourceId: 's',
      startedAt: `2026-03-0${id}T19:00:00.000Z`,
      ...over,
    })
  const lists = (...runs: Run[]) => ({ ...emptyLogbook(), runs })
  const called = (id: string) => `of ${dayAndTime(run(id).startedAt)}`
  const mended = run('2', { corrections: [{ row: 1, t: 60, what: 'percent', from: 5, to: 6, why: 'misread', when: '2026-03-03T10:00:00.000Z' }] }) // prettier-ignore
  const [preview] = mergePreview(
    lists(run('1'), mended, run('3'), run('4')),
    lists(run('1'), run('2'), run('3'), run('4', { notes: 'by the window' })),
    new Set(['3']),
  )
  expect(preview).toMatchObject({ same: 1, staying: [called('2')] })
  expect(preview.differing).toEqual([called('3'), called('4')])
})
