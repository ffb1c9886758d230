import type { Channel } from '../trace/channels'
import { samplesOf } from '../trace/samples'
import type { Trace } from '../trace/trace'
import { SHARE, type ColumnMeaning } from './columns'
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
    const cells = table.rows.map((r) => r.cells[i]?.trim() ?? '').filter(Boolean)
    const numbers = cells.filter((cell) => WIDE_CHANNELS.some((c) => isValue(cell, c)))
    return cells.length > 0 && numbers.length >= NUMBERS_SHARE * cells.length
  })
  return found.length > 1 ? found : []
}

const isValue = (cell: string, of: WideChannel): boolean =>
  !Number.isNaN(valueOf(cell, { kind: 'channel', channel: of, divisor: 1 }, ''))

/**
 * A trace for each of some columns of one table, on the table's one clock. A charger whose column ends sooner has a
 * shorter run; faults are told for each.
 *
 * @throws UnreadableFile where a column holds no reading
 */
export function wideTraces(
  table: Table,
  meanings: readonly ColumnMeaning[],
  columns: readonly number[],
  channel: WideChannel,
): TraceReadResult[] {
  return columns.map((column) => {
    const divisor = channel === 'percent' && areShares(table.rows, column) ? SHARE : 1
    const own = meanings.map((m, i): ColumnMeaning =>
      i === column ? { kind: 'channel', channel, divisor } : m.kind === 'time' ? m : { kind: 'ignore' },
    )
    const read = traceFromTable(table, own)
    const { t, v } = samplesOf(read.trace.time, read.trace[channel])
    if (t.length === 0) throw new UnreadableFile(`“${table.headers[column]}” holds no reading.`)
    const trace: Trace = { time: t, temperatures: {}, [channel]: v }
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
