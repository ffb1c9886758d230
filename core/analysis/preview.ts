import { reduce } from '../trace/reduce'
import { samplesOf } from '../trace/samples'
import { powerColumn, type Trace } from '../trace/trace'
import { chargesIn, type Charge } from './charges'
import { idleBefore } from './idle'

/** What is shown of a record before anything of it is kept. */
export interface Preview {
  unit: '%' | 'W'
  /** Its path: level where there is one, else watts. Seconds and the unit, no more points than can be seen. */
  points: { x: number; y: number }[]
  /** How long it idles before power-on, s. */
  idleS: number
  /** The charges of a record that holds several; none of a record of one. */
  charges: Charge[]
}

/** As wide as a chart is drawn, px, on any screen. */
const WIDEST_PX = 1200

/** Works on whole columns: of a long record it belongs off the main thread. */
export function previewOf(trace: Trace): Preview {
  const column = trace.percent ?? powerColumn(trace)
  const { t, v } = reduce(samplesOf(trace.time, column), WIDEST_PX)
  return {
    unit: trace.percent ? '%' : 'W',
    points: Array.from(t, (x, i) => ({ x, y: v[i] })),
    idleS: idleBefore(trace),
    charges: chargesIn(trace),
  }
}
