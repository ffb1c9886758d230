import { reduceWithin } from '@core/trace/reduce'
import { samplesOf, type Samples } from '@core/trace/samples'
import type { Point } from './options'

/** As wide as a chart is drawn, px, on any screen: more points than a few a pixel cannot be seen. */
export const WIDEST_PX = 1200

/** What is in view of a trace, s. */
export interface View {
  from: number
  until: number
}

/** A trace's times with one of its columns, leaving out what was not read, and no more than can be seen. */
export const pointsOf = (time: Float64Array, column: Float64Array | undefined, view?: View): Point[] =>
  pointsOfSamples(samplesOf(time, column), view)

/** Where several paths share a frame, each has fewer points: a chart's work goes by all of them together. */
export const SHARED_PX = 150

/** The last picture of a column: strips that are drawn one after the other do not draw the others anew. */
const drawn = new WeakMap<Float64Array, { t: Float64Array; of: string; points: Point[] }>()

/** The same of samples; with a view, what is in it and the reading on either side, so that lines run on. */
export function pointsOfSamples(samples: Samples, view?: View, widestPx = WIDEST_PX): Point[] {
  const of = `${view?.from} ${view?.until} ${widestPx}`
  const before = drawn.get(samples.v)
  // A time put right is another time beside the same values.
  if (before?.of === of && before.t === samples.t) return before.points
  const { t, v } = reduceWithin(samples, widestPx, view)
  const points = Array.from(t, (x, i) => ({ x, y: v[i] }))
  drawn.set(samples.v, { t: samples.t, of, points })
  return points
}
