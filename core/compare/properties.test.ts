import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { milestones } from '../analysis/milestones'
import { analyse, type Analysis } from '../analysis/analyse'
import { traceFromReadings } from '../trace/trace'
import { fromCommonLevel, onAlignedClock } from './align'
import { quantityOf } from './quantities'
import { resultsOf } from './results'
import { ASSUMED_REPEATABILITY, verdict, type Figures } from './verdict'

const figures: fc.Arbitrary<Figures> = fc.record({
  values: fc.array(fc.double({ min: 600, max: 20_000, noNaN: true }), { minLength: 1, maxLength: 5 }),
  uncertainty: fc.double({ min: 0, max: 200, noNaN: true }),
})
const options = { repeatability: ASSUMED_REPEATABILITY, worthNoticing: { atLeast: 300, share: 0 } }

describe('verdicts', () => {
  it('swapping the two turns the sign and keeps the verdict', () => {
    fc.assert(
      fc.property(figures, figures, (a, b) => {
        const [one, other] = [verdict(a, b, options), verdict(b, a, options)]
        expect(other.difference).toBeCloseTo(-one.difference, 9)
        expect(other.verdict).toBe(one.verdict)
        expect(other.atLeast).toBeCloseTo(one.atLeast, 6)
      }),
    )
  })

  it('a run against itself can’t be told apart', () => {
    fc.assert(
      fc.property(figures, (a) => {
        expect(verdict(a, a, options)).toMatchObject({ verdict: 'cannot-tell', atLeast: 0 })
      }),
    )
  })

  it('more repeats that agree as well never make the limit larger', () => {
    fc.assert(
      fc.property(fc.integer({ min: 600, max: 20_000 }), fc.integer({ min: 1, max: 6 }), (t, n) => {
        const of = (count: number): Figures => ({ values: Array<number>(count).fill(t), uncertainty: 30 })
        const limit = (count: number) => verdict(of(count), of(count), options).limit
        expect(limit(n + 1)).toBeLessThanOrEqual(limit(n) + 1e-9)
      }),
    )
  })
})

/** From a start level, a point each `pace` seconds. */
const run = (start: number, pace: number) =>
  traceFromReadings(
    Array.from({ length: (100 - start) * pace + 120 }, (_, t) => ({
      t,
      percent: Math.min(100, start + Math.floor(t / pace)),
      voltage: 9,
      current: 1.5,
    })),
  )

it('setting clocks to a common level changes no time between two levels', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }), fc.integer({ min: 2, max: 20 }), (s1, s2, pace) => {
      const traces = [run(s1, pace), run(s2, pace + 1)]
      const { percent, shiftS } = fromCommonLevel(traces)
      traces.forEach((trace, i) => {
        const [a, b] = milestones(trace, [60, 90])
        const moved = onAlignedClock({ ...analyse(trace), milestones: [a, b] }, trace, percent, shiftS[i])
        expect(moved.milestones[1].timeS - moved.milestones[0].timeS).toBeCloseTo(b.timeS - a.timeS, 6)
      })
    }),
    { numRuns: 20 },
  ) // prettier-ignore
})

describe('results of set-ups', () => {
  const side = (analysis: Analysis) => ({ analysis, usableWh: 15.5, hoursPerPoint: 0.4 })
  const setups = [[side(analyse(run(2, 60)))], [side(analyse(run(2, 30)))], [side(analyse(run(2, 30)))]]
  const of = (key: string, baseline = 0) => resultsOf(setups, baseline, quantityOf(key))

  it('judges every figure by its own doubt, against the baseline', () => {
    expect(of('to-50').map((r) => r.verdict)).toEqual(['baseline', 'clear', 'clear'])
    expect(of('to-50', 1).map((r) => r.verdict)).toEqual(['clear', 'baseline', 'cannot-tell'])
    // Half the pace: half the time saved, twice the speed.
    expect(of('to-50')[1].against).toMatchObject({
      savedShare: expect.closeTo(0.5, 2),
      speedRatio: expect.closeTo(2, 2),
    })
    // 13.5 W all along: nobody's watts differ.
    expect(of('held').map((r) => r.verdict)).toEqual(['baseline', 'cannot-tell', 'cannot-tell'])
    expect(of('hottest').every((r) => r.runs === 0 && Number.isNaN(r.value))).toBe(true)
  })

  it('says gains in points, watt-hours and hours of use (100 h × 0.40: 0.4 h a point, common practice, no source)', () => {
    // In 10 minutes a point a minute: 10 points, a tenth of 15.5 Wh, 4 h.
    expect(of('gain-10')[0].value).toBeCloseTo(10, 9)
    expect(of('wh-10')[0].value).toBeCloseTo(1.55, 9)
    expect(of('use-10')[0].value).toBeCloseTo(4, 9)
  })
})
