import { BOUNDS, TEMPERATURE_BOUNDS } from '../trace/bounds'
import { traceProblem } from '../trace/check'
import { placesProblem } from '../trace/places'
import type { Trace } from '../trace/trace'
import { withBeginning } from './beginning'
import { isHeaderRow, isTimeName, repeatedColumns, type ColumnMeaning } from './columns'
import { guessColumns } from './guessColumns'
import { withGroups, withPairs, withUnits } from './headings'
import { beginsAt, withDates } from './dateColumn'
import { smallerUnitWords } from './thousandths'
import { withTurned } from './turned'
import { notebookTable } from './notebook'
import { readsBetter } from './tableOrNotes'
import { isNotRead } from './notRead'
import { ProblemList, quoted, UnreadableFile, type Problem } from './problem'
import { besideEachOther, begunAgain, joined } from './recordings'
import { columnWords } from './columnWords'
import { readTables, type Progress, type Table } from './table'
import { unguardCell } from './textCell'
import { isCalendar } from './timeCell'
import { readTimes } from './timeColumn'
import { shortNumber } from '../trace/decimal'
import { written } from '../trace/typedNumber'
import { areShares, groupingOf, inColumnsUnit, valueOf, type Grouping } from './valueCell'

/** A trace read from a file, with everything that was assumed or could not be read. */
export interface TraceReadResult {
  trace: Trace
  /** The first faults, one by one; `problemCount` counts them all. */
  problems: Problem[]
  problemCount: number
  assumed: string[]
  /** The moment of the first row, ISO 8601, where the file tells the date; null where it does not. */
  startedAt: string | null
}

/** The header's names as they may stand in a message. */
const MOST_NAMED = 12
const named = (headers: readonly string[]): string => {
  const shown = headers.slice(0, MOST_NAMED).map((h) => quoted(h))
  return headers.length > MOST_NAMED
    ? `${shown.join(', ')} and ${headers.length - MOST_NAMED} more`
    : shown.join(', ')
}

/**
 * Reads a trace from CSV text. Cells that cannot be read become "not read" and are named by line; rows whose
 * time cannot be read or goes backwards are left out and named.
 * @throws UnreadableFile when there is no table, no time column, nothing to read in it, or two columns of one name.
 */
export function readTraceCsv(
  text: string,
  meanings?: readonly ColumnMeaning[],
): TraceReadResult & {
  /** What the columns were taken for where nobody said it, and which were not read. */
  columns: string[]
} {
  const [table, second] = readTraceTables(text)
  if (second) table.problems.add(second.rows[0].line, '', 'Here another record begins; it is left out.')
  const repeated = repeatedColumns(table.headers)
  if (!meanings && repeated.length > 0)
    throw new UnreadableFile('Two columns carry the same name: which one is meant cannot be told.', [
      { line: null, where: '', message: `Named twice: ${named(repeated.map((i) => table.headers[i]))}.` },
    ])
  const told = meanings ?? guessColumns(table)
  return { ...traceFromTable(table, told), columns: meanings ? [] : columnWords(table, told) }
}

/** The tables of traces in a text, past whatever stands before their headers: most files hold one. */
export function readTraceTables(text: string, onProgress?: Progress): Table[] {
  const notes = () => [notebookTable(text) ?? []].flat().map(withBeginning)
  try {
    const tables = tablesIn(text, onProgress)
    return readsBetter(tables, notes) ?? tables
  } catch (refusal) {
    const otherwise = refusal instanceof UnreadableFile ? notes() : []
    if (otherwise.length === 0) throw refusal
    return otherwise
  }
}

function tablesIn(text: string, onProgress?: Progress): Table[] {
  const tables = readTables(text, isHeaderRow, onProgress)
    .flatMap((table) => besideEachOther(withTurned(table)))
    .map((table) => withBeginning(withDates(withPairs(withUnits(withGroups(table))), isTimeName)))
    .filter((table, i) => i === 0 || table.rows.length > 0)
  return joined(tables).flatMap(begunAgain)
}
/** The first of them. */
export const readTraceTable = (...of: Parameters<typeof readTraceTables>): Table => readTraceTables(...of)[0]

