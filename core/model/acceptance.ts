import { bisectLeft } from 'd3-array'
import { cut } from '../analysis/integral'
import { milestone } from '../analysis/milestones'
import { restingPlateau } from '../analysis/taper'
import { samplesOf } from '../trace/samples'
import { powerColumn, type Trace } from '../trace/trace'
import { levelMap, type LevelMap } from './levelMap'

/**
 * What a device lets into its battery, watt by watt-hour: watts beyond what it draws when full, along the energy
 * delivered to the battery since empty, straight lines between points. `energyWh` rises from 0 to a full charge.
 */
export interface AcceptanceCurve {
  energyWh: Float64Array
  watts: Float64Array
  /** What the display showed along it; null where no run showed any: levels are shares of the energy then. */
  levels: LevelMap | null
  /** What the device draws when full, W: it is drawn beside the charge, on any source. */
  restingW: number
  /** Made from a run of this device, or the generic curve of its kind. */
  origin: 'run' | 'generic'
}

/** What lies between the meter and the device of the run that a curve is made from. */
export interface AcceptanceOptions {
  /** W at the device; where left out, what the run shows after the display turned full, else nothing. */
  restingW?: number
  /** Share of the watts at the meter that reaches the device: 1 for a wire, less for a pad. */
  linkEfficiency?: number
}

/** A run counts as full when it starts this low and ends this high, in percent. */
const FULL_FROM = 10
const FULL_TO = 99
/** Below this power a charge is over rather than slow, as a share of the most taken. */
const FLOOR_SHARE = 0.005

/**
 * The acceptance curve of a full run: full is the display's 100 %. What a run that began above empty or was ended
 * at 99 did not see is taken at the power it began or ended with. Null when the trace is not a full run with power.
 */
export function acceptanceFrom(trace: Trace, options: AcceptanceOptions = {}): AcceptanceCurve | null {
  const power = powerColumn(trace)
  const span = fullSpan(trace)
  if (!power || !span) return null
  const { t, v } = cut(samplesOf(trace.time, power), span.fromS, span.toS)
  if (t.length < 3) return null
  const link = options.linkEfficiency ?? 1
  // Columns may hold a million readings: no step spreads one into arguments.
  const peak = v.reduce((most, w) => Math.max(most, w), 0)
  const restingW = options.restingW ?? restingPlateau(trace, peak) * link
  const floor = FLOOR_SHARE * (peak * link - restingW)
  if (!(floor > 0)) return null
  const read = v.map((w) => Math.max(w * link - restingW, floor))
  const all = cumulative(t, read)
  const { wh: total, watts: battery } = thinned(t, all, read)
  const whole = total[total.length - 1] / (1 - span.startShare - span.endShare)
  const [lead, trail] = [span.startShare > 0 ? 1 : 0, span.endShare > 0 ? 1 : 0]
  const energyWh = new Float64Array(battery.length + lead + trail)
  const watts = new Float64Array(energyWh.length)
  total.forEach((e, i) => (energyWh[i + lead] = e + whole * span.startShare))
  watts.set(battery, lead)
  if (lead) watts[0] = firstCharging(v, read)
  if (trail) {
    energyWh[energyWh.length - 1] = whole
    watts[watts.length - 1] = battery[battery.length - 1]
  }
  const { startShare, endShare, toS } = span
  const firstWh = whole * startShare
  const levels = trace.percent
    ? levelMap(
        trace,
        { t, v: all.map((e) => e + firstWh) },
        {
          first: 100 * startShare,
          last: 100 * (1 - endShare),
          firstWh,
          lastWh: whole * (1 - endShare),
          wholeWh: whole,
          toS,
        },
      )
    : null
  return { energyWh, watts, levels, restingW, origin: 'run' }
}

/** Knots of a curve, at most: one every few seconds of the longest charge. */
const MOST_KNOTS = 2000

/**
 * The same charge by fewer knots, so that a forecast from a log of a million readings takes no longer than from one of
 * thousands: energy is what it was at each knot, watts are the mean of the stretch about it.
 */
function thinned(t: Float64Array, wh: Float64Array, watts: Float64Array) {
  if (t.length <= 2 * MOST_KNOTS) return { wh, watts }
  const last = t.length - 1
  const step = (t[last] - t[0]) / MOST_KNOTS
  const at = [
    ...new Set(Array.from({ length: MOST_KNOTS + 1 }, (_, k) => bisectLeft(t, t[0] + k * step))),
  ].map((i) => Math.min(i, last))
  const mean = (i: number, k: number) => {
    const [from, to] = [at[Math.max(0, k - 1)], at[Math.min(at.length - 1, k + 1)]]
    const seconds = t[to] - t[from]
    return seconds > 0 ? ((wh[to] - wh[from]) * 3600) / seconds : watts[i]
  }
  return { wh: Float64Array.from(at, (i) => wh[i]), watts: Float64Array.from(at, mean) }
}

/** The first watts that were not nothing: a reading at the switch itself often shows 0. */
const firstCharging = (meter: Float64Array, battery: Float64Array): number =>
  battery[
    Math.max(
      0,
      meter.findIndex((w) => w > 0),
    )
  ]

/** Hold at the most it takes to this share, then an exponential taper to the end. */
const HOLD_UNTIL = 0.8
const TAPER_ENDS_AT = 0.05
const GENERIC_POINTS = 500

/** The generic curve: hold, then taper. Wh at the meter, W; what the device draws beside it is not known. */
export function genericAcceptance(meterWh: number, mostWatts: number): AcceptanceCurve {
  const hold = HOLD_UNTIL
  const share = (i: number) => i / GENERIC_POINTS
  // An exponential fall in time is a straight fall along energy, ending at the taper's last power.
  const power = (s: number) => (s <= hold ? 1 : 1 - (1 - TAPER_ENDS_AT) * ((s - hold) / (1 - hold)))
  const shares = Float64Array.from({ length: GENERIC_POINTS + 1 }, (_, i) => share(i))
  return {
    energyWh: shares.map((s) => s * meterWh),
    watts: shares.map((s) => power(s) * mostWatts),
    levels: null,
    restingW: 0,
    origin: 'generic',
  }
}

interface Span {
  fromS: number
  toS: number
  /** Shares of the full charge's energy that the run did not see. */
  startShare: number
  endShare: number
}

function fullSpan(trace: Trace): Span | null {
  const { time, percent } = trace
  if (time.length < 3) return null
  // A trace without levels is taken at its word: from empty to full.
  if (!percent) return { fromS: time[0], toS: time[time.length - 1], startShare: 0, endShare: 0 }
  const first = percent.find((p) => !Number.isNaN(p))
  const last = percent.findIndex((p) => p >= FULL_TO)
  if (first === undefined || first > FULL_FROM || last < 0) return null
  const full = percent.findIndex((p) => p >= 100)
  // A display's first points are not all used up when it shows 0: what it shows is the level.
  const ends = full < 0 ? percent.findLastIndex((p) => p >= FULL_TO) : full
  // It turned full before it was seen to be.
  const toS = full < 0 ? time[ends] : milestone(trace, 100).timeS
  return { fromS: time[0], toS, startShare: first / 100, endShare: (100 - percent[ends]) / 100 }
}

function cumulative(t: Float64Array, v: Float64Array): Float64Array {
  const sum = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++)
    sum[i] = sum[i - 1] + (((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])) / 3600
  return sum
}
