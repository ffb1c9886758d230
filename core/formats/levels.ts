import { decimal } from '../trace/decimal'
import { isNotRead } from './notRead'
import type { Table } from './table'

/** Whether cells read as levels, empty ones aside: whole percent, or shares of one. */
export const lookLikeLevels = (cells: readonly string[]): boolean =>
  cells.every((cell) => isNotRead(cell) || /^\s*(\d{1,2}|100|0[.,]\d+)\s*%?\s*$/.test(cell)) &&
  !cells.every(isNotRead)

/** Whether a column holds whole percent that rise: three of them at least. Most columns are told by their first rows. */
export function holdsLevels(rows: Table['rows'], column: number): boolean {
  let count = 0
  let before = -Infinity
  for (const { cells } of rows) {
    const cell = cells[column]?.trim() ?? ''
    if (isNotRead(cell)) continue
    const level = lookLikeLevels([cell]) ? decimal(cell.replace('%', '')) : NaN
    if (!(level >= before)) return false
    before = level
    count++
  }
  return count > 2
}
