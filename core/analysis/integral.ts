import {
  firstAfter,
  firstAtOrAfter,
  medianInterval,
  valueAfter,
  valueAt,
  type Samples,
} from '../trace/samples'

/** A stretch of the clock, s. */
export interface Span {
  startS: number
  endS: number
}

/** ∫v dt of a channel, with the stretches that nobody watched kept apart. Units: value × seconds. */
export interface Integral {
  /** Over the intervals that were watched. */
  measured: number
  /** Across gaps: by the straight line between their ends, or held from the nearest reading before the first and after the last. */
  bridged: number
  /** What is above zero, and what is below it, of both together; both are given as positive figures. */
  into: number
  outOf: number
  /** Seconds watched, and seconds bridged. */
  measuredS: number
  bridgedS: number
  gaps: Span[]
  /** How far the bridged part may be off, either way: half the step between a gap's ends, half of what was held. */
  bridgedLimit: number
}

/** Seconds above which an interval counts as a gap: max(60 s, 3 × the median interval). */
export function gapThreshold(samples: Samples): number {
  const usual = medianInterval(samples)
  return Number.isNaN(usual) ? 60 : Math.max(60, 3 * usual)
}

/** The two parts of a straight line from `a` to `b` over `step`: above zero and below it, both as positive areas. */
function partsOf(a: number, b: number, step: number): [into: number, outOf: number] {
  if (a >= 0 && b >= 0) return [((a + b) / 2) * step, 0]
  if (a <= 0 && b <= 0) return [0, (-(a + b) / 2) * step]
  const above = Math.max(a, b)
  const below = Math.min(a, b)
  const width = step / (above - below)
  return [(above * above * width) / 2, (below * below * width) / 2]
}

/**
 * Trapezoidal integral: exact for straight-line segments. With a `span` (s), what it holds before the first reading
 * and after the last is bridged with that reading's value. Two readings at one instant are a step.
 *
 * @example integrate({ t: Float64Array.of(300), v: Float64Array.of(9) }, { span: { startS: 0, endS: 300 } }).bridged // 2700
 */
export function integrate(
  samples: Samples,
  { threshold = gapThreshold(samples), span }: { threshold?: number; span?: Span } = {},
): Integral {
  const { t, v } = samples
  const result: Integral = {
    measured: 0,
    bridged: 0,
    into: 0,
    outOf: 0,
    measuredS: 0,
    bridgedS: 0,
    gaps: [],
    bridgedLimit: 0,
  }
  const add = (a: number, b: number, startS: number, endS: number, isGap: boolean, limit: number) => {
    const step = endS - startS
    let into = ((a + b) / 2) * step
    let outOf = 0
    // Nearly always both ends lie above zero: a million such intervals make no pair each.
    if (!(a >= 0 && b >= 0)) [into, outOf] = partsOf(a, b, step)
    result.into += into
    result.outOf += outOf
    if (!isGap) {
      result.measured += into - outOf
      result.measuredS += step
      return
    }
    result.bridged += into - outOf
    result.bridgedS += step
    result.bridgedLimit += (limit * step) / 2
    result.gaps.push({ startS, endS })
  }
  const held = (value: number, startS: number, endS: number) => {
    if (endS > startS) add(value, value, startS, endS, true, Math.abs(value))
  }
  if (t.length === 0) return result
  const last = t.length - 1
  if (span) held(v[0], span.startS, Math.min(t[0], span.endS))
  for (let i = 1; i <= last; i++)
    add(v[i - 1], v[i], t[i - 1], t[i], t[i] - t[i - 1] > threshold, Math.abs(v[i] - v[i - 1]))
  if (span) held(v[last], Math.max(t[last], span.startS), span.endS)
  return result
}

/**
 * The samples between two moments, with straight-line values at the cut ends where they can be known. Steps inside
 * stay; at the ends the side that lies within counts.
 */
export function cut(samples: Samples, from: number, to: number): Samples {
  const { t, v } = samples
  const [start, end] = [firstAfter(t, from), firstAtOrAfter(t, to)]
  const [first, last] = [valueAfter(samples, from), to > from ? valueAt(samples, to) : NaN]
  const inside = Math.max(0, end - start)
  const head = Number.isNaN(first) ? 0 : 1
  const times = new Float64Array(head + inside + (Number.isNaN(last) ? 0 : 1))
  const values = new Float64Array(times.length)
  times.set(t.subarray(start, start + inside), head)
  values.set(v.subarray(start, start + inside), head)
  if (head) [times[0], values[0]] = [from, first]
  if (!Number.isNaN(last)) [times[head + inside], values[head + inside]] = [to, last]
  return { t: times, v: values }
}

/**
 * The moment, in seconds, at which `share` (0–1) of the integral between the ends of `samples` has passed,
 * for non-negative values along straight lines. NaN when nothing flowed.
 */
export function timeOfShare({ t, v }: Samples, share: number): number {
  let total = 0
  for (let i = 1; i < t.length; i++) total += ((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])
  if (!(total > 0)) return NaN
  let left = share * total
  for (let i = 1; i < t.length; i++) {
    const step = t[i] - t[i - 1]
    const area = ((v[i] + v[i - 1]) / 2) * step
    if (area < left) {
      left -= area
      continue
    }
    return t[i - 1] + timeWithin(v[i - 1], (v[i] - v[i - 1]) / step, left, step)
  }
  return t[t.length - 1]
}

/** Solves v₀·x + slope·x²/2 = area for x in [0, step]; written to stay exact when the slope vanishes. */
function timeWithin(v0: number, slope: number, area: number, step: number): number {
  if (area <= 0) return 0
  const root = Math.sqrt(Math.max(0, v0 * v0 + 2 * slope * area))
  return Math.min(step, (2 * area) / (v0 + root))
}
