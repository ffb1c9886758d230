import { decimal } from '../trace/decimal'
import { holdsClocks } from './dateColumn'
import type { Table } from './table'

/** Fewer times than this in a first row are no table that lies on its side. */
const LEAST_TIMES = 3

const isRising = (numbers: readonly number[]) =>
  numbers.every((n, i) => !Number.isNaN(n) && (i === 0 || n > numbers[i - 1]))

/**
 * The table with its rows for columns, where its times stand in the first row and its names in the first column: as a
 * spreadsheet has them whose runs were written below one another.
 */
export function withTurned(table: Table): Table {
  const { headers, rows } = table
  const [corner, ...times] = headers
  if (times.length < LEAST_TIMES || rows.length === 0) return table
  const clocks = holdsClocks(
    times.map((time, i) => ({ line: i, cells: [time] })),
    0,
  )
  const isNamed = ({ cells }: Table['rows'][number]) => /[^\d\s.,:%+−-]/.test(cells[0] ?? '')
  const isTimes = clocks || isRising(times.map(decimal))
  if (!isTimes || !rows.every(isNamed) || holdsClocks(rows, 0)) return table
  return {
    ...table,
    headers: [corner, ...rows.map(({ cells }) => cells[0].trim())],
    above: undefined,
    rows: times.map((time, i) => ({
      line: i + 2,
      cells: [time, ...rows.map(({ cells }) => cells[i + 1] ?? '')],
    })),
    assumed: [
      ...table.assumed,
      'Times stand in the first row: the table was turned; a fault is named by its column.',
    ],
  }
}
