import { CHANNELS, type Trace } from '../trace/trace'

type JsonColumn = (number | null)[]

/** A trace inside a JSON file: columns of numbers, `null` for "not read". */
export interface JsonTrace {
  time: number[]
  percent?: JsonColumn
  voltage?: JsonColumn
  current?: JsonColumn
  power?: JsonColumn
  batteryPower?: JsonColumn
  temperatures?: Record<string, JsonColumn>
  notes?: string[]
}

const toColumn = (column: Float64Array): JsonColumn => Array.from(column, (v) => (Number.isNaN(v) ? null : v))
const fromColumn = (column: JsonColumn): Float64Array => Float64Array.from(column, (v) => v ?? NaN)

export function traceToJson(trace: Trace): JsonTrace {
  const json: JsonTrace = { time: Array.from(trace.time) }
  for (const channel of CHANNELS) if (trace[channel]) json[channel] = toColumn(trace[channel])
  const places = Object.entries(trace.temperatures)
  if (places.length) json.temperatures = Object.fromEntries(places.map(([p, c]) => [p, toColumn(c)]))
  if (trace.notes) json.notes = trace.notes
  return json
}

/**
 * Reads a trace back.
 * @throws Error naming the column that is not a list of numbers as long as its times.
 */
export function traceFromJson(json: unknown): Trace {
  const given = json as JsonTrace
  if (typeof given !== 'object' || given === null || !Array.isArray(given.time))
    throw new Error('the trace has no times')
  if (!given.time.every((t) => Number.isFinite(t)))
    throw new Error('trace.time holds something that is not a number')
  if (given.time.some((t, i) => i > 0 && t < given.time[i - 1])) throw new Error('trace.time goes backwards')
  const check = (column: unknown, where: string): JsonColumn => {
    const fits = Array.isArray(column) && column.length === given.time.length
    if (!fits || !column.every((v) => v === null || Number.isFinite(v)))
      throw new Error(`trace.${where} is not a list of ${given.time.length} numbers`)
    return column
  }
  const trace: Trace = { time: Float64Array.from(given.time), temperatures: {} }
  for (const channel of CHANNELS)
    if (given[channel]) trace[channel] = fromColumn(check(given[channel], channel))
  for (const [place, column] of Object.entries(given.temperatures ?? {}))
    trace.temperatures[place] = fromColumn(check(column, `temperatures.${place}`))
  if (given.notes) {
    if (!Array.isArray(given.notes) || given.notes.length !== given.time.length)
      throw new Error('trace.notes has the wrong length')
    trace.notes = given.notes.map(String)
  }
  return trace
}
