import { expect, it } from 'vitest'
import { randomFrom } from '../stats/random'
import type { Trace } from '../trace/trace'
import { supplyOf } from './supply'

/** Once a second: volts and amperes at each second, the meter's last digit at random. */
function log(seconds: number, at: (t: number) => { volts: number; amps: number }, hz = 1): Trace {
  const random = randomFrom(7)
  const time = Float64Array.from({ length: seconds * hz + 1 }, (_, i) => i / hz)
  const digit = () => 0.01 * (2 * random.uniform() - 1)
  return {
    time,
    voltage: time.map((t) => at(t).volts + digit()),
    current: time.map((t) => at(t).amps + digit()),
    temperatures: {},
  }
}
const told = (trace: Trace) =>
  supplyOf(trace).map(({ startS, endS, volts, mode }) => [startS, endS, volts, mode])

it('tells the start at 5 V from the level a few seconds later, and the step back late in the charge', () => {
  // Common practice, no source: 4.8 V for three seconds, then 9 V 2.2 A; 5 V again from minute 47.
  const phone = (t: number) =>
    t < 3 ? { volts: 4.8, amps: 0.4 } : t < 2820 ? { volts: 8.95, amps: 2.2 } : { volts: 5.05, amps: 1.1 }
  for (const hz of [1, 10])
    expect(told(log(4000, phone, hz))).toEqual([
      [0, 3, 5, 'fixed'],
      [3, 2820, 9, 'fixed'],
      [2820, 4000, 5, 'fixed'],
    ])
})

it('takes the drop in a cable for no wandering, and a supply that follows the battery for an adjustable one', () => {
  // 9.2 V less 0.15 Ω × I while the current falls from 3 A to nothing: half a volt of a fixed level.
  const tapering = (t: number) => {
    const amps = 3 * Math.exp(-t / 900)
    return { volts: 9.2 - 0.15 * amps, amps }
  }
  expect(told(log(3600, tapering))).toEqual([[0, 3600, 9, 'fixed']])
  // Steps of 20 mV (USB PD PPS, from memory) from 7.4 V up to 8.8 V at a constant current.
  const following = (t: number) => ({ volts: 7.4 + 0.02 * Math.floor(t / 50), amps: 2.9 })
  expect(told(log(3500, following))).toEqual([[0, 3500, expect.closeTo(8.1, 1), 'adjustable']])
})

it('keeps a family’s own level as it is, and says nothing where there was no supply', () => {
  expect(told(log(600, () => ({ volts: 10.3, amps: 4 })))).toEqual([
    [0, 600, expect.closeTo(10.3, 2), 'fixed'],
  ])
  expect(supplyOf(log(600, () => ({ volts: 0, amps: 0 })))).toEqual([])
  expect(supplyOf({ time: Float64Array.of(0, 60), temperatures: {} })).toEqual([])
})

it('lets no spike cut a level, and gives the load as reviewers read it', () => {
  const spiky = (t: number) => ({ volts: t === 300 ? 19.9 : 5.05, amps: 0.95 })
  const [only, ...more] = supplyOf(log(600, spiky))
  expect(more).toEqual([])
  // Common practice, no source: 5 V at 0.95 A shows about 5.2 Ω.
  expect(only.ohms).toBeCloseTo(5.3, 1)
})

it('takes each of a hand’s few readings for what it says', () => {
  const by = (rows: [number, number][]): Trace => ({
    time: Float64Array.from(rows, ([m]) => m * 60),
    voltage: Float64Array.from(rows, ([, v]) => v),
    temperatures: {},
  })
  expect(
    told(
      by([
        [0, 9.1],
        [10, 9.05],
        [20, 9.1],
        [30, 5.1],
      ]),
    ),
  ).toEqual([
    [0, 1800, 9, 'fixed'],
    [1800, 1800, 5, 'fixed'],
  ])
})
