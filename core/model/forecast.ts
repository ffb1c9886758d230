import type { AcceptanceCurve } from './acceptance'
import { energyAt, energyAtTurn, levelAt } from './levelMap'

/**
 * Seconds from one level to another on a source that gives at most `sourceWatts`:
 * dt = dE / min(A(E), P × link efficiency − resting draw). From a level as it is shown, somewhere within its point, to
 * the moment at which the display turns to the other, both in percent; each stands for the energy at which the curve's
 * own run showed it. NaN when nothing reaches the battery or the levels do not rise.
 *
 * @param linkEfficiency share of the source's watts that reaches the device: 1 for a wire, less for a pad
 */
export function forecastS(
  curve: AcceptanceCurve,
  sourceWatts: number,
  from: number,
  to: number,
  linkEfficiency = 1,
): number {
  const cap = sourceWatts * linkEfficiency - curve.restingW
  if (!(cap > 0) || !(to > from)) return NaN
  return secondsFor(curve, cap, energyAt(curve, from), energyAtTurn(curve, to))
}

/** Seconds to bring the energy in from `low` to `high`, Wh since empty, with at most `cap` watts. */
function secondsFor(curve: AcceptanceCurve, cap: number, low: number, high: number): number {
  let hours = 0
  for (let i = 1; i < curve.energyWh.length; i++) {
    const [e0, e1] = [curve.energyWh[i - 1], curve.energyWh[i]]
    const [a, b] = [Math.max(low, e0), Math.min(high, e1)]
    if (b <= a) continue
    const at = (e: number) => wattsBetween(curve.watts[i - 1], curve.watts[i], (e - e0) / (e1 - e0))
    hours += hoursAcross(b - a, at(a), at(b), cap)
  }
  return hours * 3600
}

/** The level, in percent, reached after some time from a level. One walk along the curve: a ladder asks for dozens. */
export function levelAfter(
  curve: AcceptanceCurve,
  sourceWatts: number,
  from: number,
  seconds: number,
  linkEfficiency = 1,
): number {
  const { energyWh, watts, restingW } = curve
  const cap = sourceWatts * linkEfficiency - restingW
  const low = energyAt(curve, from)
  if (!(cap > 0) || !(from < 100)) return from
  let left = seconds / 3600
  for (let i = 1; i < energyWh.length; i++) {
    const [e0, e1] = [energyWh[i - 1], energyWh[i]]
    const start = Math.max(low, e0)
    if (e1 <= start) continue
    const at = (e: number) => wattsBetween(watts[i - 1], watts[i], (e - e0) / (e1 - e0))
    const takes = (to: number) => hoursAcross(to - start, at(start), at(to), cap)
    const hours = takes(e1)
    if (hours <= left) {
      left -= hours
      continue
    }
    return Math.max(from, levelAt(curve, whereSpent(takes, start, e1, left)))
  }
  return 100
}

/** The energy at which `hours` are spent, between two at which too little and too much are. */
function whereSpent(takes: (to: number) => number, low: number, high: number, hours: number): number {
  let [a, b] = [low, high]
  for (let i = 0; i < 40; i++) {
    const middle = (a + b) / 2
    if (takes(middle) > hours) b = middle
    else a = middle
  }
  return a
}

/** Where power moves straight with time, its square moves straight with energy. */
const wattsBetween = (w0: number, w1: number, share: number): number =>
  Math.sqrt(w0 * w0 + (w1 * w1 - w0 * w0) * share)

/** Hours to deliver `wh` while the device's own limit moves from w0 to w1, capped by the source. */
function hoursAcross(wh: number, w0: number, w1: number, cap: number): number {
  if (w0 >= cap && w1 >= cap) return wh / cap
  if (w0 <= cap && w1 <= cap) return (2 * wh) / (w0 + w1)
  const [high, low] = [Math.max(w0, w1), Math.min(w0, w1)]
  const over = (high * high - cap * cap) / (high * high - low * low)
  return wh * (over / cap + (2 * (1 - over)) / (cap + low))
}

