import { traceProblem } from '../trace/check'
import { CHANNELS, type Channel, type Trace } from '../trace/trace'

type JsonColumn = (number | null)[]

/** A trace inside a JSON file: columns of numbers, `null` for "not read". */
export interface JsonTrace extends Partial<Record<Channel, JsonColumn>> {
  time: number[]
  temperatures?: Record<string, JsonColumn>
  notes?: string[]
}

const toColumn = (column: Float64Array): JsonColumn => Array.from(column, (v) => (Number.isNaN(v) ? null : v))

/** A trace as plain lists of numbers: what was not read is null, since JSON has no NaN. */
export function traceToJson(trace: Trace): JsonTrace {
  const json: JsonTrace = { time: Array.from(trace.time) }
  for (const channel of CHANNELS) if (trace[channel]) json[channel] = toColumn(trace[channel])
  const places = Object.entries(trace.temperatures)
  if (places.length) json.temperatures = Object.fromEntries(places.map(([p, c]) => [p, toColumn(c)]))
  if (trace.notes) json.notes = trace.notes
  return json
}

/** Columns as they stand in a file, unchecked but for being lists of numbers and `null`. */
export function columnsFromJson(json: unknown): Trace {
  const given = json as JsonTrace | null | undefined
  if (typeof given !== 'object' || given === null || !Array.isArray(given.time))
    throw new Error('the trace has no times')
  const trace: Trace = { time: fromColumn(given.time, 'time', false), temperatures: {} }
  for (const channel of CHANNELS)
    if (given[channel] !== undefined && given[channel] !== null)
      trace[channel] = fromColumn(given[channel], channel)
  const places = Object.entries(given.temperatures ?? {}).map(([place, column]): [string, Float64Array] => [
    place,
    fromColumn(column, `temperatures.${place.slice(0, 40)}`),
  ])
  // `fromEntries` defines keys and never calls a setter, whatever a place is called; the check refuses it then.
  trace.temperatures = Object.fromEntries(places)
  if (given.notes !== undefined && given.notes !== null) trace.notes = given.notes
  return trace
}

/**
 * Reads a trace back.
 * @throws Error naming the column that does not hold.
 */
export function traceFromJson(json: unknown): Trace {
  const trace = columnsFromJson(json)
  const problem = traceProblem(trace)
  if (problem) throw new Error(problem)
  return trace
}

function fromColumn(column: unknown, where: string, holes = true): Float64Array {
  const fits = (v: unknown) => typeof v === 'number' || (holes && v === null)
  if (!Array.isArray(column) || !column.every(fits))
    throw new Error(`trace.${where} is not a list of numbers`)
  return Float64Array.from(column as JsonColumn, (v) => v ?? NaN)
}
