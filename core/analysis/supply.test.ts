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

/** Readings as they are: seconds, volts and amperes. */
const read = (rows: readonly (readonly [number, number, number?])[]): Trace => ({
  time: Float64Array.from(rows, ([t]) => t),
  voltage: Float64Array.from(rows, ([, v]) => v),
  current: Float64Array.from(rows, ([, , a]) => a ?? NaN),
  temperatures: {},
})
const levels = (rows: readonly (readonly [number, number, number?])[]) =>
  supplyOf(read(rows)).map(({ volts }) => volts)
/** So many readings at one voltage, a tenth of a second apart. */
const tenths = (...stretches: [number, number][]) =>
  stretches.flatMap(([count, volts]) => Array<number>(count).fill(volts)).map((v, i) => [i / 10, v] as const)
/** A hundred and one readings, a second apart: volts from one value evenly to another. */
const ramp = (from: number, to: number, amps: (share: number) => number = () => NaN) =>
  Array.from({ length: 101 }, (_, i) => [i, from + ((to - from) * i) / 100, amps(i / 100)] as const)

it('takes what is within a tenth below a level and a twentieth above it for that level', () => {
  const single = (volts: number) => levels([[0, volts], [60, volts], [120, volts]])[0] // prettier-ignore
  expect([4.5, 5.25, 8.1, 9.45, 18.0, 21.0].map(single)).toEqual([5, 5, 9, 9, 20, 20])
  for (const volts of [4.49, 5.26, 8.09, 9.46, 10.7]) expect(single(volts)).toBeCloseTo(volts, 9)
  expect([26, 33, 45].map(single)).toEqual([28, 36, 48])
  expect(levels([[0, 1.99], [60, 1.99]])).toEqual([]) // prettier-ignore
  expect(levels([[0, 2], [60, 2]])).toEqual([2]) // prettier-ignore
})

it('calls a change of more than half a volt, and of more than 6 % of the lower, a step', () => {
  const two = (a: number, b: number) => supplyOf(read([[0, a], [60, a], [120, b], [180, b]])).length // prettier-ignore
  expect([two(6, 6.5), two(6, 6.51), two(6.51, 6)]).toEqual([1, 2, 2])
  expect([two(20, 21.19), two(20, 21.21), two(21.21, 20), two(-20, -21.19)]).toEqual([1, 2, 2, 0])
  // Two stretches that are the same level are one, with the end of the second.
  expect(supplyOf(read([[0, 8.2], [60, 8.2], [120, 8.8], [180, 8.8]]))).toMatchObject([{ startS: 0, endS: 180, volts: 9 }]) // prettier-ignore
})

it('needs three readings, or a second, or a reading that stands alone, for a level', () => {
  expect(levels(tenths([20, 5], [2, 9], [20, 5]))).toEqual([5])
  expect(levels(tenths([20, 5], [3, 9], [20, 5]))).toEqual([5, 9, 5])
  const two = (apart: number) => levels([[0, 5], [0.3, 5], [0.6, 5], [1, 9], [1 + apart, 9], [2.1, 5], [2.4, 5], [2.7, 5]]) // prettier-ignore
  expect([two(0.9), two(1)]).toEqual([[5], [5, 9, 5]])
  const alone = (apart: number) => levels([[0, 5], [1, 5], [2, 5], [2 + apart, 9], [2 + 2 * apart, 5]]) // prettier-ignore
  expect([alone(5), alone(5.1)]).toEqual([[5], [5, 9, 5]])
})

it('calls adjustable what wanders by more than 0.15 V and 2 %, beyond what 0.6 Ω of cable explain', () => {
  const mode = (rows: readonly (readonly [number, number, number?])[]) =>
    supplyOf(read(rows)).map((s) => s.mode)
  // Nine tenths of the range count.
  expect([mode(ramp(5, 5.16)), mode(ramp(5, 5.18))]).toEqual([['fixed'], ['adjustable']])
  expect([mode(ramp(20, 20.43)), mode(ramp(20, 20.47))]).toEqual([['fixed'], ['adjustable']])
  const across = (ohms: number) => mode(ramp(9, 9 - ohms, (share) => share))
  expect([across(0.6), across(0.79), across(0.9)]).toEqual([['fixed'], ['fixed'], ['adjustable']])
  // Volts that rise with the current are no cable's doing.
  expect(mode(ramp(8.6, 9.1, (share) => share))).toEqual(['adjustable'])
  expect(supplyOf(read(ramp(8.6, 9.1)))[0].volts).toBeCloseTo(8.85, 9)
})

it('gives the load from where current flows, as its median', () => {
  const ohms = (rows: readonly (readonly [number, number, number?])[]) => supplyOf(read(rows))[0].ohms
  expect(ohms([[0, 5, 1], [60, 5, 2], [120, 5, 0.5], [180, 5, 0.01]])).toBe(5) // prettier-ignore
  expect(ohms([[0, 5, 0.01], [60, 5, 0]])).toBeNaN() // prettier-ignore
  expect(ohms([[0, 5], [60, 5, 2.5]])).toBe(2) // prettier-ignore
  // A row without volts has no load.
  expect(ohms([[0, 5, 1], [30, NaN, 9], [60, 5, 1], [120, 5, 1]])).toBe(5) // prettier-ignore
  expect(ohms([[0, NaN, 9], [30, 5, 1], [60, 5, 1]])).toBe(5) // prettier-ignore
})
