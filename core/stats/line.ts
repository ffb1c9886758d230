import { linearRegression, mean } from 'simple-statistics'

/** A straight line through points, by least squares. */
export interface Line {
  /** Units of v per unit of t. */
  slope: number
  /** Mean of the values, and of the places they stand at: the line goes through that point. */
  mean: number
  meanT: number
}

/**
 * Fits a straight line through two points or more; NaN throughout with fewer.
 *
 * @example fitLine([0, 60], [10, 16]) // { slope: 0.1, mean: 13, meanT: 30 }
 */
export function fitLine(t: ArrayLike<number>, v: ArrayLike<number>): Line {
  if (t.length < 2) return { slope: NaN, mean: NaN, meanT: NaN }
  // Counted from the first, so that a late clock costs no digits.
  const { m } = linearRegression(Array.from(t, (at, i) => [at - t[0], v[i]]))
  return { slope: m, mean: mean(Array.from(v)), meanT: mean(Array.from(t)) }
}
