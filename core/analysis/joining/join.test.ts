import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Trace } from '../../trace/trace'
import { join } from './join'
import { onset } from './onset'

const column = (...values: number[]) => Float64Array.from(values)
const meter: Trace = {
  time: column(0, 10, 20, 30, 40, 50),
  voltage: column(5, 5, 9, 9, 9, 9),
  power: column(0, 0, 18, 18, 17, 17),
  temperatures: { back: column(21, 21, 22, 23, 24, 25) },
  notes: ['', '', 'plugged in', '', '', ''],
}
const device: Trace = {
  time: column(100, 110, 120, 130),
  percent: column(4, 4, 5, 5),
  current: column(-0.1, 3, 3.1, 3),
  temperatures: { back: column(NaN, 30, 31, 32), front: column(29, NaN, NaN, 30) },
  notes: ['', 'woke up', '', ''],
}

describe('two records become one trace', () => {
  // Current begins between 10 and 20 s of the meter's clock, between 100 and 110 s of the device's.
  const joined = join(meter, device)
  it('on the meter’s clock from power-on, and nothing is resampled', () => {
    expect(joined).toMatchObject({ offsetS: -90, by: 'start-of-current', powerOnS: 15, leftOut: 3 })
    expect(joined.uncertaintyS).toBeCloseTo(Math.hypot(10, 10, 2) / Math.sqrt(12), 9)
    expect(joined.trace).toEqual({
      time: column(5, 15, 25, 35),
      percent: column(4, 5, 5, NaN),
      voltage: column(9, 9, 9, 9),
      power: column(18, 18, 17, 17),
      batteryCurrent: column(3, 3.1, 3, NaN),
      temperatures: {
        'back meter': column(22, 23, 24, 25),
        'back device': column(30, 31, 32, NaN),
        front: column(NaN, NaN, 30, NaN),
      },
      notes: ['plugged in; woke up', '', '', ''],
    })
  })
  it('readings of either that share no moment keep rows of their own', () => {
    const { trace, uncertaintyS, by } = join(meter, device, -85)
    expect([by, uncertaintyS]).toEqual(['given', NaN])
    expect(trace.time).toEqual(column(0, 5, 10, 15, 20, 25, 30, 35))
    expect(trace.percent).toEqual(column(4, NaN, 4, NaN, 5, NaN, 5, NaN))
    expect(trace.power).toEqual(column(NaN, 18, NaN, 18, NaN, 17, NaN, 17))
  })
  it('levels of a device that says nothing are the meter’s', () => {
    const { percent, ...silent } = device
    expect(percent).toBeDefined()
    const { trace } = join({ ...meter, percent: column(4, 4, 4, 5, 5, 5) }, silent)
    expect(trace.percent).toEqual(column(4, 5, 5, 5))
  })
  it('a device’s clock that is set otherwise moves the offset and nothing else', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), (shift) => {
        const moved = join(meter, { ...device, time: device.time.map((t) => t + shift) })
        expect(moved.offsetS).toBe(-90 - shift)
        expect(moved.trace).toEqual(joined.trace)
      }),
    )
  })
  it('says why where no way is open', () => {
    const idle = { ...meter, power: column(0, 0, 0, 0, 0, 0) }
    expect(() => join(idle, device)).toThrow('no current that flows')
    const mute = { ...device, current: undefined }
    expect(() => join(meter, mute)).toThrow('Give the offset')
    expect(join(meter, mute, -90).trace.percent).toEqual(column(4, 5, 5, NaN))
  })
})

describe('what flows for good', () => {
  const at = (...v: number[]) => onset({ t: Float64Array.from(v, (_, i) => i * 4), v: column(...v) })
  it.each([
    ['from the first sample on', [9, 9, 9, 9], NaN, 0],
    ['after idling', [0, 0, 9, 9, 9, 9], 4, 8],
    ['after a blip', [0, 9, 0, 9, 9, 9, 9], 8, 12],
    ['after a trickle', [0.3, 0.3, 9, 9, 9, 9], 4, 8],
    ['after feeding out', [-9, -9, 9, 9, 9, 9], 4, 8],
  ])('%s', (_, v, earliestS, latestS) => {
    expect(at(...v)).toEqual({ earliestS, latestS })
  })
  it('is nothing in less than ten seconds, or without any', () => {
    expect(at(0, 9, 9, 0, 9, 9)).toBeNull()
    expect(at(0, 0, 0)).toBeNull()
    expect(at()).toBeNull()
  })
})
