import { CHANNELS, type Channel, type Trace } from './trace'
import { placeOf, temperatureOf } from './valueColumn'

const TIME = 'time'
const NOTES = 'notes'

/** The names of a trace's columns, the times first: each can be sent on its own, and `withPart` puts them together. */
export const partsOf = (trace: Trace): string[] => [
  TIME,
  ...CHANNELS.filter((channel) => trace[channel] !== undefined),
  ...Object.keys(trace.temperatures).map(temperatureOf),
  ...(trace.notes ? [NOTES] : []),
]

/** @throws Error where the trace has no such column. */
export function columnOfPart(trace: Trace, name: string): Float64Array | string[] {
  const place = placeOf(name)
  const column =
    place !== null ? trace.temperatures[place] : name === NOTES ? trace.notes : trace[name as Channel | typeof TIME]
  if (!column) throw new Error(`The trace has no column ${name}.`)
  return column
} // prettier-ignore

/** The trace with one more of its columns; the one before is left as it is. */
export function withPart(before: Trace | undefined, name: string, column: Float64Array | string[]): Trace {
  const trace: Trace = before ?? { time: new Float64Array(0), temperatures: {} }
  const place = placeOf(name)
  return place === null
    ? { ...trace, [name]: column }
    : { ...trace, temperatures: { ...trace.temperatures, [place]: column as Float64Array } }
}
