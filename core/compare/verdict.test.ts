import { expect, it } from 'vitest'
import { studentisedRange, studentT } from '../stats/quantiles'
import {
  ASSUMED_REPEATABILITY,
  leadingGroup,
  moderated,
  pooledRepeatability,
  verdict,
  type Figures,
} from './verdict'
import { leaderTrial, PAIR_TRIALS, pairTrial } from './verdictTrials.fixture'

it('takes its factors from the usual tables', () => {
  // Tables of Student's t and of the studentised range, as in any textbook of statistics (from memory).
  for (const [freedom, t] of [
    [1, 12.706],
    [8, 2.306],
    [30, 2.042],
  ])
    expect(studentT(0.975, freedom)).toBeCloseTo(t, 3)
  for (const [groups, freedom, q] of [
    [3, 10, 3.877],
    [5, 20, 4.232],
    [8, 8, 5.596],
  ])
    expect(studentisedRange(0.95, groups, freedom)).toBeCloseTo(q, 2)
})

it('calls 3 h 21 min against 2 h 37 min clear, both watched (common practice, no source: 44 min)', () => {
  const found = verdict({ values: [12_060], uncertainty: 2 }, { values: [9420], uncertainty: 2 })
  expect(found).toMatchObject({ verdict: 'clear', difference: 44 * 60 })
  // By hand: k = 2.306, 2 % of each: 2.306 × √(241.2² + 188.4²) = 706 s; twice 2 s each adds nothing to speak of.
  expect(found.limit).toBeCloseTo(705.8, 0)
  expect(found.atLeast).toBeCloseTo(44 * 60 - 705.8, 0)
})

it('can’t tell what lies within the limit, and calls small what is not worth noticing', () => {
  const at = (a: number, b: number, uncertainty = 5) =>
    verdict(
      { values: [a], uncertainty },
      { values: [b], uncertainty },
      { repeatability: { share: 0.002, freedom: 30, assumed: false } },
    ).verdict
  expect(at(6000, 6020)).toBe('cannot-tell')
  // Real, but under five minutes; real, but under five percent.
  expect(at(3000, 3200)).toBe('small')
  expect(at(20_000, 20_400)).toBe('small')
  expect(at(6000, 6400)).toBe('clear')
  // A reading at five-minute checks is not known well enough.
  expect(at(6000, 6400, 300)).toBe('cannot-tell')
})

it('learns how well runs repeat, a little from a few and more from many', () => {
  expect(pooledRepeatability([[100], [7]])).toBeNull()
  // About their own means: (1 % and 1 %) from each of two pairs: the sum of squares is 4e-4 over 2 degrees.
  expect(pooledRepeatability([[99, 101], [198, 202], [5]])).toEqual({
    share: expect.closeTo(Math.sqrt(2e-4), 12),
    freedom: 2,
    assumed: false,
  })
  expect(pooledRepeatability(Array.from({ length: 50 }, () => [99, 101]))?.freedom).toBe(30)
  const own = moderated([{ values: [90, 110], uncertainty: 0 }], ASSUMED_REPEATABILITY)
  // (8 × 0.02² + 2 × 0.1²) ÷ 9.
  expect(own).toEqual({
    share: expect.closeTo(Math.sqrt((8 * 4e-4 + 0.02) / 9), 12),
    freedom: 9,
    assumed: false,
  })
  expect(moderated([{ values: [90], uncertainty: 0 }], ASSUMED_REPEATABILITY)).toEqual(ASSUMED_REPEATABILITY)
})

it('tells equal set-ups apart in at most 5 %, and set-ups 15 % apart in at least 95 %', () => {
  for (const trial of PAIR_TRIALS) {
    const { apart, told } = pairTrial(trial, 1000)
    const label = `${trial.runs} runs read each ${trial.interval} s that repeat to ${trial.spread}`
    expect(apart / 1000, label).toBeLessThanOrEqual(0.05)
    expect(told / 1000, label).toBeGreaterThanOrEqual(0.95)
  }
})

it('has the truly best among the leaders in at least 95 % of campaigns, equal set-ups included', () => {
  for (const count of [3, 5, 8])
    expect(leaderTrial(count, 1000) / 1000, `${count} set-ups`).toBeGreaterThanOrEqual(0.95)
})

it('leads with the best, whichever way is better, and leaves out what was not reached', () => {
  const of = (...values: number[]): Figures => ({ values, uncertainty: 1 })
  const setups = [of(9000), of(NaN), of(6000, 6010), of(6050), of()]
  expect(leadingGroup(setups, 'lower')).toEqual([2, 3])
  expect(leadingGroup(setups, 'higher')).toEqual([0])
  expect(leadingGroup([of(NaN)], 'lower')).toEqual([])
  expect(leadingGroup([of(5000), of(5020)], 'lower')).toEqual([0, 1])
})

it('counts a comparison’s own repeats once, and learns nothing from runs that gained nothing', () => {
  const own = moderated([{ values: [90, 110], uncertainty: 0 }], ASSUMED_REPEATABILITY)
  const of = (value: number) => ({ values: [0.9 * value, 1.1 * value], uncertainty: 0 })
  // s² = (8 · 0.02² + 0.02) / 9 by hand; settled, the two are not added to it again.
  expect(own.share).toBeCloseTo(Math.sqrt((8 * 0.02 ** 2 + 0.02) / 9), 12)
  const limit = verdict(of(100), of(100), { settled: own }).limit
  expect(limit).toBeCloseTo(2.262 * own.share * 100, 1)
  // Connected and not charging, twice: nothing of it is a share.
  expect(moderated([{ values: [0, 0], uncertainty: 0.4 }], ASSUMED_REPEATABILITY)).toMatchObject({
    share: 0.02,
    freedom: 8,
  })
})
