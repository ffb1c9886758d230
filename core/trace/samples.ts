import { bisectLeft, bisectRight } from 'd3-array'
import { median } from 'simple-statistics'

/** The readings of one channel that were really taken: times in seconds and their values. */
export interface Samples {
  t: Float64Array
  v: Float64Array
}

/** Keeps the rows of `column` that were read. */
export function samplesOf(time: Float64Array, column: Float64Array | undefined): Samples {
  if (!column) return { t: new Float64Array(0), v: new Float64Array(0) }
  const t = new Float64Array(time.length)
  const v = new Float64Array(time.length)
  let n = 0
  for (let i = 0; i < time.length; i++) {
    if (Number.isNaN(column[i]) || Number.isNaN(time[i])) continue
    t[n] = time[i]
    v[n] = column[i]
    n++
  }
  return { t: t.slice(0, n), v: v.slice(0, n) }
}

/** Median spacing of the samples in seconds, two at one instant left out; NaN with fewer than two instants. */
export function medianInterval({ t }: Samples): number {
  if (t.length < 2) return NaN
  const steps = Array.from(t.subarray(1).map((at, i) => at - t[i])).filter((step) => step > 0)
  return steps.length ? median(steps) : NaN
}

/** Index of the first element of the sorted `t` that is at or after `at` (t.length when none is). */
export const firstAtOrAfter = (t: Float64Array, at: number): number => bisectLeft(t, at)

/**
 * Straight-line value at `at` seconds; NaN outside the samples: nothing is extrapolated. Where two were read at one
 * instant, a step, it is the first of them: the limit from the left.
 */
export function valueAt({ t, v }: Samples, at: number): number {
  const right = firstAtOrAfter(t, at)
  if (right === t.length) return NaN
  if (t[right] === at) return v[right]
  if (right === 0) return NaN
  const left = right - 1
  return v[left] + ((v[right] - v[left]) * (at - t[left])) / (t[right] - t[left])
}

/** The same, where two were read at one instant, with the last of them: the limit from the right. */
export function valueAfter(samples: Samples, at: number): number {
  const last = bisectRight(samples.t, at) - 1
  return last >= 0 && samples.t[last] === at ? samples.v[last] : valueAt(samples, at)
}

/** The step a trace was read at: hundredths of a second to 7200 s, whole from one second up; a minute where it cannot be told. */
export const usualStep = ({ time }: { time: Float64Array }): number => {
  const mean = time.length > 1 ? (time[time.length - 1] - time[0]) / (time.length - 1) : 60
  const tidy = mean < 0.95 ? Math.round(mean * 100) / 100 : Math.round(mean)
  return Math.min(7200, Math.max(0.01, tidy))
}
