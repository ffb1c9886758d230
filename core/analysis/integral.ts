import { medianInterval, valueAt, firstAtOrAfter, type Samples } from '../trace/samples'

/** ∫v dt of a channel, with the stretches that nobody watched kept apart. Units: value × seconds. */
export interface Integral {
  /** Over the intervals that were watched. */
  measured: number
  /** Across gaps, by the straight line between their ends. */
  bridged: number
  /** Seconds watched, and seconds bridged. */
  measuredS: number
  bridgedS: number
  gaps: { startS: number; endS: number }[]
}

/** Seconds above which an interval counts as a gap: max(60 s, 3 × the median interval). */
export function gapThreshold(samples: Samples): number {
  const usual = medianInterval(samples)
  return Number.isNaN(usual) ? 60 : Math.max(60, 3 * usual)
}

/**
 * Trapezoidal integral: exact for straight-line segments.
 * Optional `from` and `to` (seconds) cut the integral to a window inside the samples.
 */
export function integrate(samples: Samples, threshold = gapThreshold(samples)): Integral {
  const { t, v } = samples
  const result: Integral = { measured: 0, bridged: 0, measuredS: 0, bridgedS: 0, gaps: [] }
  for (let i = 1; i < t.length; i++) {
    const step = t[i] - t[i - 1]
    const area = ((v[i] + v[i - 1]) / 2) * step
    if (step > threshold) {
      result.bridged += area
      result.bridgedS += step
      result.gaps.push({ startS: t[i - 1], endS: t[i] })
    } else {
      result.measured += area
      result.measuredS += step
    }
  }
  return result
}

/** The samples between two moments, with straight-line values at the cut ends where they can be known. */
export function cut(samples: Samples, from: number, to: number): Samples {
  const { t, v } = samples
  const first = firstAtOrAfter(t, from)
  const times: number[] = []
  const values: number[] = []
  const push = (at: number, value: number) => {
    if (Number.isNaN(value) || times.at(-1) === at) return
    times.push(at)
    values.push(value)
  }
  push(from, valueAt(samples, from))
  for (let i = first; i < t.length && t[i] <= to; i++) if (t[i] > from) push(t[i], v[i])
  push(to, valueAt(samples, to))
  return { t: Float64Array.from(times), v: Float64Array.from(values) }
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
