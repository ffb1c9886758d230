import { cut } from '../analysis/integral'
import { samplesOf } from '../trace/samples'
import { powerColumn, type Trace } from '../trace/trace'

/**
 * What a device takes, watt by watt-hour: meter watts along the energy delivered since empty, straight lines
 * between points. `energyWh` rises from 0 to what a full charge takes at the meter.
 */
export interface AcceptanceCurve {
  energyWh: Float64Array
  watts: Float64Array
  /** Made from a run of this device, or the generic curve of its kind. */
  origin: 'run' | 'generic'
}

/** A run counts as full when it starts this low and ends this high, in percent. */
const FULL_FROM = 10
const FULL_TO = 99
/** Below this power a charge is over rather than slow, as a share of the most taken. */
const FLOOR_SHARE = 0.005

/**
 * The acceptance curve of a full run. A run that began above empty has its energy share shifted so that the
 * missing start is taken at the power it began with. Null when the trace is not a full run with power.
 */
export function acceptanceFrom(trace: Trace): AcceptanceCurve | null {
  const power = powerColumn(trace)
  const span = fullSpan(trace)
  if (!power || !span) return null
  const { t, v } = cut(samplesOf(trace.time, power), span.fromS, span.toS)
  if (t.length < 3) return null
  const startWatts = v.find((w) => w > 0) ?? NaN
  const total = cumulative(t, v)
  const delivered = total[total.length - 1]
  if (!(delivered > 0)) return null
  const missing = (delivered * span.startShare) / (1 - span.startShare)
  // Columns may hold a million readings: no step spreads one into arguments.
  const floor = FLOOR_SHARE * v.reduce((most, w) => Math.max(most, w), 0)
  const lead = missing > 0 ? 1 : 0
  const energyWh = new Float64Array(v.length + lead)
  const watts = new Float64Array(v.length + lead)
  if (lead) watts[0] = startWatts
  total.forEach((e, i) => (energyWh[i + lead] = e + missing))
  v.forEach((w, i) => (watts[i + lead] = Math.max(w, floor)))
  return { energyWh, watts, origin: 'run' }
}

/** Hold at the most it takes to this share, then an exponential taper to the end. */
const HOLD_UNTIL = 0.8
const TAPER_ENDS_AT = 0.05
const GENERIC_POINTS = 500

/** The generic curve: hold, then taper. Wh at the meter, W. */
export function genericAcceptance(meterWh: number, mostWatts: number): AcceptanceCurve {
  const hold = HOLD_UNTIL
  const share = (i: number) => i / GENERIC_POINTS
  // An exponential fall in time is a straight fall along energy, ending at the taper's last power.
  const power = (s: number) => (s <= hold ? 1 : 1 - (1 - TAPER_ENDS_AT) * ((s - hold) / (1 - hold)))
  const shares = Float64Array.from({ length: GENERIC_POINTS + 1 }, (_, i) => share(i))
  return {
    energyWh: shares.map((s) => s * meterWh),
    watts: shares.map((s) => power(s) * mostWatts),
    origin: 'generic',
  }
}

/**
 * Seconds from one level to another on a source that gives at most `sourceWatts`: dt = dE / min(A(E), P).
 * Levels are shares of the full charge's energy, in percent. NaN when nothing flows or the levels do not rise.
 */
export function forecastS(curve: AcceptanceCurve, sourceWatts: number, from: number, to: number): number {
  const total = curve.energyWh[curve.energyWh.length - 1]
  if (!(sourceWatts > 0) || !(to > from)) return NaN
  const [low, high] = [(from / 100) * total, (to / 100) * total]
  let hours = 0
  for (let i = 1; i < curve.energyWh.length; i++) {
    const [e0, e1] = [curve.energyWh[i - 1], curve.energyWh[i]]
    const [a, b] = [Math.max(low, e0), Math.min(high, e1)]
    if (b <= a) continue
    const at = (e: number) => wattsBetween(curve.watts[i - 1], curve.watts[i], (e - e0) / (e1 - e0))
    hours += hoursAcross(b - a, at(a), at(b), sourceWatts)
  }
  return hours * 3600
}

/** The level, in percent, reached after some time from a level. */
export function levelAfter(
  curve: AcceptanceCurve,
  sourceWatts: number,
  from: number,
  seconds: number,
): number {
  let [low, high] = [from, 100]
  if (!(forecastS(curve, sourceWatts, from, 100) > seconds)) return 100
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (middle > from && forecastS(curve, sourceWatts, from, middle) > seconds) high = middle
    else low = middle
  }
  return low
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

interface Span {
  fromS: number
  toS: number
  startShare: number
}

function fullSpan({ time, percent }: Trace): Span | null {
  if (time.length < 3) return null
  // A trace without levels is taken at its word: from empty to full.
  if (!percent) return { fromS: time[0], toS: time[time.length - 1], startShare: 0 }
  const first = percent.find((p) => !Number.isNaN(p))
  const last = percent.findIndex((p) => p >= FULL_TO)
  if (first === undefined || first > FULL_FROM || last < 0) return null
  const full = percent.findIndex((p) => p >= 100)
  return { fromS: time[0], toS: time[full < 0 ? last : full], startShare: first / 100 }
}

function cumulative(t: Float64Array, v: Float64Array): Float64Array {
  const sum = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++)
    sum[i] = sum[i - 1] + (((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])) / 3600
  return sum
}
