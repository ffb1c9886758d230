import { describe, expect, it } from 'vitest'
import {
  drainedAtMs,
  hoursFromFull,
  preparingDue,
  preparingSchema,
  readPreparing,
  restedMinutes,
  type Preparing,
} from './preparing'

const HOUR = 3_600_000
const draining: Preparing = {
  deviceId: 'd',
  fromPercent: 81,
  toPercent: 1,
  drainFromMs: 10 * HOUR,
  restFromMs: null,
  restMinutes: 21,
}
const resting = { ...draining, restFromMs: 14 * HOUR }

describe('a device on its way to the start', () => {
  it('is to be looked at when it should be there, and again when it has rested', () => {
    // 80 points of 5 h from full are 4 h.
    expect(drainedAtMs(draining, 5)).toBe(14 * HOUR)
    expect(preparingDue(draining, 5, 14 * HOUR - 1)).toBeUndefined()
    expect(preparingDue(draining, 5, 14 * HOUR)).toBe('look')
    expect(restedMinutes(draining, 14 * HOUR)).toBeNaN()
    expect(preparingDue(resting, 5, 14.34 * HOUR)).toBeUndefined()
    expect(preparingDue(resting, 5, 14.35 * HOUR)).toBe('rested')
    expect(preparingDue({ ...resting, restMinutes: 0 }, 5, 20 * HOUR)).toBeUndefined()
    expect(restedMinutes(resting, 14.5 * HOUR)).toBeCloseTo(30, 9)
    expect(restedMinutes(resting, 13 * HOUR)).toBe(0)
  })

  it('tells how long a whole draining takes, from a drop of twenty points on', () => {
    expect(hoursFromFull(resting)).toBeCloseTo(5, 9)
    expect(hoursFromFull(draining)).toBeNaN()
    expect(hoursFromFull({ ...resting, fromPercent: 20.9 })).toBeNaN()
    expect(hoursFromFull({ ...resting, fromPercent: 21 })).toBeCloseTo(20, 9)
    expect(hoursFromFull({ ...resting, restFromMs: 10 * HOUR })).toBeNaN()
  })

  it('is stored and read again; what cannot be is none', () => {
    expect(readPreparing(JSON.parse(JSON.stringify([draining, resting])))).toEqual([draining, resting])
    expect(readPreparing([{ ...draining, fromPercent: 'full' }])).toEqual([])
    expect(readPreparing(null)).toEqual([])
    expect(() => preparingSchema.validateSync({ ...draining, toPercent: 90 })).toThrow('cannot drain to more')
  })
})
