import { firstAfter, firstAtOrAfter, type Samples } from './samples'

/** A stretch of a clock, s. */
export interface Stretch {
  from: number
  until: number
}

/**
 * Fewer samples that draw the same line: of each of `spans` equal spans of time the first, the lowest, the highest and
 * the last, so that no spike vanishes and every join stands where it stood (M4 aggregation, Jugel et al., "M4: A
 * Visualization-Oriented Time Series Data Aggregation", VLDB 2014; from memory). Samples that are few are handed back.
 * @param samples what was read, times in seconds, sorted
 * @param spans how many spans, a positive whole number; one a pixel loses nothing that could be seen
 */
export function reduce(samples: Samples, spans: number): Samples {
  const { t, v } = samples
  if (t.length <= 4 * spans) return samples
  const kept: number[] = []
  const from = t[0]
  const width = (t[t.length - 1] - from) / spans
  let start = 0
  for (let span = 1; span <= spans; span++) {
    const end = span === spans ? t.length : firstAtOrAfter(t, from + span * width)
    if (end > start) kept.push(...corners(v, start, end))
    start = end
  }
  return { t: Float64Array.from(kept, (i) => t[i]), v: Float64Array.from(kept, (i) => v[i]) }
}

/** Indices of the first, lowest, highest and last of a stretch, in order, each once. */
function corners(v: Float64Array, start: number, end: number): number[] {
  let [low, high] = [start, start]
  for (let i = start + 1; i < end; i++) {
    if (v[i] < v[low]) low = i
    if (v[i] > v[high]) high = i
  }
  return [...new Set([start, Math.min(low, high), Math.max(low, high), end - 1])]
}

/**
 * The same of what is in view, and the reading on either side, so that lines run on.
 * @param view s; all samples where it is left out
 */
export const reduceWithin = (samples: Samples, spans: number, view?: Stretch): Samples =>
  reduce(view ? within(samples, view) : samples, spans)

function within({ t, v }: Samples, { from, until }: Stretch): Samples {
  const first = Math.max(0, firstAtOrAfter(t, from) - 1)
  const last = Math.min(t.length, firstAfter(t, until) + 1)
  return { t: t.subarray(first, last), v: v.subarray(first, last) }
}
