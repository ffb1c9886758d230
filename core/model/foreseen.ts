import type { AcceptanceCurve } from './acceptance'
import { forecast, levelAfter, type Forecast } from './forecast'

/** What a source that was not tested would do, by a full run of the device on another. */
export interface Foreseen {
  half: Forecast
  full: Forecast
  /** Points gained by the agreed moment. */
  gain: number
}
export interface ForeseenFrom {
  /** The level at which it would begin, %. */
  from: number
  /** The agreed moment, s from power-on. */
  atS: number
}

/**
 * What `watts` at the device's meter would do with it: to half, to full, and by the agreed moment.
 * @param repeatability how well runs repeat, a share
 * @returns null where nothing would reach it, or it is full at the start
 */
export function foresee(
  curve: AcceptanceCurve,
  watts: number,
  { from, atS }: ForeseenFrom,
  repeatability?: number,
): Foreseen | null {
  if (!(watts > 0) || !(from < 100)) return null
  const to = (percent: number) => forecast(curve, { sourceWatts: watts, from, to: percent, repeatability })
  return { half: to(50), full: to(100), gain: levelAfter(curve, watts, from, atS) - from }
}

/** Points gained by the agreed moment at `steps` even steps up to `mostWatts`: the line behind measured points. */
export function gainsByWatts(
  curve: AcceptanceCurve,
  mostWatts: number,
  { from, atS }: ForeseenFrom,
  steps = 40,
): { watts: number; gain: number }[] {
  if (!(mostWatts > 0) || !(from < 100)) return []
  return Array.from({ length: steps }, (_, i) => (mostWatts * (i + 1)) / steps).map((watts) => ({
    watts,
    gain: levelAfter(curve, watts, from, atS) - from,
  }))
}
