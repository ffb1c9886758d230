import { describe, expect, it } from 'vitest'
import type { Accuracy } from '../gear/accuracy'
import { traceFromReadings, type Reading } from '../trace/trace'
import { analyse } from './analyse'

const everySecond = (seconds: number, of: (t: number) => Partial<Reading>) =>
  traceFromReadings(Array.from({ length: seconds + 1 }, (_, t) => ({ t, ...of(t) })))

describe('charging efficiency', () => {
  // Common practice, no source: a 15.5 Wh pack took 20.07 Wh at the meter, 77 %.
  const seconds = 7200
  const charge = everySecond(seconds + 1800, (t) => ({
    percent: Math.min(100, Math.floor((100 * t) / seconds)),
    power: t <= seconds ? (20.07 * 3600) / seconds : 2,
  }))

  it('is what the battery gained over what the meter saw, both up to the first 100 %', () => {
    const { efficiency } = analyse(charge, { usableWh: 15.5 })
    expect(efficiency.value).toBeCloseTo(15.5 / 20.07, 9)
    expect(efficiency).toMatchObject({ startS: 0, endS: seconds, gain: 100 })
  })

  it('carries the level, the capacity and the meter in its uncertainty', () => {
    const meter: Accuracy = {
      accuracyPercent: 2,
      accuracyDigits: null,
      resolution: null,
      resolutionAmps: null,
    }
    const { efficiency } = analyse(charge, { usableWh: 15.5, usableShare: 0.02, meter })
    // GUM §5.1.6: relative uncertainties of a quotient in quadrature.
    const relative = Math.hypot(1 / Math.sqrt(6) / 100, 0.02, (0.02 * Math.SQRT2) / Math.sqrt(3))
    expect(efficiency.uncertainty / efficiency.value).toBeCloseTo(relative, 4)
  })

  it('does not know when within the last check the display turned full, unless it was watched', () => {
    // 10 W for an hour, read every five minutes; in the last five 10/12 Wh flowed (rectangular, GUM §4.3.7).
    const read = (watched: number) =>
      traceFromReadings(
        Array.from({ length: 13 }, (_, i) => ({
          t: i * 300,
          power: 10,
          percent: i === 12 ? 100 : 4 + 8 * i,
          ...(i === 12 ? { watched } : {}),
        })),
      )
    const relative = (watched: number) => {
      const { efficiency } = analyse(read(watched), { usableWh: 10, usableShare: 0 })
      expect(efficiency.value).toBeCloseTo((0.96 * 10) / 10, 9)
      return efficiency.uncertainty / efficiency.value
    }
    const gain = 1 / Math.sqrt(6) / 96
    expect(relative(1)).toBeCloseTo(gain, 9)
    expect(relative(0)).toBeCloseTo(Math.hypot(gain, 10 / 12 / Math.sqrt(12) / 10), 9)
  })

  it('has a reason where there is none', () => {
    const reason = (readings: Reading[], usableWh = 15) =>
      analyse(traceFromReadings(readings), { usableWh }).efficiency.reason
    const rising = (from: number, to: number) =>
      Array.from({ length: 61 }, (_, i) => ({
        t: i * 60,
        percent: i,
        ...(i >= from && i <= to ? { power: 10 } : {}),
      }))
    expect(reason(rising(0, 60))).toBeUndefined()
    expect(reason(rising(0, 55))).toBeUndefined()
    expect(reason(rising(0, 50))).toMatch(/nine tenths/)
    expect(reason(rising(0, 60), NaN)).toMatch(/capacity/)
    expect(reason(rising(61, 61))).toMatch(/energy/)
    expect(
      reason([
        { t: 0, percent: 5, power: 3 },
        { t: 60, percent: 5, power: 3 },
      ]),
    ).toMatch(/did not rise/)
    expect(reason([{ t: 0, percent: 5, power: 3 }])).toMatch(/two moments/)
    expect(reason([0, 60].map((t) => ({ t, percent: 5 + t, power: 0 })))).toMatch(/No energy went/)
    // It began full: that is no moment at which it turned full.
    expect(reason([100, 90, 95].map((percent, i) => ({ t: 60 * i, percent, power: 3 })))).toMatch(/did not rise/) // prettier-ignore
  })
})
