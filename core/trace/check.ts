import { BOUNDS, LONGEST_S, MOST_READINGS, TEMPERATURE_BOUNDS } from './bounds'
import { placesProblem } from './places'
import { CHANNELS, type Trace } from './trace'
import { written } from './typedNumber'

const NOTE_MAX = 2000

/**
 * What keeps a trace from being taken or kept, in words; null when nothing does. The one rule for what the
 * program writes and what it reads: at least one reading, times finite and never falling, every column as long as
 * the times, every value "not read" (NaN) or within the bounds of its channel.
 */
export function traceProblem(trace: Trace): string | null {
  const { time, temperatures, notes } = trace
  if (!(time instanceof Float64Array)) return 'the trace has no times'
  return (
    timeProblem(time) ??
    columnsProblem(trace) ??
    placesIn(temperatures, time.length) ??
    notesProblem(notes, time.length)
  )
}

function timeProblem(time: Float64Array): string | null {
  if (time.length === 0) return 'the trace holds no reading'
  if (time.length > MOST_READINGS) return `the trace holds more than ${MOST_READINGS} readings`
  for (let i = 0; i < time.length; i++) {
    if (!(time[i] >= 0 && time[i] <= LONGEST_S))
      return `trace.time holds ${time[i]} s, which is no time of a run`
    if (i > 0 && time[i] < time[i - 1]) return 'trace.time goes backwards'
  }
  return null
}

function columnsProblem(trace: Trace): string | null {
  for (const channel of CHANNELS) {
    const column = trace[channel]
    const problem = column && columnProblem(column, trace.time.length, BOUNDS[channel])
    if (problem) return `trace.${channel} ${problem}`
  }
  return null
}

function placesIn(temperatures: Trace['temperatures'] | undefined, length: number): string | null {
  if (typeof temperatures !== 'object' || temperatures === null)
    return 'the trace has no list of temperatures'
  const names = placesProblem(Object.keys(temperatures))
  if (names) return `trace.temperatures: ${names}`
  for (const [place, column] of Object.entries(temperatures)) {
    const problem = columnProblem(column, length, TEMPERATURE_BOUNDS)
    if (problem) return `trace.temperatures.${place} ${problem}`
  }
  return null
}

function columnProblem(
  column: Float64Array,
  length: number,
  [low, high]: readonly [number, number],
): string | null {
  if (!(column instanceof Float64Array) || column.length !== length)
    return `is not a list of ${length} numbers`
  for (let i = 0; i < length; i++)
    if (column[i] < low || column[i] > high)
      return `holds ${written(column[i])}, outside ${written(low)} to ${written(high)} (reading ${i + 1})`
  return null
}

function notesProblem(notes: string[] | undefined, length: number): string | null {
  if (notes === undefined) return null
  if (!Array.isArray(notes) || notes.length !== length) return 'trace.notes has the wrong length'
  return notes.every((n) => typeof n === 'string' && n.length <= NOTE_MAX)
    ? null
    : `trace.notes holds something that is no text of at most ${NOTE_MAX} characters`
}