/** What a forecast speaks of. Levels in percent, watts at the source. */
export interface ForecastQuestion {
  sourceWatts: number
  from: number
  to: number
  /** Share of the source's watts that reaches the device; 1 where left out. */
  linkEfficiency?: number
  /** True where nobody measured that share. */
  linkAssumed?: boolean
  /** How well runs of one set-up repeat, as a share of their time; assumed where left out. */
  repeatability?: number
}

/** Seconds, their standard uncertainty, and what had to be assumed, in words. */
export interface Forecast {
  seconds: number
  uncertaintyS: number
  assumed: string[]
}

/** Assumed until a logbook's own repeats say otherwise. */
export const ASSUMED_REPEATABILITY = 0.02
/** How far a curve lies off as a share of time: of a run, and of a kind of device. */
const CURVE_U = { run: 0.01, generic: 0.15 }
/** At this much of its capacity an hour, about a twentieth of what goes into a cell is lost in it (from memory). */
const CELL_LOSS_AT_1C = 0.05
/** What a device draws when full, where its run did not show it: at most this share of the most it takes. */
const RESTING_AT_MOST = 0.02
/** A link's efficiency that nobody measured may lie this far off. */
const LINK_OFF_BY = 0.1
const RECTANGULAR = Math.sqrt(3)

/**
 * A forecast with its spread: how well runs repeat, the curve's own, what is lost in a cell that is charged at another
 * pace, the displays' half points at both ends, and what was assumed; in quadrature (GUM JCGM 100:2008 §5.1.2,
 * rectangular parts by §4.3.7).
 *
 * @returns NaN for both where nothing reaches the battery or the levels do not rise
 * @example forecast(genericAcceptance(20, 20), { sourceWatts: 5, from: 0, to: 80 }).seconds // 11520
 */
export function forecast(curve: AcceptanceCurve, question: ForecastQuestion): Forecast {
  const { sourceWatts, from, to, linkEfficiency = 1 } = question
  const reach = (watts: number, a: number, b: number) => forecastS(curve, watts, a, b, linkEfficiency)
  const seconds = reach(sourceWatts, from, to)
  const total = curve.energyWh[curve.energyWh.length - 1]
  const most = curve.watts.reduce((top, w) => Math.max(top, w), 0)
  const cap = sourceWatts * linkEfficiency - curve.restingW
  const own = reach(Infinity, from, to)
  const pace = CELL_LOSS_AT_1C * ((to - from) / 100) * 3600 * (1 / own - 1 / seconds)
  // Half a point at each end, in seconds of the charge there.
  const [low, high] = [energyAt(curve, from), energyAtTurn(curve, to)]
  const ends =
    (secondsFor(curve, cap, low, low + total / 100) + secondsFor(curve, cap, high - total / 100, high)) / 2
  const assumed: string[] = []
  const parts = [
    seconds * (question.repeatability ?? ASSUMED_REPEATABILITY),
    seconds * CURVE_U[curve.origin],
    (seconds * pace) / RECTANGULAR,
    ends / 2 / RECTANGULAR,
  ]
  if (curve.origin === 'generic') assumed.push('the generic curve of its kind')
  if (question.repeatability === undefined) assumed.push('runs that repeat within 2 %')
  if (curve.restingW === 0) {
    assumed.push('nothing drawn beside the charge')
    parts.push((seconds * Math.min(1, (RESTING_AT_MOST * most) / cap)) / RECTANGULAR)
  }
  if (question.linkAssumed) {
    assumed.push(`${Math.round(linkEfficiency * 100)} % of the watts arriving`)
    parts.push((seconds * LINK_OFF_BY) / linkEfficiency / RECTANGULAR)
  }
  return { seconds, uncertaintyS: total > 0 ? Math.hypot(...parts) : NaN, assumed }
}
