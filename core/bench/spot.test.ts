import { expect, it } from 'vitest'
import { faultOf } from '../trace/fault.fixture'
import { closeSpot, isSpot, leftOf, spotField, spotSchema, USUAL_SPOT_MINUTES, type TypedSpot } from './spot'

const typed: TypedSpot = {
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  startPercent: '20',
  minutes: USUAL_SPOT_MINUTES,
  countAtStart: '',
  feed: { kind: 'hand' },
  conditions: { deviceState: '', meterId: null, thermometerId: null, fedFromId: null, ambientC: '', restMinutes: '' },
} // prettier-ignore
const fault = (over: Partial<TypedSpot>) => faultOf(spotSchema, closeSpot({ ...typed, ...over }))

it('is a lane that is read once, at its end, and stops by time', () => {
  expect(spotSchema.validateSync(closeSpot({ ...typed, minutes: '2,5' })).lane).toMatchObject({
    start: { percent: 20, read: true },
    reading: { kind: 'at', minutes: [2.5] },
    stop: { kind: 'duration', seconds: 150 },
    heat: { minutes: [], places: [] },
  })
  // An instrument is read all along.
  expect(closeSpot({ ...typed, feed: { kind: 'simulated', seed: 1, speed: 1 } }).lane).toMatchObject({
    reading: { kind: 'meter', seconds: 1 },
  })
})

it('holds below half and for some minutes; what does not is refused under its field', () => {
  expect(fault({})).toBe('')
  expect(fault({ startPercent: '50', minutes: '15' })).toBe('')
  expect(fault({ startPercent: '51' })).toMatch(/below half only: start at 50 % or less/)
  for (const minutes of ['0,5', '15,5', '-5', 'five', '']) expect(fault({ minutes }), minutes).not.toBe('')
  expect(fault({ minutes: '1' })).toBe('')
  // An empty level is missing, and not too high.
  expect(fault({ startPercent: '' })).toBe('Give the start level.')
  expect(fault({ startPercent: 'low' })).toBe('The start level must be a number.')
  const paths = ['stop.seconds', 'lane.reading.minutes', 'lane.start.percent', 'countAtStart']
  expect(paths.map(spotField)).toEqual(['minutes', 'minutes', 'startPercent', 'countAtStart'])
})

it('takes what the meter stood at, where it was not set to nothing', () => {
  const count = (text: string) =>
    spotSchema.validateSync(closeSpot({ ...typed, countAtStart: text })).countAtStart
  expect(count('12,4')).toBe(12.4)
  expect(count('')).toBeUndefined()
  expect(fault({ countAtStart: '-1' })).toMatch(/at least 0 Wh/)
})

it('says how much of its time is left', () => {
  const stop = { kind: 'duration', seconds: 300 } as const
  expect([0, 120, 300, 400].map((s) => leftOf({ stop }, s))).toEqual([300, 180, 0, 0])
  expect(leftOf({ stop: { kind: 'shown-full' } }, 10)).toBeNaN()
})

it('is told from a run by how short it is', () => {
  expect(isSpot({ stop: { kind: 'duration', seconds: 900 } })).toBe(true)
  expect(isSpot({ stop: { kind: 'duration', seconds: 901 } })).toBe(false)
  expect(isSpot({ stop: { kind: 'shown-full' } })).toBe(false)
})
