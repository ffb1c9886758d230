import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { restingPlateau, taperEnd } from './taper'

/** Every ten seconds for some minutes: watts, and the level where one is shown, by the minute. */
const log = (minutes: number, watts: (min: number) => number, level?: (min: number) => number) =>
  traceFromReadings(
    Array.from({ length: minutes * 6 + 1 }, (_, i) => ({
      t: i * 10,
      power: watts(i / 6),
      ...(level ? { percent: level(i / 6) } : {}),
    })),
  )
const full = () => 100

it('rests at the level part of the last five minutes, or of fewer where only those are level and full', () => {
  const falls = (until: number) => (min: number) => (min < until ? 20 - (18 * min) / until : 2)
  expect(restingPlateau(log(20, falls(15), full), 20)).toBe(2)
  expect(restingPlateau(log(20, falls(18), full), 20)).toBe(2)
  expect(restingPlateau(log(20, falls(19), full), 20)).toBe(2)
  // Half a minute of rest is none.
  expect(restingPlateau(log(20, falls(19.5), full), 20)).toBe(0)
  // Full on the display for two minutes only: those count, and what came before does not.
  const late = log(20, () => 3, (min) => (min < 18 ? 99 : 100)) // prettier-ignore
  expect(restingPlateau(late, 20)).toBe(3)
  expect(restingPlateau(log(20, () => 3, (min) => (min < 19.5 ? 99 : 100)), 20)).toBe(0) // prettier-ignore
  expect(restingPlateau(log(20, () => 3, () => 99), 20)).toBe(0) // prettier-ignore
})

it('calls level what drifts by no more than a fiftieth of itself a minute', () => {
  const drift = (share: number) =>
    restingPlateau(
      log(10, (min) => 5 * (1 + share * (min - 7.5)), full),
      20,
    )
  // Level in all of the last five minutes: their mean is that at 7.5 min.
  expect(drift(0.0199)).toBeCloseTo(5, 9)
  expect(drift(-0.0199)).toBeCloseTo(5, 9)
  expect([drift(0.03), drift(-0.03)]).toEqual([0, 0])
})

it('takes for rest, where no display says full, at most a fifth of what was held', () => {
  expect(
    restingPlateau(
      log(10, () => 4),
      20,
    ),
  ).toBe(4)
  expect(
    restingPlateau(
      log(10, () => 4.1),
      20,
    ),
  ).toBe(0)
})

it('ends the taper only with a minute of unbroken record below a twentieth of the way from rest to peak', () => {
  const ends = (watts: (min: number) => number, peakAtS = 0) => taperEnd(log(20, watts), 20, peakAtS)
  expect(ends((min) => (min < 10 ? 20 : 0.99))).toBe(600)
  // A twentieth of 20 W, with nothing drawn at rest, is one watt: that is not below it.
  expect(taperEnd(log(20, (min) => (min < 10 ? 20 : 1), (min) => 50 + min), 20, 0)).toBeNaN() // prettier-ignore
  // Not before the peak, whatever flowed until then.
  expect(ends((min) => (min < 5 ? 0.5 : 0.4), 300)).toBe(310)
  expect(
    taperEnd(
      log(20, () => 0),
      0,
      0,
    ),
  ).toBeNaN()
  const sparse = (...at: [number, number][]) =>
    taperEnd(traceFromReadings(at.map(([t, power]) => ({ t, power }))), 20, 0)
  // What nobody watched is no record of it.
  expect(sparse([0, 20], [10, 20], [20, 20], [30, 0.1], [600, 0.1])).toBeNaN()
  expect(sparse([0, 20], [10, 20], [20, 20], [30, 0.1], [60, 0.1], [90, 0.1])).toBe(30)
})
