import { expect, it } from 'vitest'
import { alignByCurrent, onLane, onOneClock, startOfCurrent } from './clocks'
import { GrowingReadings } from './growing'
import type { Reading } from './trace'

const grown = (readings: readonly Reading[]) => {
  const all = new GrowingReadings()
  for (const reading of readings) all.push(reading)
  return all
}

it('gives back every reading as it was pushed, beyond its first room too', () => {
  const readings = Array.from({ length: 200 }, (_, i): Reading => ({
    t: i,
    ...(i % 2 ? { percent: i % 100 } : { power: i / 2 }),
    ...(i % 7 === 0 ? { temperatures: { back: 20 + i / 10 } } : {}),
    ...(i % 3 === 0 ? { stream: i % 2 ? 'meter' : 'battery' } : {}),
    ...(i % 50 === 0 ? { note: `n${i}` } : {}),
    ...(i % 60 === 0 ? { nominal: i } : {}),
  }))
  const all = grown(readings)
  expect(all.length).toBe(200)
  expect([...all]).toEqual(readings)
  const { time, power, notes, temperatures } = all.trace({})
  expect(time.length).toBe(200)
  expect([power![198], power![199]]).toEqual([99, NaN])
  expect([notes![0], notes![1], notes![50]]).toEqual(['n0', '', 'n50'])
  expect([temperatures.back[7], temperatures.back[8]]).toEqual([20.7, NaN])
})

it('finds the last reading of a hand', () => {
  expect(grown([{ t: 0 }, { t: 1, stream: 'm' }]).lastByHand()).toBe(0)
  expect(grown([{ t: 0, stream: 'm' }]).lastByHand()).toBe(-1)
  expect(grown([{ t: 0 }, { t: 1 }]).lastByHand()).toBe(1)
  expect(grown([]).lastByHand()).toBe(-1)
})

it('puts streams on one clock in the order of time; those of one instant as they came', () => {
  const readings: Reading[] = [
    { t: 0, percent: 5, note: 'by hand' },
    { t: 40, percent: 9, stream: 'battery' },
    { t: 10, power: 3, stream: 'meter' },
    { t: 12, power: 4, stream: 'meter' },
  ]
  const trace = grown(readings).trace({ battery: -30 })
  expect([...trace.time]).toEqual([0, 10, 10, 12])
  expect([...trace.percent!]).toEqual([5, 9, NaN, NaN])
  expect([...trace.power!]).toEqual([NaN, NaN, 3, 4])
  expect(trace.notes).toEqual(['by hand', '', '', ''])
  expect(onOneClock(readings, { battery: -35 }).map((r) => r.t)).toEqual([0, 5, 10, 12])
  expect(grown([{ t: 0, percent: 1 }]).trace({}).notes).toBeUndefined()
  expect([onLane(5, -9), onLane(1.23456, 1), onLane(7)]).toEqual([0, 2.235, 7])
})

it('sees current begin: after it was known not to flow, at 0.05 A or 0.3 W', () => {
  const at = (...values: Partial<Reading>[]) => startOfCurrent(values.map((v, t) => ({ t, ...v })))
  expect(at({ current: 0.05 }, { current: 0.051 })).toBe(1)
  expect(at({ current: 0 }, { percent: 5 }, { current: -0.06 })).toBe(2)
  expect(at({ power: 0.3 }, { power: 0.31 })).toBe(1)
  expect(at({ batteryPower: 0 }, { batteryPower: 2 })).toBe(1)
  expect(at({ current: 1 }, { current: 1 })).toBeNaN()
  expect(at({ current: 0 }, { current: 0 })).toBeNaN()
  expect(at({ percent: 5 })).toBeNaN()
})

it('moves the other streams to begin with the first, and leaves those without a start', () => {
  const stream = (name: string, begins: number | null): Reading[] =>
    [0, 10, 20, 30].map((t) => ({ t, stream: name, current: begins !== null && t >= begins ? 1 : 0 }))
  const readings = [...stream('meter', 10), ...stream('battery', 30), ...stream('idle', null)]
  expect(alignByCurrent(readings, { idle: 4 })).toEqual({ idle: 4, battery: -20 })
  expect(alignByCurrent(readings, { meter: 5 })).toEqual({ meter: 5, battery: -15 })
  const before = { x: 1 }
  expect(alignByCurrent(stream('idle', null), before)).toBe(before)
})
