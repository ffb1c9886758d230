import { decimal } from '../trace/decimal'
import type { ColumnMeaning } from './columns'
import type { Table } from './table'
import { isTwoParts, parseClock } from './timeCell'

/** More than any battery takes up, points a second: 20 a minute. */
const FASTEST = 20 / 60

/**
 * Whether clocks of two parts, as "0:05", cannot be minutes and seconds: the level would rise faster than any battery's
 * from the first row to the last.
 */
export function isTooFast(
  time: ColumnMeaning,
  rows: Table['rows'],
  timeAt: number,
  levelAt: number,
): boolean {
  if (time.kind !== 'time' || time.style !== 'clock') return false
  const isRead = ({ cells }: Table['rows'][number]) =>
    !Number.isNaN(percentOf(cells[levelAt])) && !Number.isNaN(parseClock(cells[timeAt] ?? ''))
  const [first, last] = [rows.find(isRead), rows.findLast(isRead)]
  if (!first || !last) return false
  const rise = percentOf(last.cells[levelAt]) - percentOf(first.cells[levelAt])
  const isFast = rise > FASTEST * (parseClock(last.cells[timeAt]) - parseClock(first.cells[timeAt]))
  return isFast && rows.every(({ cells }) => !cells[timeAt]?.includes(':') || isTwoParts(cells[timeAt]))
}

const percentOf = (cell = ''): number => decimal(cell.replace('%', ''))
