import { range } from 'd3-array'
import { decimal } from '../trace/decimal'
import { atCellSide } from './cellSide'
import { withCellUnits } from './cellUnit'
import { pacedStyle } from './clockPace'
import { withoutMains } from './mains'
import { keyOf, meaningOf, ownChannel, SHARE, type ColumnMeaning } from './columns'
import { holdsClocks, holdsRising } from './dateColumn'
import { hasTimeUnit } from './headingUnit'
import { quantityMeaning } from './quantityUnit'
import type { Table } from './table'
import { inSmallerUnit } from './thousandths'
import { guessTimeStyle } from './timeStyle'
import { areShares } from './valueCell'

const LEVEL: ColumnMeaning = { kind: 'channel', channel: 'percent', divisor: 1 }
/** Names of the level, unless it is the battery's volts that stand under them. */
const MAYBE_LEVEL =
  /^(battery|batt?|charge|capacity|akku(stand)?|ladestand|batterie|bater[ií]a|batteria|accu|niveau|nivel)$/i
const lookLikeLevels = (cells: readonly string[]): boolean =>
  cells.every((cell) => /^\s*(\d{1,2}|100|0[.,]\d+|)\s*%?\s*$/.test(cell)) &&
  cells.some((cell) => cell.trim() !== '')

/** Columns of chargers, by position, that hold levels which rise: two of them at least. */
function likeLevels(table: Table, meanings: readonly ColumnMeaning[]): number[] {
  const found = meanings.flatMap((m, i) => (m.kind === 'ignore' && holdsLevels(table.rows, i) ? [i] : []))
  return found.length > 1 ? found : []
}
/** Whether a column holds whole percent that rise: three of them at least. */
export function holdsLevels(rows: Table['rows'], column: number): boolean {
  const cells = rows.map((row) => row.cells[column]?.trim() ?? '')
  const levels = cells.filter(Boolean).map((cell) => decimal(cell.replace('%', '')))
  return (
    levels.length > 2 &&
    lookLikeLevels(cells) &&
    levels.every((level, i) => i === 0 || level >= levels[i - 1])
  )
}

/** A heading that says where it was read: at a source, a bus, a meter. */
const NAMES_SIDE = /bus|source|input|meter|usb|charger|\bin\b/i

/** A best guess for every column; a meaning is given once, to the first column of what was read. */
export function guessColumns(table: Table): ColumnMeaning[] {
  const byName = table.headers.map((header, i) => {
    const cells = sampleOf(table, i)
    const meaning =
      MAYBE_LEVEL.test(header.trim()) && lookLikeLevels(cells) ? LEVEL : meaningOf(header, cells)
    return inSmallerUnit(meaning, header, cells)
  })
  const namesSide = (i: number) =>
    ownChannel(table.headers[i].toLowerCase()) !== undefined ||
    quantityMeaning(table.headers[i]) !== undefined ||
    NAMES_SIDE.test(table.headers[i])
  const named = withTime(withCellUnits(byName, table.rows), table)
  const told = withoutMains(named, table.headers, (i) => sampleOf(table, i))
  const ofOwn = (i: number) => /_now$/i.test(table.headers[i].trim())
  const meanings = [...atCellSide(told, namesSide, ofOwn, (i) => sampleOf(table, i))]
  const time = meanings.findIndex((m) => m.kind === 'time')
  const level = meanings.findIndex((m) => m.kind === 'channel' && m.channel === 'percent')
  const timed = meanings[time]
  if (timed?.kind === 'time') {
    const styles = (level >= 0 ? [level] : likeLevels(table, meanings)).map((column) => {
      const shares = asShares(meanings[column], table, column)
      const points = shares.kind === 'channel' && shares.divisor < 1 ? 1 / SHARE : 1
      return pacedStyle(timed.style, table.headers[time], table.rows, { time, level: column, points })
    })
    const [style = timed.style] = styles
    if (styles.every((other) => other === style)) meanings[time] = { kind: 'time', style }
  }
  const shown = meanings.map((as, i) => asShares(as, table, i))
  const taken = new Map<string, number>()
  shown.forEach((meaning, i) => {
    const before = taken.get(keyOf(meaning))
    const isBetter = (at: number) => isAside(table.headers[at]) && !isAside(table.headers[i])
    if (before === undefined || (meaning.kind !== 'time' && isBetter(before))) taken.set(keyOf(meaning), i)
  })
  return shown.map((meaning, i) => (taken.get(keyOf(meaning)) === i ? meaning : { kind: 'ignore' }))
}

/** A heading of what was set, or of the least and the most of a stretch: what was read stands beside it. */
const isAside = (heading: string): boolean =>
  /(^|[^a-z])(set|target|limit|rated|nominal|requested|min|max|minimum|maximum|peak)([^a-z]|$)/i.test(
    heading.replace(/_/g, ' '),
  )

/**
 * Where no name says which column is the time: the first whose heading has a unit of time, else that holds clocks, else,
 * beside a level, that holds numbers which rise.
 */
function withTime(meanings: ColumnMeaning[], table: Table): ColumnMeaning[] {
  if (meanings.some((m) => m.kind === 'time')) return meanings
  const { headers, rows } = table
  const hasLevel = meanings.some((m) => m.kind === 'channel' && m.channel === 'percent')
  const signs = [
    (i: number) => hasTimeUnit(headers[i]),
    (i: number) => holdsClocks(rows, i),
    (i: number) => hasLevel && holdsRising(rows, i),
  ]
  const unknown = meanings.flatMap((m, i) => (m.kind === 'ignore' ? [i] : []))
  const at = signs.map((sign) => unknown.find(sign)).find((i) => i !== undefined)
  if (at === undefined) return meanings
  const style = guessTimeStyle(hasTimeUnit(headers[at]) ? headers[at] : '', sampleOf(table, at))
  return meanings.with(at, { kind: 'time', style })
}

/** A column that names its unit as we write it is in percent, whatever stands in it. */
const asShares = (meaning: ColumnMeaning, { headers, rows }: Table, column: number): ColumnMeaning =>
  meaning.kind === 'channel' &&
  meaning.channel === 'percent' &&
  !ownChannel(headers[column].toLowerCase()) &&
  !quantityMeaning(headers[column]) &&
  areShares(rows, column)
    ? { ...meaning, divisor: SHARE }
    : meaning

/** Cells to judge a column by: its first, and a few from all the way down, where midnight may be passed. */
function sampleOf({ rows }: Table, column: number): string[] {
  const step = Math.max(1, Math.floor(rows.length / 100))
  const further = range(Math.ceil(FIRST / step) * step, rows.length, step).map((i) => rows[i])
  return [...rows.slice(0, FIRST), ...further].map((row) => row.cells[column] ?? '')
}
const FIRST = 50
