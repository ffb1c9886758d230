import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { acceptanceFrom } from './acceptance'
import { forecastS } from './forecast'
import { recentRate, remainingS } from './live'

describe('a run under way', () => {
  const curve = acceptanceFrom(
    traceFromReadings([0, 1800, 3600, 5400].map((t) => ({ t, power: 20 - t / 300 }))),
  )!
  it('is forecast from its device’s curve, then by its own pace', () => {
    const half = forecastS(curve, 100, 0, 50)
    expect(remainingS(curve, 100, [{ t: 0, percent: 0 }], 0)).toBeCloseTo(5400, 0)
    // Half reached in twice the forecast time: the rest is expected to take twice as long too.
    const slow = [{ t: 0, percent: 0 }, { t: 2 * half, percent: 50 }] // prettier-ignore
    expect(remainingS(curve, 100, slow, 2 * half)).toBeCloseTo(2 * (5400 - half), 0)
    expect(remainingS(curve, 100, slow, 2 * half + 60)).toBeCloseTo(2 * (5400 - half) - 60, 0)
    expect(remainingS(curve, 100, [{ t: 0, percent: 100 }], 50)).toBe(0)
  })
  it('shows its rate over the last ten minutes', () => {
    const levels = [0, 300, 600, 900, 1200].map((t, i) => ({ t, percent: [10, 20, 30, 35, 40][i] }))
    expect(recentRate(levels)).toBeCloseTo(1, 6)
    expect(recentRate(levels.slice(0, 1))).toBeNaN()
  })
  it('has no rate before a minute has passed: seconds after the start it would be made of the display’s whole points', () => {
    const from = { t: 0, percent: 5 }
    expect(recentRate([from, { t: 8, percent: 7 }])).toBeNaN()
    expect(recentRate([from, { t: 59.9, percent: 7 }])).toBeNaN()
    expect(recentRate([from, { t: 60, percent: 7 }])).toBe(2)
  })
})
