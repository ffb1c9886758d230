import { firstAfter, firstAtOrAfter } from './samples'
import { CHANNELS, type Trace } from './trace'

/**
 * A trace from a moment on, which becomes its 0, and up to another one. Readings before and after them are left out; notes
 * go with their readings.
 *
 * @param fromS moment of the trace's clock, s
 * @param untilS the last moment that is kept, of the same clock
 */
export function cut(trace: Trace, fromS: number, untilS = Infinity): Trace {
  const first = firstAtOrAfter(trace.time, fromS)
  const end = firstAfter(trace.time, untilS)
  const rest = (column: Float64Array) => column.slice(first, end)
  const kept: Trace = { ...trace, time: rest(trace.time).map((t) => t - fromS), temperatures: {} }
  for (const channel of CHANNELS) if (trace[channel]) kept[channel] = rest(trace[channel])
  for (const [place, column] of Object.entries(trace.temperatures)) kept.temperatures[place] = rest(column)
  if (trace.notes) kept.notes = trace.notes.slice(first, end)
  return kept
}
