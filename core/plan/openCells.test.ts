import { expect, it } from 'vitest'
import { plannedRunsFor, type Campaign } from './campaign'
import { likeliestCell, openCells } from './openCells'
import type { MadeRun } from './progress'

let n = 0
const campaign = (id: string, cableId: string | null, repeats: number): Campaign =>
  ({
    id,
    name: id,
    createdAt: id === 'late' ? '2026-03-05T12:00:00.000Z' : '2026-03-01T12:00:00.000Z',
    planned: plannedRunsFor([{ deviceId: 'd', sourceId: 's', cableId, repeats }], [], () => false, () => `${id}${++n}`),
  }) as Campaign // prettier-ignore
const pair = { deviceId: 'd', sourceId: 's', cableId: null }
const made = (plannedId: string, state: MadeRun['state']): MadeRun => ({ planned: { plannedId }, state })

it('finds what waits for a run of a pair: not what is made, under way or set aside', () => {
  const board = campaign('board', null, 5)
  const ids = board.planned.map((p) => p.id)
  board.planned[4].setAside = 'the adapter broke'
  const runs = [made(ids[0], 'done'), made(ids[1], 'spoilt'), made(ids[3], 'short')]
  const open = openCells([board], runs, new Set([ids[2]]), pair)
  expect(open.map((c) => [c.plannedId, c.repeat, c.name])).toEqual([
    [ids[1], 2, 'board'],
    [ids[3], 4, 'board'],
  ])
  expect(openCells([board], runs, new Set(), { ...pair, deviceId: 'e' })).toEqual([])
  expect(openCells([board], runs, new Set(), { ...pair, sourceId: 't' })).toEqual([])
})

it('takes a cable for what it is: its own first, another never, any where none is named', () => {
  const [any, long] = [campaign('any', null, 1), campaign('long', 'c', 1)]
  const names = (cableId: string | null) =>
    openCells([any, long], [], new Set(), { ...pair, cableId }).map((c) => c.name)
  expect(names('c')).toEqual(['long', 'any'])
  expect(names('other')).toEqual(['any'])
  expect(names(null)).toEqual(['any', 'long'])
})

it('takes no run for one of a campaign that was not there yet', () => {
  const cells = openCells([campaign('late', null, 1), campaign('early', null, 1)], [], new Set(), pair)
  const nameAt = (begun: string | null) => likeliestCell(cells, begun)?.name
  expect(nameAt(null)).toBe('late')
  expect(nameAt('2026-03-05T12:00:00.000Z')).toBe('late')
  expect(nameAt('2026-03-04T21:00:00+02:00')).toBe('early')
  expect(nameAt('2025-11-20T19:00:00.000Z')).toBeUndefined()
})
