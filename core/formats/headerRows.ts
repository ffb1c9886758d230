import { SPELLED_UNIT } from '../trace/spelledUnits'
import { isDate } from './dateColumn'
import type { IsHeader } from './cutting'
import type { Table } from './table'
import { ANY_UNIT } from './units'

type Rows = Table['rows']

/** More tables than this are none: a line that returns all the time is something else. */
export const MOST_TABLES = 100
/** A number or a clock: names may hold digits, but do not begin so. */
const BEGINS_AS_VALUE = /^\s*["'+\-−]?[.,]?\d/

/** A value alone: a number, a clock or a date, with its unit. */
const VALUE = new RegExp(`^[\\d\\s.,:+\\-−/%°TZ]*\\d[\\d\\s.,:+\\-−/%°TZ]*(${ANY_UNIT}|[aApP][mM])?$`)
export const isValue = (cell: string): boolean => VALUE.test(cell)

/** A unit by itself, in brackets or not; a column may have none. */
const UNIT = new RegExp(`^[[(]?(${ANY_UNIT}|${SPELLED_UNIT}|-?)[\\])]?$`, 'i')
/** Whether a row holds units alone, one at least. */
export const areUnits = (cells: readonly string[]): boolean =>
  cells.some((cell) => /[^\s-]/.test(cell)) && cells.every((cell) => UNIT.test(cell.trim()))

const plain = (cells: readonly string[]): string =>
  cells
    .map((cell) => cell.trim().toLowerCase())
    .join('\n')
    .trimEnd()
export const isNames = (cells: readonly string[]): boolean =>
  cells.filter((cell) => cell.trim() !== '').length > 1 && !cells.some((cell) => BEGINS_AS_VALUE.test(cell))

/**
 * The rows below a header that are headers themselves, by position: they say the same again, or names that are known, and
 * values stand below. Empty where the file is one table.
 */
export function headsBelow(rows: Rows, header: number, isHeader: IsHeader): number[] {
  const first = plain(rows[header].cells)
  const found: number[] = []
  for (let i = header + 1; i < rows.length - 1; i++) {
    const { cells } = rows[i]
    // A row of units may stand below the names.
    if (i === (found.at(-1) ?? header) + 1) continue
    // Nearly every row: a million of them are gone through.
    if (BEGINS_AS_VALUE.test(cells[0] ?? '') || !isNames(cells)) continue
    const hasValues = rows
      .slice(i + 1, i + 3)
      .some((row) => row.cells.some((cell) => BEGINS_AS_VALUE.test(cell)))
    if (hasValues && (plain(cells) === first || isHeader(cells))) found.push(i)
    if (found.length > MOST_TABLES) return []
  }
  return found
}

/** What a row says that holds its first cell alone, and no value but a date; '' otherwise. */
export function onlyCell(cells: readonly string[]): string {
  const [first = '', ...rest] = cells
  return rest.every((cell) => cell.trim() === '') && (!isValue(first) || isDate(first)) ? first.trim() : ''
}

/** How many rows above a header belong to it, its table's title or the names of groups: 1 or 0. */
export function headingRows(rows: Rows, header: number, after: number): number {
  const above = header - 1 > after ? rows[header - 1].cells : []
  return above.length > 0 && (onlyCell(above) !== '' || isNames(above)) ? 1 : 0
}
