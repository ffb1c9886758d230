import Papa from 'papaparse'
import { BOUNDS, TEMPERATURE_BOUNDS } from '../trace/bounds'
import { CHANNELS, type Trace } from '../trace/trace'
import { CHANNEL_HEADERS, guessColumns, type ColumnMeaning } from './columns'
import { UnreadableFile, type Problem } from './problem'
import { readTable, type Table } from './table'
import { parseNumber, readTime } from './timeCell'

/** A trace read from a file, with everything that was assumed or could not be read. */
export interface TraceReadResult {
  trace: Trace
  problems: Problem[]
  assumed: string[]
}

/**
 * Reads a trace from CSV text. Cells that cannot be read become "not read" and are named by line; rows whose
 * time cannot be read or goes backwards are left out and named.
 * @throws UnreadableFile when there is no table, no time column, or nothing to read in it.
 */
export function readTraceCsv(text: string, meanings?: readonly ColumnMeaning[]): TraceReadResult {
  const table = readTable(text)
  return traceFromTable(table, meanings ?? guessColumns(table))
}

/** The second half of {@link readTraceCsv}, for a table whose columns the user has named. */
export function traceFromTable(table: Table, meanings: readonly ColumnMeaning[]): TraceReadResult {
  const timeIndex = meanings.findIndex((m) => m.kind === 'time')
  if (timeIndex < 0)
    throw new UnreadableFile('There is no time column: name one "time_s", in seconds since power-on.', [
      { line: 1, where: '', message: `Columns found: ${table.headers.join(', ')}.` },
    ])
  if (!meanings.some((m) => m.kind === 'channel' || m.kind === 'temperature'))
    throw new UnreadableFile(
      'There is a time column but no readings beside it, such as "battery_percent" or "power_w".',
    )

  const problems: Problem[] = []
  const { rows, time, assumed } = readTimes(table, timeIndex, meanings[timeIndex], problems)
  if (rows.length === 0) throw new UnreadableFile('No row has a time that could be read.', problems)

  const trace: Trace = { time, temperatures: {} }
  meanings.forEach((meaning, i) => {
    const where = table.headers[i]
    if (meaning.kind === 'channel')
      trace[meaning.channel] = readColumn(
        rows,
        i,
        where,
        BOUNDS[meaning.channel],
        (n) => n / meaning.divisor,
        problems,
      )
    if (meaning.kind === 'temperature') {
      const convert = (n: number) => (meaning.fahrenheit ? ((n - 32) * 5) / 9 : n)
      trace.temperatures[meaning.place] = readColumn(rows, i, where, TEMPERATURE_BOUNDS, convert, problems)
    }
    if (meaning.kind === 'note' && rows.some((r) => (r.cells[i] ?? '') !== ''))
      trace.notes = rows.map((r) => r.cells[i] ?? '')
  })
  if (rows.some((r) => r.cells.some((c) => /^\s*-?\d+,\d+\s*$/.test(c))))
    assumed.push('A comma inside a number is a decimal comma.')
  problems.sort((a, b) => (a.line ?? 0) - (b.line ?? 0))
  return { trace, problems, assumed: [...table.assumed, ...assumed] }
}

function readTimes(table: Table, index: number, meaning: ColumnMeaning, problems: Problem[]) {
  const style = meaning.kind === 'time' ? meaning.style : 'seconds'
  const where = table.headers[index]
  const rows: Table['rows'] = []
  const time: number[] = []
  let origin = 0
  for (const row of table.rows) {
    const cell = row.cells[index] ?? ''
    const read = readTime(style, cell)
    const at = read - origin
    if (Number.isNaN(read))
      problems.push({ line: row.line, where, message: `"${cell}" is not a time; the row is left out.` })
    else if (time.length > 0 && at < time[time.length - 1])
      problems.push({
        line: row.line,
        where,
        message: `Time goes backwards, from ${time[time.length - 1]} s to ${at} s; the row is left out.`,
      })
    else if (at < 0)
      problems.push({
        line: row.line,
        where,
        message: `Time is before power-on (${at} s); the row is left out.`,
      })
    else {
      // Moments of the day count from the first one; every other style counts from power-on already.
      if (style === 'moments' && time.length === 0) origin = read
      rows.push(row)
      time.push(read - origin)
    }
  }
  const assumed: string[] = []
  if (style === 'clock') assumed.push('Times are hours, minutes and seconds since power-on.')
  if (style === 'milliseconds') assumed.push('Times are milliseconds since power-on.')
  if (style === 'minutes') assumed.push('Times are minutes since power-on.')
  if (style === 'moments') assumed.push('The first moment is taken as power-on.')
  return { rows, time: Float64Array.from(time), assumed }
}

function readColumn(
  rows: Table['rows'],
  index: number,
  where: string,
  [low, high]: readonly [number, number],
  convert: (n: number) => number,
  problems: Problem[],
): Float64Array {
  return Float64Array.from(rows, (row) => {
    const cell = (row.cells[index] ?? '').trim()
    if (cell === '') return NaN
    const value = convert(parseNumber(cell.replace(/\s*%$/, '')))
    if (Number.isNaN(value)) {
      problems.push({ line: row.line, where, message: `"${cell}" is not a number; it counts as not read.` })
      return NaN
    }
    if (value < low || value > high) {
      problems.push({
        line: row.line,
        where,
        message: `${cell} is outside ${low} to ${high}; it counts as not read.`,
      })
      return NaN
    }
    return value
  })
}

/** Writes a trace by the contract: RFC 4180, one header row, an empty cell for "not read". */
export function writeTraceCsv(trace: Trace): string {
  const places = Object.keys(trace.temperatures)
  const channels = CHANNELS.filter((c) => trace[c])
  const fields = [
    'time_s',
    ...channels.map((c) => CHANNEL_HEADERS[c]),
    ...places.map((place) => (place ? `temperature_${place}_c` : 'temperature_c')),
    ...(trace.notes ? ['note'] : []),
  ]
  const cell = (n: number): string => (Number.isNaN(n) ? '' : String(n))
  const data = Array.from(trace.time, (t, i) => [
    String(t),
    ...channels.map((c) => cell(trace[c]![i])),
    ...places.map((place) => cell(trace.temperatures[place][i])),
    ...(trace.notes ? [trace.notes[i]] : []),
  ])
  return Papa.unparse({ fields, data }, { newline: '\r\n' }) + '\r\n'
}
