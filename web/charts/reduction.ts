import { reduce } from '@core/trace/reduce'
import { samplesOf } from '@core/trace/samples'
import type { Point } from './options'

/** As wide as a chart is drawn, px, on any screen: more points than a few a pixel cannot be seen. */
const WIDEST_PX = 2000

/** A trace's times with one of its columns, leaving out what was not read, and no more than can be seen. */
export function pointsOf(time: Float64Array, column: Float64Array | undefined): Point[] {
  const { t, v } = reduce(samplesOf(time, column), WIDEST_PX)
  return Array.from(t, (x, i) => ({ x, y: v[i] }))
}
