import { expect, it } from 'vitest'
import { bendAt } from './bend'

/** The cubic in its other form, by the Hermite basis, less the straight line: slopes are given, not made. */
function byBasis(width: number, y0: number, y1: number, d0: number, d1: number, s: number): number {
  const cubic =
    y0 * (2 * s ** 3 - 3 * s ** 2 + 1) +
    y1 * (3 * s ** 2 - 2 * s ** 3) +
    width * d0 * (s ** 3 - 2 * s ** 2 + s) +
    width * d1 * (s ** 3 - s ** 2)
  return cubic - (y0 + s * (y1 - y0))
}

it('lies off the straight line by the cubic whose slopes are weighted harmonic means of their neighbours’', () => {
  // Slopes 1, 2 and 3, a second apart: 4/3 and 12/5 at the ends (Fritsch and Carlson, from memory).
  expect(bendAt([0, 1, 2, 3], [0, 1, 3, 6], 1.5)).toBeCloseTo(-2 / 15, 12)
  for (const at of [1, 1.25, 1.9, 2])
    expect(bendAt([0, 1, 2, 3], [0, 1, 3, 6], at)).toBeCloseTo(byBasis(1, 1, 3, 4 / 3, 12 / 5, at - 1), 12)
  // Uneven steps of 4, 2 and 8 with slopes 1/2, 2 and 1/4: weights 10 and 8, then 18 and 12.
  const [d0, d1] = [18 / (10 / 2 + 8 / 0.5), 30 / (18 / 2 + 12 / 0.25)]
  for (const at of [4.5, 5, 5.7])
    expect(bendAt([0, 4, 6, 14], [0, 2, 6, 8], at)).toBeCloseTo(byBasis(2, 2, 6, d0, d1, (at - 4) / 2), 12)
})

it('is level where the curve turns round, and straight where there is nothing outside', () => {
  expect(bendAt([0, 1, 2, 3], [5, 1, 3, 1], 1.25)).toBeCloseTo(byBasis(1, 1, 3, 0, 0, 0.25), 12)
  expect(bendAt([0, 1, 2, 3], [1, 1, 3, 3], 1.25)).toBeCloseTo(byBasis(1, 1, 3, 0, 0, 0.25), 12)
  expect(bendAt([NaN, 1, 2, NaN], [NaN, 1, 3, NaN], 1.25)).toBeCloseTo(0, 12)
  expect(bendAt([NaN, 1, 2, 3], [NaN, 1, 3, 6], 1.25)).toBeCloseTo(byBasis(1, 1, 3, 2, 12 / 5, 0.25), 12)
  // Two readings at one moment have no curve between them.
  expect(bendAt([0, 1, 1, 3], [0, 1, 3, 6], 1)).toBe(0)
  expect(bendAt([1, 1, 2, 2], [0, 1, 3, 6], 1.25)).toBeCloseTo(0, 12)
})
