import { plainUnit, scalesOf, type Channel } from '../trace/channels'
import type { Trace } from '../trace/trace'
import { SHARE, type ColumnMeaning } from './columns'
import { isNotRead } from './notRead'
import { UnreadableFile } from './problem'
import type { Table } from './table'
import { traceFromTable, type TraceReadResult } from './traceCsv'
import { areShares, valueOf } from './valueCell'

/** So many cells of a column must be numbers for it to hold readings. */
const NUMBERS_SHARE = 0.8
/** What a column of its own may hold: the level, or the watts. */
export const WIDE_CHANNELS = ['percent', 'power'] as const satisfies readonly Channel[]
export type WideChannel = (typeof WIDE_CHANNELS)[number]

/**
 * Columns of a table that has one column a charger, by position: numbers under a name that says no quantity, or one that
 * was said before. Empty where there are not two of them, or no time beside them.
 */
export function wideColumns(
  table: Pick<Table, 'headers' | 'rows'>,
  meanings: readonly ColumnMeaning[],
): number[] {
  if (!meanings.some((m) => m.kind === 'time')) return []
  const isLevel = (m: ColumnMeaning) => m.kind === 'channel' && m.channel === 'percent'
  const others = meanings.flatMap((m, i) => (m.kind === 'ignore' || isLevel(m) ? [i] : []))
  const found = others.filter((i) => {
    const cells = table.rows.map((r) => r.cells[i]?.trim() ?? '').filter((cell) => !isNotRead(cell))
    const numbers = cells.filter((cell) => WIDE_CHANNELS.some((c) => isValue(cell, c)))
    return cells.length > 0 && numbers.length >= NUMBERS_SHARE * cells.length
  })
  if (found.length < 2) return []
  // A first column of watts is one charger's where another charger has one too.
  const watts = found.some((i) => saidBy(table.headers[i])?.channel === 'power')
  const isWatts = (m: ColumnMeaning) => m.kind === 'channel' && m.channel === 'power'
  return watts ? meanings.flatMap((m, i) => (found.includes(i) || isWatts(m) ? [i] : [])) : found
}

const LEVEL = /(%|percent|\blevel|\bsoc)\s*[)\]]?\s*$|^\s*(battery\s+)?%\s/i
const WATTS = /(\bwatts?|\bpower|[([,/]\s*([kmuµμ]?w))\s*[)\]]?\s*$/i
/** What a column of a wide table says of itself, if it does: "Hawser 30 (W)". A charger may be called by its watts: "Hawser 30 W". */
function saidBy(header: string): { channel: WideChannel; divisor: number } | null {
  if (LEVEL.test(header)) return { channel: 'percent', divisor: 1 }
  const found = WATTS.exec(header)
  if (!found) return null
  const unit = plainUnit((found[2] ?? 'W').toLowerCase())
  const scale = scalesOf('power').find((s) => s.unit.toLowerCase() === unit)
  return { channel: 'power', divisor: scale?.divisor ?? 1 }
}

/** A column of a wide table, and which source, or device, it is of. */
export interface WideColumn {
  column: number
  gearId: string
}

/** A run of a wide table: the columns it is read from, each of another quantity. */
export interface WideRun {
  gearId: string
  parts: { column: number; channel: WideChannel; divisor: number }[]
}

/**
 * The runs that columns make: levels and watts of one source or device are one run, in their order where it has several; a column
 * that does not say what it holds has `otherwise`.
 */
export function wideRuns(
  headers: readonly string[],
  columns: readonly WideColumn[],
  otherwise: WideChannel,
): WideRun[] {
  const runs: WideRun[] = []
  for (const { column, gearId } of columns) {
    const part = { column, ...(saidBy(headers[column]) ?? { channel: otherwise, divisor: 1 }) }
    const run = runs.find((r) => r.gearId === gearId && !r.parts.some((p) => p.channel === part.channel))
    if (run) run.parts.push(part)
    else runs.push({ gearId, parts: [part] })
  }
  return runs
}

/** Whether every column says what it holds. */
export const allSaid = (headers: readonly string[], columns: readonly number[]): boolean =>
  columns.every((i) => saidBy(headers[i]))

const isValue = (cell: string, of: WideChannel): boolean =>
  !Number.isNaN(valueOf(cell, { kind: 'channel', channel: of, divisor: 1 }, ''))

/**
 * A trace for each run of a wide table, on the table's one clock. A charger whose columns end sooner has a shorter run;
 * faults are told for each.
 *
 * @throws UnreadableFile where a run's columns hold no reading
 */
export function wideTraces(
  table: Table,
  meanings: readonly ColumnMeaning[],
  runs: readonly WideRun['parts'][],
): TraceReadResult[] {
  return runs.map((parts) => {
    const own = meanings.map((m, i): ColumnMeaning => {
      const part = parts.find((p) => p.column === i)
      if (!part) return m.kind === 'time' ? m : { kind: 'ignore' }
      const isShare = part.channel === 'percent' && areShares(table.rows, i)
      return { kind: 'channel', channel: part.channel, divisor: isShare ? SHARE : part.divisor }
    })
    const read = traceFromTable(table, own)
    const columns = parts.map(({ channel }) => [channel, read.trace[channel]!] as const)
    const isRead = (row: number) => columns.some(([, column]) => !Number.isNaN(column[row]))
    const kept = [...read.trace.time.keys()].filter(isRead)
    if (kept.length === 0) throw new UnreadableFile(`“${table.headers[parts[0].column]}” holds no reading.`)
    const at = (column: Float64Array) => Float64Array.from(kept, (row) => column[row])
    const trace: Trace = { time: at(read.trace.time), temperatures: {} }
    for (const [channel, column] of columns) trace[channel] = at(column)
    return { ...read, trace }
  })
}

/** The place in a list of names that a header means: the longest name that it holds, else −1. */
export function namedBy(header: string, names: readonly string[]): number {
  const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ').trim()
  const said = ` ${plain(header)} `
  const held = names
    .map((name, i) => ({ i, name: plain(name) }))
    .filter(({ name }) => name !== '' && said.includes(` ${name} `))
  return held.sort((a, b) => b.name.length - a.name.length)[0]?.i ?? -1
} // prettier-ignore
