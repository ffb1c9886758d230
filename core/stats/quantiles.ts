import jStat from 'jstat'

/**
 * Quantile of Student's t distribution.
 *
 * @param share 0–1
 * @param freedom degrees of freedom, above 0
 * @example studentT(0.975, 8) // 2.306
 */
export const studentT = (share: number, freedom: number): number => jStat.studentt.inv(share, freedom)

/** Each takes some fifteen milliseconds to find, and a comparison asks for the same few. */
const ranges = new Map<string, number>()

/**
 * Quantile of the studentised range (Tukey): how far apart the extremes of `groups` equal means lie, in units of their
 * own standard deviation.
 *
 * @example studentisedRange(0.95, 3, 10) // 3.877
 */
export function studentisedRange(share: number, groups: number, freedom: number): number {
  const key = `${share} ${groups} ${freedom}`
  const found = ranges.get(key) ?? jStat.tukey.inv(share, groups, freedom)
  ranges.set(key, found)
  return found
}
