import { expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import { noConditions } from '../protocol/runConditions'
import { emptyLogbook } from './logbook'
import { danglingIn, danglingInWords, usersOf, type RecordLists } from './references'
import { blankRun } from './run'

const brick = blankSource({ id: 'h20', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 })
const pad = blankSource({
  id: 'bp',
  name: 'Binnacle pad',
  kind: 'wireless pad',
  ratedWatts: 10,
  fedFromId: 'h20',
})
const phone = blankDevice({ id: 'p5', name: 'Skerry P5', kind: 'phone' })
const run = blankRun({
  id: 'r',
  deviceId: 'p5',
  sourceId: 'bp',
  startedAt: '2026-03-02T19:00:00.000Z',
  conditions: { ...noConditions(), fedFromId: 'h20', meterId: 'm1' },
})
const lists = (over: Partial<RecordLists>): RecordLists => ({
  ...emptyLogbook(),
  ...over,
  runs: over.runs ?? [],
})

it('what feeds another source, or fed a run, is in use', () => {
  const all = lists({ devices: [phone], sources: [brick, pad], runs: [run] })
  expect(usersOf(all, 'sources', 'h20').map((u) => u.record.id)).toEqual(['bp', 'r'])
  expect(usersOf(all, 'sources', 'bp').map((u) => u.record.id)).toEqual(['r'])
  expect(usersOf(all, 'devices', 'p5').map((u) => u.record.id)).toEqual(['r'])
  expect(usersOf(all, 'meters', 'm1').map((u) => u.record.id)).toEqual(['r'])
  expect(usersOf(all, 'cables', 'c')).toEqual([])
})

it('what leads nowhere is found, with its field', () => {
  const found = danglingIn(lists({ sources: [pad], runs: [run] }))
  expect(found.map((d) => [d.collection, d.field, d.id])).toEqual([
    ['sources', 'fedFromId', 'h20'],
    ['runs', 'deviceId', 'p5'],
    ['runs', 'conditions.meterId', 'm1'],
    ['runs', 'conditions.fedFromId', 'h20'],
  ])
  expect(danglingInWords(found[0])).toBe('fedFromId names a source that is not there')
})
