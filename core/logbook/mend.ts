import { BOUNDS, LONGEST_S, TEMPERATURE_BOUNDS } from '../trace/bounds'
import { CHANNELS, type Trace } from '../trace/trace'
import { columnsFromJson, traceToJson } from './traceColumns'

type Raw = Record<string, unknown>

/**
 * Mends a run that an earlier version kept although it would not have read it: readings out of order in time,
 * values beyond any channel. Nothing goes without a word: what was left out stands in the run's notes.
 * A run whose trace cannot be taken for columns is given back as it is, for the check to refuse.
 */
export function mendRun(run: Raw): Raw {
  let trace: Trace
  try {
    trace = columnsFromJson(run.trace)
  } catch {
    return run
  }
  const { mended, said } = mendTrace(trace)
  if (said.length === 0) return run
  const notes = [typeof run.notes === 'string' ? run.notes : '', ...said].filter(Boolean).join(' ')
  return { ...run, notes, trace: traceToJson(mended) }
}

/** The same for a trace in columns, with a sentence for everything that was changed. */
export function mendTrace(trace: Trace): { mended: Trace; said: string[] } {
  const said: string[] = []
  const placed = inOrder(trace, said)
  for (const channel of CHANNELS) {
    const column = placed[channel]
    if (column) placed[channel] = within(column, placed.time, BOUNDS[channel], channel, said)
  }
  for (const [place, column] of Object.entries(placed.temperatures))
    placed.temperatures[place] = within(column, placed.time, TEMPERATURE_BOUNDS, `temperature ${place}`, said)
  return { mended: placed, said }
}

function inOrder(trace: Trace, said: string[]): Trace {
  const { time } = trace
  const rows = Array.from(time.keys()).filter((i) => time[i] >= 0 && time[i] <= LONGEST_S)
  const lost = time.length - rows.length
  if (lost > 0)
    said.push(
      lost === 1
        ? '1 reading without a time was left out.'
        : `${lost} readings without a time were left out.`,
    )
  const falls = rows.some((row, i) => i > 0 && time[row] < time[rows[i - 1]])
  if (falls) said.push('The readings were put in the order of their times.')
  const order = falls ? rows.sort((a, b) => time[a] - time[b] || a - b) : rows
  const pick = (column: Float64Array) => Float64Array.from(order, (row) => column[row] ?? NaN)
  const picked: Trace = {
    time: pick(time),
    temperatures: Object.fromEntries(Object.entries(trace.temperatures).map(([p, c]) => [p, pick(c)])),
  }
  for (const channel of CHANNELS) if (trace[channel]) picked[channel] = pick(trace[channel])
  if (trace.notes) picked.notes = order.map((row) => trace.notes![row] ?? '')
  return picked
}

function within(
  column: Float64Array,
  time: Float64Array,
  [low, high]: readonly [number, number],
  what: string,
  said: string[],
): Float64Array {
  const beyond = (value: number) => value < low || value > high
  const first = column.findIndex(beyond)
  if (first < 0) return column
  const more = column.reduce((n, value) => n + Number(beyond(value)), -1)
  const others = more > 0 ? `, and ${more} more of its values,` : ''
  said.push(
    `${what.trim()} ${column[first]} at ${Math.round(time[first])} s${others} ${more > 0 ? 'are' : 'is'} beyond what can be and counted as not read.`,
  )
  return column.map((value) => (beyond(value) ? NaN : value))
}
