import { firstAtOrAfter, type Samples } from '../../trace/samples'
import type { Onset } from './onset'

/** Lags, device's clock to meter's, between which the true one must lie. s */
export interface LagBounds {
  low: number
  high: number
}

/** A display may show what it is told so much later, s. */
const REFRESH_S = 5
/** A display that has just begun to charge shows its next point within so many times what a point takes after it, and so much. */
const FIRST_POINT = { times: 2, besideS: 30 }
/** A point's time is taken over so many. */
const POINTS = 5

/**
 * What the first rise of a level that never falls says of the lag: no level rises before power-on; and where the display
 * stood at one level for longer than a point may take and then rose point by point, power-on is no further before its
 * first rise. Without end where nothing is known: what fell was charged before, or is not to be relied on.
 *
 * @param shown levels by the device's clock
 * @param flows power-on by the meter's
 */
export function lagBounds(shown: Samples, flows: Onset): LagBounds {
  const { t, v } = shown
  const none = { low: -Infinity, high: Infinity }
  if (t.length === 0 || Number.isNaN(flows.earliestS)) return none
  const rose = v.findIndex((level) => level > v[0])
  if (rose < 0 || v.some((level, i) => level < v[i - 1])) return none
  const stood = rose - 1
  const low = flows.earliestS - t[rose] - 2 * REFRESH_S
  const point = pointTime(shown, rose)
  const most = FIRST_POINT.times * point + FIRST_POINT.besideS
  const isSure = t[stood] - t[0] > most
  return { low, high: isSure ? flows.latestS - t[stood] + most : Infinity }
}

/** Seconds a point took from the first rise on, where the level rose point by point; NaN elsewhere. */
function pointTime({ t, v }: Samples, rose: number): number {
  const to = firstAtOrAfter(v.subarray(rose), v[rose] + POINTS) + rose
  if (v[rose] !== v[rose - 1] + 1 || to >= v.length || v[to] !== v[rose] + POINTS) return NaN
  return (t[to] - t[rose]) / POINTS
}
