import { mean as meanOf, sampleStandardDeviation } from 'simple-statistics'

/** The arithmetic mean; NaN of nothing. */
export const mean = (values: ArrayLike<number>): number =>
  values.length === 0 ? NaN : meanOf(Array.from(values))

/** The standard deviation of a sample (n − 1); NaN of fewer than two. */
export const deviation = (values: ArrayLike<number>): number =>
  values.length < 2 ? NaN : sampleStandardDeviation(Array.from(values))
