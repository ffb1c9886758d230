import { quantile } from '../../stats/quantile'
import { firstAtOrAfter, type Samples } from '../../trace/samples'

/** What flows for less than this is a blip, s. */
const FOR_GOOD_S = 10
/** Flowing is what lies above this share of what usually flows. */
const FLOWING_SHARE = 0.05

/** What lies above it flows: a twentieth of what usually does. In the column's unit; NaN where nothing flows. */
export function flowLimit(v: Float64Array): number {
  const limit =
    limits.get(v) ??
    FLOWING_SHARE *
      quantile(
        v.filter((value) => value > 0),
        0.9,
      )
  limits.set(v, limit)
  return limit
}
/** Columns are never changed in place: a long one is asked about more than once. */
const limits = new WeakMap<Float64Array, number>()

/** When something began to flow: after the last sample at which it did not, by the first at which it did. s */
export interface Onset {
  earliestS: number
  latestS: number
}

/**
 * The first moment from which something flows for good: at least 10 s without a break, above a twentieth of what
 * usually flows. Null where nothing flows; `earliestS` is NaN where it flowed already at the first sample.
 *
 * @param samples watts or amperes, positive into the device; seconds
 * @example onset({ t: Float64Array.of(0, 5, 10, 25), v: Float64Array.of(0, 9, 9, 9) }) // { earliestS: 0, latestS: 5 }
 */
export function onset({ t, v }: Samples): Onset | null {
  if (t.length === 0) return null
  const limit = flowLimit(v)
  if (Number.isNaN(limit)) return null
  for (let i = 0; i < t.length; i++) {
    if (!(v[i] > limit)) continue
    const until = firstAtOrAfter(t, t[i] + FOR_GOOD_S)
    const breaks = v.subarray(i, until).findIndex((value) => !(value > limit))
    const lasts = until < t.length || t[t.length - 1] - t[i] >= FOR_GOOD_S
    if (breaks < 0 && lasts && v[Math.min(until, t.length - 1)] > limit)
      return { earliestS: i > 0 ? t[i - 1] : NaN, latestS: t[i] }
    if (breaks > 0) i += breaks
  }
  return null
}
