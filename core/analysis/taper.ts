import { powerColumn, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import { gapThreshold } from './integral'

/** Share of the held peak below which the current "has all but stopped". */
export const TAPER_SHARE = 0.05
const QUIET_S = 60

/**
 * Taper end: the first time (s), after the peak, from which power stays below `share` of the held peak for
 * 60 s of unbroken readings. NaN when it never does. Silence before the device wakes does not count.
 */
export function taperEnd(trace: Trace, heldPeakW: number, heldPeakAtS: number, share = TAPER_SHARE): number {
  if (!(heldPeakW > 0)) return NaN
  const samples = samplesOf(trace.time, powerColumn(trace))
  const gap = gapThreshold(samples)
  const limit = share * heldPeakW
  let quietSince = NaN
  let previous = NaN
  for (let i = 0; i < samples.t.length; i++) {
    const at = samples.t[i]
    if (at <= heldPeakAtS || !(samples.v[i] < limit)) quietSince = NaN
    else if (Number.isNaN(quietSince) || at - previous > gap) quietSince = at
    else if (at - quietSince >= QUIET_S) return quietSince
    previous = at
  }
  return NaN
}
