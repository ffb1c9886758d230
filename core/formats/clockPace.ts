import { decimal } from '../trace/decimal'
import type { Table } from './table'
import { isTwoParts, parseDottedTime, readTime, type TimeStyle } from './timeCell'

/** More than any battery takes up, points a second: 20 a minute. */
const FASTEST = 20 / 60
/** A heading that says seconds means them. */
const SAYS_SECONDS = /(^|[^a-z])(s|ss|secs?|seconds?)([^a-z]|$)/i

type Rows = Table['rows']
/** Where the time and the level stand, and points for each unit of the level: 100 where they are shares of one. */
export interface PacedColumns {
  time: number
  level: number
  points: number
}

/** Whether a heading leaves it open that its numbers are seconds, or end in them. */
export const leavesSecondsOpen = (heading: string): boolean => !SAYS_SECONDS.test(heading.replace(/_/g, ' '))

/**
 * How times are meant, where read as they look the level would rise faster than any battery's from the first row to the
 * last: "0:05" is hours and minutes then, "19.30" a clock, and bare numbers are minutes.
 */
export function pacedStyle(style: TimeStyle, heading: string, rows: Rows, of: PacedColumns): TimeStyle {
  const isOpen = style === 'clock' || style === 'seconds'
  if (!isOpen || !leavesSecondsOpen(heading) || !isTooFast(style, rows, of)) return style
  const all = (holds: (cell: string) => boolean) =>
    rows.every(({ cells }) => !cells[of.time]?.trim() || holds(cells[of.time]))
  if (style === 'clock')
    return all((cell) => !cell.includes(':') || isTwoParts(cell)) ? 'hours-minutes' : style
  if (all((cell) => cell.includes('.') && !Number.isNaN(parseDottedTime(cell)))) return 'time-of-day'
  return isTooFast('minutes', rows, of) ? style : 'minutes'
}

function isTooFast(style: TimeStyle, rows: Rows, { time, level, points }: PacedColumns): boolean {
  const timeOf = ({ cells }: Rows[number]) => readTime(style, cells[time] ?? '')
  const percentOf = ({ cells }: Rows[number]) => points * decimal((cells[level] ?? '').replace('%', ''))
  const isRead = (row: Rows[number]) => !Number.isNaN(timeOf(row) + percentOf(row))
  const [first, last] = [rows.find(isRead), rows.findLast(isRead)]
  if (!first || !last) return false
  return percentOf(last) - percentOf(first) > FASTEST * Math.abs(timeOf(last) - timeOf(first))
}
