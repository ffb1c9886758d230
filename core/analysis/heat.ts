import { celsiusUncertainty, type Accuracy } from '../gear/accuracy'
import { samplesOf } from '../trace/samples'
import type { Trace } from '../trace/trace'

/** How warm one place of the device became. °C and s. */
export interface Heat {
  /** The place as it was named; '' where it was not. */
  place: string
  maxC: number
  maxAtS: number
  /** Over the first reading. */
  riseC: number
  /** Standard uncertainty of `maxC`; NaN where the thermometer states none. */
  uncertaintyC: number
}

/** Highest temperature by place, hottest first. Places without a reading are left out. */
export function heat(trace: Trace, thermometer?: Accuracy): Heat[] {
  return Object.entries(trace.temperatures)
    .map(([place, column]) => ({ place, ...samplesOf(trace.time, column) }))
    .filter(({ t }) => t.length > 0)
    .map(({ place, t, v }) => {
      const top = v.reduce((best, celsius, i) => (celsius > v[best] ? i : best), 0)
      return {
        place,
        maxC: v[top],
        maxAtS: t[top],
        riseC: v[top] - v[0],
        uncertaintyC: thermometer ? celsiusUncertainty(thermometer, v[top]) : NaN,
      }
    })
    .sort((a, b) => b.maxC - a.maxC)
}
