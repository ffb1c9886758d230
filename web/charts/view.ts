/** A stretch of a clock in view, s. */
export interface ChartView {
  from: number
  until: number
}

/** Whether all of `inner` lies in `outer`. */
export const covers = (outer: ChartView, inner: ChartView): boolean =>
  inner.from >= outer.from && inner.until <= outer.until
