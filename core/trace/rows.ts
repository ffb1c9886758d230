import { CHANNELS, type Trace } from './trace'

/** The rows of a trace that `keep` says, in their order. */
export function rowsOf(trace: Trace, keep: (row: number) => boolean): Trace {
  const rows = Array.from(trace.time.keys()).filter(keep)
  const of = (column: Float64Array) => Float64Array.from(rows, (row) => column[row])
  const part: Trace = { time: of(trace.time), temperatures: {} }
  for (const channel of CHANNELS) if (trace[channel]) part[channel] = of(trace[channel])
  for (const [place, column] of Object.entries(trace.temperatures)) part.temperatures[place] = of(column)
  if (trace.notes) part.notes = rows.map((row) => trace.notes![row])
  return part
}

/** Two traces of one clock as one, and where the rows of each then stand. */
export interface Merged {
  trace: Trace
  ofFirst: number[]
  ofSecond: number[]
}

/** Puts the readings of two traces of one clock in the order of time. What only one of them has is not read in the other. */
export function mergeRows(first: Trace, second: Trace): Merged {
  const count = first.time.length
  const order = [...first.time.keys(), ...Array.from(second.time.keys(), (row) => count + row)]
  const timeOf = (row: number) => (row < count ? first.time[row] : second.time[row - count])
  // A stable sort: of one moment, the first trace's readings come first.
  order.sort((a, b) => timeOf(a) - timeOf(b))
  const both = <T>(own: ArrayLike<T> | undefined, other: ArrayLike<T> | undefined, none: T) =>
    order.map((row) => (row < count ? own?.[row] : other?.[row - count]) ?? none)
  const column = (own: Float64Array | undefined, other: Float64Array | undefined) =>
    Float64Array.from(both(own, other, NaN))
  const trace: Trace = { time: column(first.time, second.time), temperatures: {} }
  for (const channel of CHANNELS)
    if (first[channel] || second[channel]) trace[channel] = column(first[channel], second[channel])
  for (const place of new Set([...Object.keys(first.temperatures), ...Object.keys(second.temperatures)]))
    trace.temperatures[place] = column(first.temperatures[place], second.temperatures[place])
  if (first.notes || second.notes) trace.notes = both(first.notes, second.notes, '')
  const places = new Array<number>(order.length)
  order.forEach((row, at) => (places[row] = at))
  return { trace, ofFirst: places.slice(0, count), ofSecond: places.slice(count) }
}
