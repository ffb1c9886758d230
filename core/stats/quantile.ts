import { quantile as quantileOf } from 'simple-statistics'

/**
 * The value below which a share of the values lies; NaN of none.
 *
 * @param share 0–1
 * @example quantile([3, 6, 7, 8, 8, 9, 10, 13, 15, 16, 20], 0.5) // 9
 */
export const quantile = (values: ArrayLike<number>, share: number): number =>
  values.length === 0 ? NaN : quantileOf(Array.from(values), share)
