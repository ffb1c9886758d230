import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { bracketUncertainty, milestone, milestones } from './milestones'

const levels = (...points: [t: number, percent: number, power?: number][]) =>
  traceFromReadings(points.map(([t, percent, power]) => ({ t, percent, power })))

describe('time to p %', () => {
  it('lies in the bracket between the last reading below and the first at or above', () => {
    const m = milestone(levels([0, 5], [300, 40], [600, 60], [900, 70]), 50)
    // Under the display stand 40.5 and 60.5: 50 is crossed at 9.5/20 of the five minutes.
    expect(m).toMatchObject({ earliestS: 300, latestS: 600, firstSeenS: 600, timeS: 442.5, watched: false })
  })

  it('goes by delivered energy where the meter covers the bracket', () => {
    // Power falls from 20 W to 0 W over 100 s: 1000 J in all. From 39.5 under the display to 60.5, half of it, 500 J,
    // brings 50: 20t − t²/10 = 500, at t = 100 − 100/√2 (closed form). 39 is shown where 39.5 lies under it.
    const m = milestone(levels([0, 39, 20], [100, 60, 0]), 50)
    expect(m.timeS).toBeCloseTo(100 - 100 * Math.sqrt(0.5), 9)
  })

  it('goes by time where power turns round or was not read at both ends', () => {
    expect(milestone(levels([0, 40, 20], [100, 60]), 50).timeS).toBeCloseTo(47.5, 9)
    expect(milestone(levels([0, 40, 20], [100, 60, -20]), 50).timeS).toBeCloseTo(47.5, 9)
  })

  it('takes the middle of the bracket for 100 %, and keeps when it was first seen', () => {
    const m = milestone(levels([0, 20], [3600, 99], [3900, 100], [4200, 100]), 100)
    expect(m).toMatchObject({ timeS: 3750, firstSeenS: 3900 })
  })

  it('is off by 2.5 min either way at 5-minute checks, u = 1.44 min (common practice, no source)', () => {
    // GUM JCGM 100:2008 §4.3.7: a rectangular distribution of full width w has u = w/√12 (memory). The display's
    // refresh of 5 s is one more; the hand's delay is its own.
    expect(bracketUncertainty(300) / 60).toBeCloseTo(1.44, 2)
    expect(bracketUncertainty(12)).toBeCloseTo(Math.sqrt((144 + 25) / 12), 9)
    expect(bracketUncertainty(0, 2)).toBeCloseTo(Math.sqrt(4 + 25 / 12), 9)
    const m = milestone(levels([0, 20], [3600, 99], [3900, 100]), 100)
    expect(m.uncertaintyS).toBeCloseTo(bracketUncertainty(300), 9)
  })

  it('knows a lower time to the display’s step, never worse than its bracket', () => {
    // Straight in time, so there is no bend: 15 s a point over √12, and the refresh.
    const straight = levels([0, 20], [300, 40], [600, 60], [900, 80])
    expect(milestone(straight, 50).uncertaintyS).toBeCloseTo(Math.hypot(15, 5) / Math.sqrt(12), 9)
    expect(milestone(straight, 50, { handDelayS: 2 }).uncertaintyS).toBeCloseTo(
      Math.hypot(15 / Math.sqrt(12), 5 / Math.sqrt(12), 2),
      9,
    )
    // Once a second the refresh is what is left.
    const fine = levels([0, 49], [1, 49], [2, 50], [3, 50])
    expect(milestone(fine, 50).uncertaintyS).toBeCloseTo(Math.hypot(1, 5) / Math.sqrt(12), 9)
    // Where the curve bends, it is known less well than where it is straight.
    const bent = levels([0, 0], [300, 40], [600, 60], [900, 62])
    expect(milestone(bent, 50).uncertaintyS).toBeGreaterThan(milestone(straight, 50).uncertaintyS)
    expect(milestone(bent, 50).uncertaintyS).toBeLessThanOrEqual(bracketUncertainty(300))
  })

  it('knows a watched turn to seconds, however long ago the last check was', () => {
    const watched = (...points: [t: number, percent: number, watched?: 1][]) =>
      traceFromReadings(points.map(([t, percent, w]) => ({ t, percent, watched: w })))
    // Common practice, no source: 1 % to 100 % watched at 3 h 21 min.
    const turn = (3 * 60 + 21) * 60
    const run = watched([0, 1], [turn - 1800, 98], [turn, 100, 1], [turn + 60, 100])
    const full = milestone(run, 100)
    expect(full).toMatchObject({ timeS: turn, earliestS: turn - 5, latestS: turn, watched: true })
    expect(full.uncertaintyS).toBeCloseTo(bracketUncertainty(5), 9)
    // A lower level in the same bracket is not known better for it, and comes before.
    const lower = milestone(run, 99)
    expect(lower).toMatchObject({ earliestS: turn - 1800, watched: false })
    expect(lower.timeS).toBeCloseTo(turn - 1800 + (1800 * 0.5) / 1.5, 9)
    // Though the display jumped there, it is known no better than the turn was watched.
    const jumped = milestone(watched([0, 1], [300, 49], [303, 60, 1]), 60)
    expect(jumped.uncertaintyS).toBeCloseTo(bracketUncertainty(3), 9)
    // Never before the reading before it.
    expect(milestone(watched([0, 1], [100, 49], [103, 50, 1]), 50).earliestS).toBe(100)
    // A watched level stands for itself, without the half: from 40 to 60.5.
    expect(milestone(watched([0, 39], [300, 40, 1], [600, 60]), 50).timeS).toBeCloseTo(
      300 + (300 * 10) / 20.5,
      9,
    )
  })

  it('takes levels below full towards the middle of the last bracket', () => {
    const run = levels([0, 20], [3600, 80], [3900, 100])
    // From 80.5 at 3600 s to 100 at 3750 s.
    expect(milestone(run, 90).timeS).toBeCloseTo(3600 + (150 * 9.5) / 19.5, 9)
    expect(milestone(run, 100).timeS).toBe(3750)
    // A straight line of 0.13 points a second up to 100 at 450 s: the step of the display, the share of the full mark's
    // own doubt that the level leans on, and the refresh.
    const straight = levels([0, 41], [300, 80], [600, 100])
    const share = 9.5 / 19.5
    expect(milestone(straight, 90).uncertaintyS).toBeCloseTo(
      Math.hypot(150 / 19.5, share * 300, 5) / Math.sqrt(12),
      9,
    )
    expect(milestone(straight, 100).uncertaintyS).toBeCloseTo(bracketUncertainty(300), 9)
  })

  it('gives a reason instead of a number when the run starts above or ends below', () => {
    const [over, under] = milestones(levels([0, 55], [300, 70]), [50, 80])
    expect(over.timeS).toBeNaN()
    expect(over.reason).toMatch(/started above/)
    expect(under.latestS).toBeNaN()
    expect(under.reason).toMatch(/ended below/)
    const none = milestone(traceFromReadings([]), 50)
    expect([over.brief, under.brief, none.brief]).toEqual(['started above', 'not reached', 'no level read'])
    expect(none.reason).toMatch(/No battery level/)
    // No "half full after 0 s", and no full mark of a display that was full already.
    const [half] = milestones(levels([0, 50], [300, 70]), [50])
    expect([half.timeS, half.uncertaintyS, half.reason]).toEqual([NaN, NaN, 'The run started there.'])
    expect(milestone(levels([0, 100], [300, 100]), 100).reason).toBe('The run started there.')
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
      fc.property(steps, fc.integer({ min: 1, max: 99 }), fc.boolean(), (moves, p, metered) => {
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
