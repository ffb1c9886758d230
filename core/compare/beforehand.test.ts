import { describe, expect, it } from 'vitest'
import { detectable, intervalNear, undecidedGains, undecidedPairs } from './beforehand'

const known = { share: 0.02, freedom: 1e6, assumed: false }
const bySecond = { intervalS: 1, watched: true }
const pair = (id: string, seconds: number, repeats = 1) => ({ id, seconds, repeats })

describe('what a plan will be able to tell apart', () => {
  it('asks for as many runs as the usual sample size for two means: N = 2 (z₀.₉₇₅ + z₀.₉)² (σ/δ)²', () => {
    // NIST/SEMATECH e-Handbook §7.2.2.2, normal approximation and quantiles from a table (from memory); runs so long that readings do not matter.
    for (const delta of [1, 1.25, 1.5, 2]) {
      const mean = 1e6
      const sigma = known.share * mean
      const wanted = Math.ceil((2 * (1.959964 + 1.281552) ** 2) / delta ** 2)
      const a = mean - (delta * sigma) / 2
      const [found] = undecidedPairs([pair('a', a), pair('b', a + delta * sigma)], bySecond, known)
      expect(found.repeatsNeeded).toBe(wanted)
    }
  })

  it('says what would decide a pair: watching, checking every minute, repeats, or nothing', () => {
    const coarse = { intervalS: 1800, watched: false }
    const of = (a: number, b: number, plan = coarse) => undecidedPairs([pair('a', a), pair('b', b)], plan)
    // Twenty minutes apart, read every half hour: watching decides it, and so do checks every minute.
    expect(of(6000, 7200)[0].cures).toEqual(['watch', 'minute'])
    // A tenth of a percent apart: the device takes no more.
    expect(of(6000, 6006)[0]).toMatchObject({ cures: ['no-use'], repeatsNeeded: Infinity })
    // 4 % apart, watched: only repeats help.
    expect(of(6000, 6250, { intervalS: 300, watched: true })[0].cures).toEqual(['repeats'])
    // 5 min apart of 80, read every five minutes: neither alone, but both together.
    expect(of(4800, 5100, { intervalS: 300, watched: false })[0].cures).toEqual(['watch-and-repeats'])
    // Far apart, or nothing known of it: nothing to say.
    expect(of(6000, 12000)).toEqual([])
    expect(of(6000, NaN)).toEqual([])
  })

  it('asks for what the verdict will, and 1.28 deviations more', () => {
    // 2 % of either over their repeats: 120²/2 + 140²/3 = 13,733 s². Checks each 300 s: 300²/12 twice, 15,000 s². Of
    // 8 + 1 + 2 degrees of freedom Student's t is 2.201 (a table, from memory).
    const k = 2.201
    const by = Math.sqrt(k * k * 13733.3 + 4 * 15000) + 1.2816 * Math.sqrt(13733.3 + 15000)
    const plan = { intervalS: 300, watched: false }
    expect(detectable(pair('a', 6000, 2), pair('b', 7000, 3), plan)).toBeCloseTo(by, 1)
  })

  it('calls no use what differs by half a percent of the quicker, and too close what no repeats tell', () => {
    const cures = (b: number) => undecidedPairs([pair('a', 6000), pair('b', b)], { intervalS: 1800, watched: false })[0].cures
    expect([cures(6030), cures(6030.1)]).toEqual([['no-use'], ['too-close']])
  }) // prettier-ignore

  it('tells what gains in a fixed time will stay undecided, and how many runs would decide them', () => {
    const gain = (id: string, points: number, repeats = 1) => ({ id, gain: points, repeats })
    const of = (a: number, b: number) => undecidedGains([gain('a', a), gain('b', b)])[0]
    // 2 % of 40 and 42 points: 0.8² + 0.84² = 1.3456; two displays of two whole points, 1/√6 each: 2/6. Student's t of
    // eight degrees of freedom is 2.306 (a table, from memory).
    const limit = Math.sqrt(2.306 ** 2 * 1.3456 + 4 / 3) + 1.2816 * Math.sqrt(1.3456 + 1 / 3)
    expect(of(40, 42)).toMatchObject({ a: 'a', b: 'b', difference: 2, limit: expect.closeTo(limit, 3), isSame: false })
    expect(of(40, 42).repeatsNeeded).toBeGreaterThan(2)
    expect(of(40, 40.1)).toMatchObject({ isSame: true, repeatsNeeded: Infinity })
    // However often it is repeated, whole points leave a difference of less than one open.
    expect(of(40, 41)).toMatchObject({ isSame: false, repeatsNeeded: Infinity })
    expect([of(40, 50), of(40, NaN)]).toEqual([undefined, undefined])
  }) // prettier-ignore

  it('needs less of a difference with more repeats and closer checks', () => {
    const plan = (intervalS: number) => ({ intervalS, watched: false })
    const at = (repeats: number, intervalS: number) =>
      detectable(pair('a', 6000, repeats), pair('b', 7000, repeats), plan(intervalS))
    expect(at(3, 300)).toBeLessThan(at(1, 300))
    expect(at(1, 60)).toBeLessThan(at(1, 300))
  })

  it('takes the interval that holds near the end', () => {
    expect(intervalNear({ kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 })).toBe(300)
    expect(intervalNear({ kind: 'at', minutes: [5, 10, 30] })).toBe(1200)
    expect(intervalNear({ kind: 'at', minutes: [30] })).toBe(1800)
    expect(intervalNear({ kind: 'meter', seconds: 1 })).toBe(1)
  })
})
