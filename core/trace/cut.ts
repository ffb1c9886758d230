import { firstAtOrAfter } from './samples'
import { CHANNELS, type Trace } from './trace'

/**
 * A trace from a moment on, which becomes its 0. Readings before it are left out; notes go with their readings.
 *
 * @param fromS moment of the trace's clock, s
 */
export function cutBefore(trace: Trace, fromS: number): Trace {
  const first = firstAtOrAfter(trace.time, fromS)
  const rest = (column: Float64Array) => column.slice(first)
  const cut: Trace = { ...trace, time: rest(trace.time).map((t) => t - fromS), temperatures: {} }
  for (const channel of CHANNELS) if (trace[channel]) cut[channel] = rest(trace[channel])
  for (const [place, column] of Object.entries(trace.temperatures)) cut.temperatures[place] = rest(column)
  if (trace.notes) cut.notes = trace.notes.slice(first)
  return cut
}
