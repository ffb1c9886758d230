import { describe, expect, it } from 'vitest'
import {
  byClockNow,
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
  seen: null,
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

  it('has drained and rested as long as it has, though somebody set the clock; a restart believes the clock', () => {
    const seen = { wallMs: 14 * HOUR, uptimeS: 1000, bootId: 'a' }
    const watched = { ...resting, seen }
    // Six minutes later by the clock since start-up, on a wall that was set back by an hour.
    const set = { wallMs: 13.1 * HOUR, uptimeS: 1360, bootId: 'a' }
    const moved = byClockNow(watched, set)
    expect(restedMinutes(moved, set.wallMs)).toBeCloseTo(6, 9)
    expect(hoursFromFull(moved)).toBeCloseTo(5, 9)
    expect(moved.seen).toEqual(set)
    // Seen once, it is not moved again.
    expect(byClockNow(moved, { ...set, wallMs: 13.2 * HOUR, uptimeS: 1720 }).restFromMs).toBe(
      moved.restFromMs,
    )
    expect(byClockNow(draining, set)).toEqual({ ...draining, seen: set })
    expect(byClockNow(watched, { ...set, bootId: 'b' }).restFromMs).toBe(resting.restFromMs)
    expect(byClockNow(watched, { ...set, uptimeS: null })).toBe(watched)
    expect(byClockNow(moved, seen)).toBe(moved)
  })

  it('is stored and read again; what cannot be is none', () => {
    const seen = { wallMs: 14 * HOUR, uptimeS: 1000, bootId: 'a' }
    const both = [draining, { ...resting, seen }]
    expect(readPreparing(JSON.parse(JSON.stringify(both)))).toEqual(both)
    expect(readPreparing([{ ...draining, seen: { wallMs: 'noon' } }])).toEqual([draining])
    expect(readPreparing([{ ...draining, fromPercent: 'full' }])).toEqual([])
    expect(readPreparing(null)).toEqual([])
    expect(() => preparingSchema.validateSync({ ...draining, toPercent: 90 })).toThrow('cannot drain to more')
  })
})
