import { expect, it } from 'vitest'
import { faultOf } from '../trace/fault.fixture'
import { newLane, reduceLane } from './state'
import {
  closeSpot,
  isSpot,
  lastCount,
  spotField,
  spotSchema,
  USUAL_SPOT_MINUTES,
  type TypedSpot,
} from './spot'

const typed: TypedSpot = {
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  startPercent: '20',
  minutes: USUAL_SPOT_MINUTES,
  feed: { kind: 'hand' },
  conditions: { deviceState: '', meterId: null, thermometerId: null, fedFromId: null, ambientC: '', restMinutes: '' },
} // prettier-ignore
const fault = (over: Partial<TypedSpot>) => faultOf(spotSchema, closeSpot({ ...typed, ...over }))

it('is a lane that is read once, at its end, and stops by time', () => {
  expect(spotSchema.validateSync(closeSpot({ ...typed, minutes: '2,5' }))).toMatchObject({
    start: { percent: 20, read: true },
    reading: { kind: 'at', minutes: [2.5] },
    stop: { kind: 'duration', seconds: 150 },
    heat: { minutes: [], places: [] },
  })
  // An instrument is read all along.
  expect(closeSpot({ ...typed, feed: { kind: 'simulated', seed: 1, speed: 1 } }).reading).toEqual({
    kind: 'meter',
    seconds: 1,
  })
})

it('holds below half and for some minutes; what does not is refused under its field', () => {
  expect(fault({})).toBe('')
  expect(fault({ startPercent: '50', minutes: '15' })).toBe('')
  expect(fault({ startPercent: '51' })).toMatch(/below half only: start at 50 % or less/)
  for (const minutes of ['0,5', '15,5', '-5', 'five', '']) expect(fault({ minutes }), minutes).not.toBe('')
  expect(fault({ minutes: '1' })).toBe('')
  expect(fault({ startPercent: '' })).not.toBe('')
  expect(['stop.seconds', 'reading.minutes', 'start.percent'].map(spotField)).toEqual(['minutes', 'minutes', 'startPercent']) // prettier-ignore
})

it('is told from a run by how short it is', () => {
  expect(isSpot({ stop: { kind: 'duration', seconds: 900 } })).toBe(true)
  expect(isSpot({ stop: { kind: 'duration', seconds: 901 } })).toBe(false)
  expect(isSpot({ stop: { kind: 'shown-full' } })).toBe(false)
})

it('knows the count that was noted last, so that a press repeated does not note it twice', () => {
  const lane = newLane()
  reduceLane(lane, { kind: 'readings', readings: [{ t: 0, percent: 20 }] })
  expect(lastCount(lane)).toBeUndefined()
  reduceLane(lane, {
    kind: 'readings',
    readings: [
      { t: 120, counterWh: 0.2 },
      { t: 300, counterWh: 0.415 },
    ],
  })
  reduceLane(lane, { kind: 'readings', readings: [{ t: 310, percent: 22 }] })
  expect(lastCount(lane)).toEqual({ t: 300, counterWh: 0.415 })
})