/** The second half of {@link readTraceCsv}, for a table whose columns the user has named. */
export function traceFromTable(
  table: Table,
  meanings: readonly ColumnMeaning[],
  onProgress?: Progress,
): TraceReadResult {
  const timeIndex = meanings.findIndex((m) => m.kind === 'time')
  if (timeIndex < 0)
    throw new UnreadableFile('There is no time column: name one "time_s", in seconds since power-on.', [
      { line: null, where: '', message: `Columns found: ${named(table.headers)}.` },
    ])
  if (!meanings.some((m) => m.kind === 'channel' || m.kind === 'temperature'))
    throw new UnreadableFile(
      'There is a time column but no readings beside it, such as "battery_percent" or "power_w".',
    )
  refuseUnlikePlaces(meanings)

  const problems = new ProblemList()
  const { rows, time, assumed, origin, style } = readTimes(table, timeIndex, meanings[timeIndex], problems)
  if (rows.length === 0) throw new UnreadableFile('No row has a time that could be read.', problems.kept)

  const trace: Trace = { time, temperatures: {} }
  let decimalCommas = false
  meanings.forEach((meaning, i) => {
    onProgress?.((i + 1) / (meanings.length + 1))
    const where = table.headers[i]
    if (meaning.kind === 'channel' || meaning.kind === 'temperature') {
      const bounds = meaning.kind === 'channel' ? BOUNDS[meaning.channel] : TEMPERATURE_BOUNDS
      const { column, grouping, holdsCommas } = readColumn(rows, i, where, meaning, bounds, problems)
      if (meaning.kind === 'channel') trace[meaning.channel] = column
      else trace.temperatures[meaning.place] = column
      assumed.push(...assumedOf(meaning, rows, i, where), smallerUnitWords(meaning, table, i))
      if (grouping) assumed.push(`In ${quoted(where)}, ${GROUPING_WORDS[grouping]} group thousands.`)
      if (!grouping && holdsCommas) decimalCommas = true
    }
    if (meaning.kind === 'note' && rows.some((r) => (r.cells[i] ?? '') !== ''))
      trace.notes = rows.map((r) => unguardCell(r.cells[i] ?? '').slice(0, NOTE_MAX))
  })
  if (
    trace.notes &&
    rows.some(({ cells }) => meanings.some((m, i) => m.kind === 'note' && (cells[i] ?? '').length > NOTE_MAX))
  )
    assumed.push(`Notes are cut after ${NOTE_MAX} characters.`)
  const problem = traceProblem(trace)
  if (problem) throw new UnreadableFile(`The readings do not hold together: ${problem}.`, problems.kept)
  if (decimalCommas) assumed.push('A comma inside a number is a decimal comma.')
  for (const i of repeatedColumns(table.headers))
    assumed.push(`Column ${i + 1} is called ${quoted(table.headers[i])} like one before it.`)
  const onItsDay = style === 'time-of-day' ? beginsAt(table.day, rows[0].cells[timeIndex]) : NaN
  const begunAt = table.begun ?? onItsDay
  if (table.begun === undefined && !Number.isNaN(onItsDay))
    assumed.push(`The first row is of ${quoted(table.day!)}.`)
  const all = [...table.problems.kept, ...problems.kept].sort((a, b) => (a.line ?? 0) - (b.line ?? 0))
  return {
    trace,
    problems: all,
    problemCount: table.problems.count + problems.count,
    assumed: [...table.assumed, ...assumed.filter(Boolean)],
    startedAt: isoOf(isCalendar(style) ? origin : begunAt),
  }
}

const isoOf = (seconds: number): string | null =>
  Number.isNaN(seconds) ? null : new Date(seconds * 1000).toISOString()

const NOTE_MAX = 2000
const DECIMAL_COMMA = /^\s*-?\d+,\d/
const GROUPING_WORDS = { ',': 'commas', '.': 'points' } as const

/** What a column was taken for, where it may be meant otherwise. */
function assumedOf(meaning: ColumnMeaning, rows: Table['rows'], index: number, where: string): string[] {
  if (meaning.kind !== 'channel') return []
  if (meaning.divisor < 0)
    return [`${quoted(where)} counts what flows out of the device; its sign was turned.`]
  if (meaning.channel.startsWith('battery'))
    return /batter|cell|pack/i.test(where) ? [] : [`${quoted(where)} is taken for the battery’s.`]
  if (meaning.channel !== 'percent') return []
  if (meaning.divisor < 1) return ['Levels are shares of one: 0.5 stands for 50 %.']
  return areShares(rows, index)
    ? ['All levels lie between 0 and 1; they are read as %, not as shares of one.']
    : []
}

function refuseUnlikePlaces(meanings: readonly ColumnMeaning[]): void {
  const problem = placesProblem(meanings.flatMap((m) => (m.kind === 'temperature' ? [m.place] : [])))
  if (problem) throw new UnreadableFile(`The places of temperature cannot be told apart: ${problem}.`)
}

/** A column as it was read, and how its numbers are written. */
interface ReadColumn {
  column: Float64Array
  grouping: Grouping
  /** Whether one of its numbers has a decimal comma. */
  holdsCommas: boolean
}

function readColumn(
  rows: Table['rows'],
  index: number,
  where: string,
  meaning: ColumnMeaning,
  [low, high]: readonly [number, number],
  problems: ProblemList,
): ReadColumn {
  const column = new Float64Array(rows.length).fill(NaN)
  // Nearly every cell is a number as it stands, and nearly every column holds no others: those are looked at again.
  let others: number[] = []
  for (let i = 0; i < rows.length; i++) {
    const cell = rows[i].cells[index] ?? ''
    if (cell === '') continue
    const value = inColumnsUnit(shortNumber(cell), meaning)
    if (value >= low && value <= high) column[i] = value
    else others.push(i)
  }
  if (others.length === 0) return { column, grouping: '', holdsCommas: false }
  const grouping = groupingOf(rows, index, meaning)
  // Where points group, "1.010" is no number as it stands.
  if (grouping !== '') others = rows.map((_, i) => i)
  for (const i of others)
    column[i] = readCell(rows[i], index, where, meaning, [low, high], grouping, problems)
  const holdsCommas = others.some((i) => DECIMAL_COMMA.test(rows[i].cells[index] ?? ''))
  return { column, grouping, holdsCommas }
}

/** The value of a cell that may be anything; NaN where it is none, which is said unless nothing was read. */
function readCell(
  row: Table['rows'][number],
  index: number,
  where: string,
  meaning: ColumnMeaning,
  [low, high]: readonly [number, number],
  grouping: Grouping,
  problems: ProblemList,
): number {
  const cell = unguardCell((row.cells[index] ?? '').trim())
  if (isNotRead(cell)) return NaN
  const value = valueOf(cell, meaning, grouping)
  if (value >= low && value <= high) return value
  problems.add(
    row.line,
    where,
    Number.isNaN(value)
      ? `${quoted(cell)} is not a number; it counts as not read.`
      : `${quoted(cell)} is outside ${written(low)} to ${written(high)}; it counts as not read.`,
  )
  return NaN
}
