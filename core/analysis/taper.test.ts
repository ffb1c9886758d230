import { describe, expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
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

const watts = (...points: [t: number, power: number][]) =>
  traceFromReadings(points.map(([t, p]) => ({ t, power: p })))
const everySecond = (seconds: number, of: (t: number) => Partial<Reading>) =>
  traceFromReadings(Array.from({ length: seconds + 1 }, (_, t) => ({ t, ...of(t) })))

describe('the end of the taper', () => {
  it('is where power stays down for good, not a pause that ends, nor the silence before it starts', () => {
    const trace = everySecond(1000, (t) => ({
      power: t < 100 ? 0 : t < 300 ? 20 : t < 400 ? 0.5 : t < 600 ? 20 : 0.5,
    }))
    expect(taperEnd(trace, 20, 100)).toBe(600)
    expect(taperEnd(watts([0, 20], [60, 20], [120, 20]), 20, 0)).toBeNaN()
    // 59 s of record are not a minute.
    expect(
      taperEnd(
        everySecond(659, (t) => ({ power: t < 600 ? 20 : 0.5 })),
        20,
        0,
      ),
    ).toBeNaN()
    expect(
      taperEnd(
        everySecond(660, (t) => ({ power: t < 600 ? 20 : 0.5 })),
        20,
        0,
      ),
    ).toBe(600)
  })

  it('lies just above what the device draws when full', () => {
    // A laptop that goes on drawing 9 W of 60: down is below 9 + 5 % of 51 = 11.55 W.
    const laptop = everySecond(4000, (t) => ({
      percent: Math.min(100, 40 + t / 50),
      power: t < 2000 ? 60 : 9 + 51 * Math.exp(-(t - 2000) / 200),
    }))
    expect(restingPlateau(laptop, 60)).toBeCloseTo(9, 1)
    expect(taperEnd(laptop, 60, 0)).toBeCloseTo(2000 - 200 * Math.log(0.05), -1)
    // Stopped in mid-charge at full power: that is no plateau.
    const stopped = everySecond(2000, (t) => ({ percent: 20 + t / 50, power: t < 900 ? 25 : 20 }))
    expect(restingPlateau(stopped, 25)).toBe(0)
    expect(taperEnd(stopped, 25, 0)).toBeNaN()
  })
})
