import { expect, it } from 'vitest'
import { offeredLane, offeredSpot, type MadeBefore, type OnShelf } from './offered'

const shelf: OnShelf = {
  devices: [{ id: 'p' }, { id: 'q' }],
  sources: [
    { id: 'a', fedFromId: null },
    { id: 'pad', fedFromId: 'a' },
    { id: 'c', fedFromId: null },
  ],
  cables: [{ id: 'k' }],
  meters: [{ id: 'm' }],
}
const made = (over: Partial<MadeBefore> = {}): MadeBefore => ({
  deviceId: 'p',
  sourceId: 'a',
  cableId: 'k',
  reading: { kind: 'every', seconds: 600 },
  stop: { kind: 'level', percent: 80 },
  conditions: { deviceState: 'asleep', meterId: 'm', thermometerId: 'gone' },
  ...over,
})
const lane = (over: Partial<MadeBefore> = {}) => offeredLane([made(over)], shelf).lane

it('offers a first lane as it is usual, with what stands first on the shelf', () => {
  const { lane, isAgain } = offeredLane([], shelf)
  expect(isAgain).toBe(false)
  expect(lane).toMatchObject({ deviceId: 'p', sourceId: 'a', cableId: null, startPercent: '', interval: 5, stopKind: 'shown-full' })
  expect(lane.conditions).toMatchObject({ deviceState: '', meterId: null, ambientC: '', restMinutes: '' })
  expect(offeredLane([], { ...shelf, devices: [], sources: [] }).lane).toMatchObject({ deviceId: '', sourceId: '' })
}) // prettier-ignore

it('offers the same again with the next source and what feeds that, and nothing that has left the shelf', () => {
  const { lane, isAgain } = offeredLane([made({ heat: { minutes: [10, 20], places: ['back', 'plug'], stopLimitC: 45 } })], shelf)
  expect(isAgain).toBe(true)
  expect(lane).toMatchObject({
    deviceId: 'p',
    sourceId: 'pad',
    cableId: 'k',
    interval: 10,
    stopKind: 'level',
    stopPercent: '80',
    heatMinutes: '10 20',
    heatPlaces: 'back, plug',
  })
  expect(lane.conditions).toMatchObject({ deviceState: 'asleep', meterId: 'm', thermometerId: null, fedFromId: 'a' })
  // The room and the rest are read anew, the level too.
  expect([lane.startPercent, lane.conditions.ambientC, lane.conditions.restMinutes]).toEqual(['', '', ''])
  expect(offeredLane([made({ cableId: 'gone' })], shelf).lane.cableId).toBeNull()
  expect(offeredLane([made()], shelf, new Set(['pad'])).lane.sourceId).toBe('c')
}) // prettier-ignore

it('offers the steps between readings under their own name, or as typed', () => {
  expect(lane({ reading: { kind: 'every', seconds: 60 } })).toMatchObject({ interval: 1, ownInterval: '' })
  expect(lane({ reading: { kind: 'every', seconds: 450 } })).toMatchObject({
    interval: 'own',
    ownInterval: '7.5',
  })
  expect(lane({ reading: { kind: 'at', minutes: [5, 10, 15] } })).toMatchObject({
    interval: 'at',
    atMinutes: '5 10 15',
  })
  expect(lane({ reading: { kind: 'meter', seconds: 1 } }).interval).toBe(5)
})

it('offers a spot check as the last spot check was, whatever was run since', () => {
  const spot = made({ deviceId: 'q', sourceId: 'a', stop: { kind: 'duration', seconds: 600 } })
  expect(offeredSpot([spot, made()], shelf)).toMatchObject({
    deviceId: 'q',
    sourceId: 'pad',
    minutes: '10',
    countAtStart: '',
    conditions: { deviceState: 'asleep', fedFromId: 'a' },
  })
  expect(offeredSpot([made()], shelf)).toMatchObject({ deviceId: 'p', sourceId: 'a', minutes: '5' })
})
