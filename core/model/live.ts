import type { AcceptanceCurve } from './acceptance'
import { forecastS } from './forecast'

/** Pace is read over at least this long, where there is as much: shorter, and whole points rule it. s */
const RATE_SPAN_S = 600
/** Over less than this a rate is made of the whole points of the display, and of little else. s */
const LEAST_SPAN_S = 60
/** Fewer points gained than this say nothing yet about the run's own pace. */
const LEAST_POINTS = 3
/** A pace outside this share of the forecast means that something else is wrong; it is not followed further. */
const PACE_RANGE = [0.33, 4] as const

/** A level shown at a moment. Seconds, percent. */
export interface Shown {
  t: number
  percent: number
}

/** Points per minute over the last ten minutes or so; NaN before two levels a minute apart were read. */
export function recentRate(levels: readonly Shown[]): number {
  const last = levels.at(-1)
  const first = levels.findLast((r) => last && r.t <= last.t - RATE_SPAN_S) ?? levels[0]
  if (!last || !first || last.t - first.t < LEAST_SPAN_S) return NaN
  return ((last.percent - first.percent) / (last.t - first.t)) * 60
}

/**
 * Seconds from now to a level. The forecast from the device's curve is stretched by how this run has kept to
 * it so far, so that it grows better as the run goes. NaN when it cannot be told; 0 when the level is reached.
 */
export function remainingS(
  curve: AcceptanceCurve,
  sourceWatts: number,
  levels: readonly Shown[],
  nowS: number,
  toPercent = 100,
): number {
  const [first, last] = [levels[0], levels.at(-1)]
  if (!first || !last) return NaN
  if (last.percent >= toPercent) return 0
  const ahead = forecastS(curve, sourceWatts, last.percent, toPercent) * paceOf(curve, sourceWatts, levels)
  return Math.max(0, ahead - (nowS - last.t))
}

/** Time taken so far over time forecast for it: above 1 is slower than forecast. */
function paceOf(curve: AcceptanceCurve, sourceWatts: number, levels: readonly Shown[]): number {
  const [first, last] = [levels[0], levels.at(-1)!]
  if (last.percent - first.percent < LEAST_POINTS) return 1
  // The moment at which the last level was first seen: since then it has stood still.
  const seen = levels.find((r) => r.percent >= last.percent)!
  const forecast = forecastS(curve, sourceWatts, first.percent, last.percent)
  const pace = (seen.t - first.t) / forecast
  return Number.isFinite(pace) ? Math.min(PACE_RANGE[1], Math.max(PACE_RANGE[0], pace)) : 1
}
