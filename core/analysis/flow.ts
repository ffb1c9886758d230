import { currentColumn, powerColumn, type Trace } from '../trace/trace'
import {
  firstAfter,
  firstAtOrAfter,
  medianInterval,
  samplesOf,
  valueAfter,
  valueAt,
  type Samples,
} from '../trace/samples'
import { countBetween, countOf, type Count } from './counter'
import { gapThreshold, integrate, type Span } from './integral'

const SECONDS_PER_HOUR = 3600
/** Readings of power further apart than this, s, are coarser than the meter's own count. */
const COARSE_ABOVE_S = 60

/** What goes past a meter: its rate as read (W or A), its running total (Wh or Ah), and which of the two is the better. */
export interface Flow {
  rate: Samples
  count: Count | null
  from: 'integral' | 'counter'
  /** Seconds above which an interval of the rate is a gap. */
  threshold: number
}

/** The most that any source gives: 48 V at 5 A (USB Power Delivery, from memory); and more amperes than any cable carries. */
const HIGHEST_W = 240
const HIGHEST_A = 20

const flowOf = (rate: Samples, counter: Samples, highest: number): Flow => {
  const count = countOf(counter, rate, highest)
  const coarse = rate.t.length < 2 || medianInterval(rate) > COARSE_ABOVE_S
  return { rate, count, from: count && coarse ? 'counter' : 'integral', threshold: gapThreshold(rate) }
}

/** Watts and watt-hours of a trace. */
export const energyFlow = (trace: Trace): Flow =>
  flowOf(samplesOf(trace.time, powerColumn(trace)), samplesOf(trace.time, trace.counterWh), HIGHEST_W)

/** Amperes and ampere-hours of a trace. */
export const chargeFlow = (trace: Trace): Flow =>
  flowOf(samplesOf(trace.time, currentColumn(trace)), samplesOf(trace.time, trace.counterAh), HIGHEST_A)

/** What went past between two moments, Wh or Ah; seconds. */
export interface Passed {
  /** As the meter saw it: by its count where that is the better, else by the integral of its readings. */
  measured: number
  /** What is taken to have flowed while nobody read it; not part of `measured`. */
  bridged: number
  /** Of both together: what flowed into the device, and what it gave back. */
  into: number
  outOf: number
  /** Seconds of the stretch that the meter covers. */
  coveredS: number
  gaps: Span[]
  /** Standard uncertainty of the sum of both, without the meter's own accuracy. */
  uncertainty: number
}

/** Works out what passed within `span`. NaN where neither rate nor count was read. */
export function passed(flow: Flow, span: Span): Passed {
  const { count, from } = flow
  if (from === 'integral' || !count) return byIntegral(flow, span)
  const { total, coveredS } = countBetween(count, span.startS, span.endS)
  const parts = [
    { startS: span.startS, endS: Math.min(span.endS, count.startS) },
    { startS: Math.max(span.startS, count.endS), endS: span.endS },
  ].filter((part) => part.endS > part.startS)
  const beside = flow.rate.t.length ? parts.map((part) => byIntegral(flow, part)) : []
  const sum = (of: (p: Passed) => number) => beside.reduce((all, p) => all + of(p), 0)
  return {
    measured: total + sum((p) => p.measured),
    bridged: sum((p) => p.bridged),
    into: total + sum((p) => p.into),
    outOf: sum((p) => p.outOf),
    coveredS: coveredS + sum((p) => p.coveredS),
    gaps: beside.length ? beside.flatMap((p) => p.gaps) : parts,
    uncertainty: Math.hypot(...beside.map((p) => p.uncertainty)),
  }
}

function byIntegral({ rate, threshold }: Flow, span: Span): Passed {
  if (rate.t.length === 0)
    return { measured: NaN, bridged: NaN, into: NaN, outOf: NaN, coveredS: 0, gaps: [], uncertainty: NaN }
  const inside = within(rate, span)
  const i = integrate(inside, { threshold, span })
  return {
    measured: i.measured / SECONDS_PER_HOUR,
    bridged: i.bridged / SECONDS_PER_HOUR,
    into: i.into / SECONDS_PER_HOUR,
    outOf: i.outOf / SECONDS_PER_HOUR,
    coveredS: i.measuredS,
    gaps: i.gaps,
    uncertainty: Math.hypot(i.bridgedLimit / Math.sqrt(3), coarseness(inside)) / SECONDS_PER_HOUR,
  }
}

/** The rate within a span, with what it was at the ends; outside all readings, the nearest one. */
function within({ t, v }: Samples, { startS, endS }: Span): Samples {
  const last = t.length - 1
  if (startS <= t[0] && endS >= t[last]) return { t, v }
  if (endS <= t[0]) return { t: Float64Array.of(endS), v: Float64Array.of(v[0]) }
  if (startS >= t[last]) return { t: Float64Array.of(startS), v: Float64Array.of(v[last]) }
  const [from, to] = [firstAfter(t, startS), firstAtOrAfter(t, endS)]
  const head = startS >= t[0] ? 1 : 0
  const tail = endS <= t[last] ? 1 : 0
  const inside = Math.max(0, to - from)
  const times = new Float64Array(head + inside + tail)
  const values = new Float64Array(times.length)
  times.set(t.subarray(from, from + inside), head)
  values.set(v.subarray(from, from + inside), head)
  if (head) [times[0], values[0]] = [startS, valueAfter({ t, v }, startS)]
  if (tail) [times[head + inside], values[head + inside]] = [endS, valueAt({ t, v }, endS)]
  return { t: times, v: values }
}

/**
 * What straight lines between readings may have missed, in value × seconds: the trapezoidal rule's error as the
 * difference to every second reading tells it, a third of it (Richardson's extrapolation; textbooks of numerical
 * analysis, from memory).
 */
function coarseness({ t, v }: Samples): number {
  const last = t.length - 1
  const area = (i: number, j: number) => ((v[i] + v[j]) / 2) * (t[j] - t[i])
  let difference = 0
  for (let i = 2; i <= last; i += 2) difference += area(i - 2, i - 1) + area(i - 1, i) - area(i - 2, i)
  return Math.abs(difference) / 3
}
