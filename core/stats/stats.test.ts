import { mean, standardDeviation } from 'simple-statistics'
import { expect, it } from 'vitest'
import { exactInterval } from './binomial'
import { fitLine } from './line'
import { quantile } from './quantile'
import { randomFrom } from './random'

// NIST Statistical Reference Datasets, Linear Regression, "Norris" (lower difficulty, 36 observations); data and
// certified slope from memory.
const NORRIS = [
  [0.2, 0.1, 337.4, 338.8, 118.2, 118.1, 884.6, 888.0, 10.1, 9.2, 226.5, 228.1, 666.3, 668.5, 996.3, 998.5],
  [448.6, 449.1, 777.0, 778.9, 558.2, 559.2, 0.4, 0.3, 0.6, 0.1, 775.5, 778.1, 666.9, 668.8, 338.0, 339.3],
  [447.5, 448.9, 11.6, 10.8, 556.0, 557.7, 228.1, 228.3, 995.8, 998.0, 887.6, 888.8, 120.2, 119.6, 0.3, 0.3],
  [0.3, 0.6, 556.8, 557.6, 339.1, 339.3, 887.2, 888.0, 999.0, 998.5, 779.0, 778.9, 11.1, 10.2, 118.3, 117.6],
  [229.2, 228.9, 669.1, 668.4, 448.9, 449.2, 0.5, 0.2],
].flat()

it('fits the certified line of a reference data set', () => {
  const x = NORRIS.filter((_, i) => i % 2 === 0)
  const y = NORRIS.filter((_, i) => i % 2 === 1)
  expect(x).toHaveLength(36)
  expect(fitLine(x, y).slope).toBeCloseTo(1.00211681802045, 12)
  const late = x.map((v) => v + 1e9)
  expect(fitLine(late, y).slope).toBeCloseTo(1.00211681802045, 6)
  expect(fitLine(x, y).mean).toBeCloseTo(y.reduce((a, b) => a + b, 0) / 36, 9)
  const { slope, mean: meanY, meanT } = fitLine(x, y)
  expect(meanY - slope * meanT).toBeCloseTo(-0.262323073774029, 10)
  expect(fitLine([1], [2]).slope).toBeNaN()
})

it('draws the same numbers from the same seed, and others from another', () => {
  const draw = (seed: number) => {
    const random = randomFrom(seed)
    return Array.from({ length: 5 }, () => [random.uniform(), random.normal()])
  }
  expect(draw(7)).toEqual(draw(7))
  expect(draw(7)).not.toEqual(draw(8))
})

it('draws evenly from 0 to 1, and normally about nothing', () => {
  const random = randomFrom(3)
  const even = Array.from({ length: 20_000 }, () => random.uniform())
  expect(even.every((v) => v >= 0 && v < 1)).toBe(true)
  // Of a rectangular distribution: mean ½, deviation 1/√12; four standard errors either way.
  expect(Math.abs(mean(even) - 0.5)).toBeLessThan(4 / Math.sqrt(12 * 20_000))
  expect(standardDeviation(even)).toBeCloseTo(1 / Math.sqrt(12), 2)
  const normal = Array.from({ length: 20_000 }, () => random.normal())
  expect(normal.every(Number.isFinite)).toBe(true)
  expect(Math.abs(mean(normal))).toBeLessThan(4 / Math.sqrt(20_000))
  expect(Math.abs(standardDeviation(normal) - 1)).toBeLessThan(0.02)
  // 68.3 % lie within one deviation, 95.4 % within two (tables of the normal distribution).
  const within = (k: number) => normal.filter((v) => Math.abs(v) < k).length / normal.length
  expect(within(1)).toBeCloseTo(0.683, 1.5)
  expect(within(2)).toBeCloseTo(0.954, 1.5)
})

it('takes the value below which a share lies, in any order, and none of nothing', () => {
  const values = [20, 3, 8, 6, 7, 13, 9, 8, 10, 16, 15]
  expect(quantile(values, 0.5)).toBe(9)
  expect(quantile(Float64Array.from(values), 0.9)).toBe(16)
  expect(quantile([], 0.5)).toBeNaN()
})

it('says between which shares a count leaves the truth, exactly', () => {
  // 4 of 20 at 90 %: 0.071354 and 0.401029 (e-Handbook of statistical methods 7.2.4.1, from memory).
  const [low, high] = exactInterval(4, 20, 0.9)
  expect(low).toBeCloseTo(0.071354, 6)
  expect(high).toBeCloseTo(0.401029, 5)
  // None of n: 1 − 0.025^(1/n), in closed form; all of n is its mirror image.
  expect(exactInterval(0, 10)).toEqual([0, expect.closeTo(1 - 0.025 ** 0.1, 9)])
  expect(exactInterval(10, 10)).toEqual([expect.closeTo(0.025 ** 0.1, 9), 1])
})
