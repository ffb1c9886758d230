import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { bracketUncertainty, milestone, milestones } from './milestones'

const levels = (...points: [t: number, percent: number, power?: number][]) =>
  traceFromReadings(points.map(([t, percent, power]) => ({ t, percent, power })))

describe('time to p %', () => {
  it('lies in the bracket between the last reading below and the first at or above', () => {
    const m = milestone(levels([0, 5], [300, 40], [600, 60], [900, 70]), 50)
    expect(m).toMatchObject({ earliestS: 300, latestS: 600, firstSeenS: 600, timeS: 450 })
  })

  it('goes by delivered energy where the meter covers the bracket', () => {
    // Power falls from 20 W to 0 W over 100 s: 1000 J in all. Half of it, 500 J, is delivered when
    // 20t − t²/10 = 500, at t = 100 − 100/√2 (closed form).
    const m = milestone(levels([0, 40, 20], [100, 60, 0]), 50)
    expect(m.timeS).toBeCloseTo(100 - 100 / Math.sqrt(2), 9)
  })

  it('goes by time where power turns round or was not read at both ends', () => {
    expect(milestone(levels([0, 40, 20], [100, 60]), 50).timeS).toBe(50)
    expect(milestone(levels([0, 40, 20], [100, 60, -20]), 50).timeS).toBe(50)
  })

  it('takes the middle of the bracket for 100 %, and keeps when it was first seen', () => {
    const m = milestone(levels([0, 20], [3600, 99], [3900, 100], [4200, 100]), 100)
    expect(m).toMatchObject({ timeS: 3750, firstSeenS: 3900 })
  })

  it('is off by 2.5 min either way at 5-minute checks, u = 1.44 min (common practice, no source)', () => {
    // GUM JCGM 100:2008 §4.3.7: a rectangular distribution of full width w has u = w/√12 (memory).
    expect(bracketUncertainty(300) / 60).toBeCloseTo(1.44, 2)
    expect(bracketUncertainty(12)).toBeCloseTo(Math.sqrt(12), 9)
    expect(bracketUncertainty(0, 2)).toBe(2)
  })

  it('gives a reason instead of a number when the run starts above or ends below', () => {
    const [over, under] = milestones(levels([0, 55], [300, 70]), [50, 80])
    expect(over.timeS).toBeNaN()
    expect(over.reason).toMatch(/started above/)
    expect(under.latestS).toBeNaN()
    expect(under.reason).toMatch(/ended below/)
    expect(milestone(traceFromReadings([]), 50).reason).toMatch(/No battery level/)
  })

  it('counts the first crossing though the level falls back, and skips levels that were not read', () => {
    const m = milestone(levels([0, 10], [60, NaN], [120, 52], [180, 48], [240, 60]), 50)
    expect(m).toMatchObject({ earliestS: 0, latestS: 120 })
  })

  it('is never earlier for a higher percentage', () => {
    const steps = fc.array(fc.tuple(fc.integer({ min: 1, max: 600 }), fc.integer({ min: -2, max: 9 })), {
      minLength: 2,
      maxLength: 60,
    })
    fc.assert(
      fc.property(steps, fc.integer({ min: 1, max: 98 }), fc.boolean(), (moves, p, metered) => {
        let [t, level] = [0, 3]
        const trace = levels(
          ...moves.map(([dt, up]): [number, number, number?] => {
            t += dt
            level = Math.min(100, Math.max(0, level + up))
            return [t, level, metered ? 5 + (t % 7) : undefined]
          }),
        )
        const [a, b] = milestones(trace, [p, p + 1])
        fc.pre(!a.reason && !b.reason)
        expect(b.timeS).toBeGreaterThanOrEqual(a.timeS)
        expect(a.timeS).toBeGreaterThanOrEqual(a.earliestS)
        expect(a.timeS).toBeLessThanOrEqual(a.latestS)
      }),
    )
  })
})
