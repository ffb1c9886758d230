import { mean as d3mean, range } from 'd3-array'
import { decimal } from '../trace/decimal'
import type { Table } from './table'
import { isTwoParts, parseDottedTime, readTime, type TimeStyle } from './timeCell'

/** More than any battery takes up, points a second: 20 a minute. */
const FASTEST = 20 / 60
/** More than all but a few take up; a slow charge with a look each half hour is far more common. */
const VERY_FAST = 8 / 60
/** The watts beside it tell more: whether a battery that rises faster than this would be smaller than any phone's, Wh. */
const FAST = 3 / 60
const LEAST_WH = 3.5
/** Fewer points say too little of how large a battery is. */
const LEAST_RISE = 3
/** So many rows tell the watts of a long log. */
const LOOKED_AT = 400
/** A heading that says seconds means them. */
const SAYS_SECONDS = /(^|[^a-z])(s|ss|secs?|seconds?)([^a-z]|$)/i

type Rows = Table['rows']
/** Where the time and the level stand, and points for each unit of the level: 100 where they are shares of one. */
export interface PacedColumns {
  time: number
  level: number
  points: number
  /** The watts of a row; NaN where it tells none. */
  watts?: (cells: readonly string[]) => number
}

/** Whether a heading leaves it open that its numbers are seconds, or end in them. */
export const leavesSecondsOpen = (heading: string): boolean => !SAYS_SECONDS.test(heading.replace(/_/g, ' '))

/**
 * How times are meant, where read as they look the level would rise faster than any battery's from the first row to the
 * last, or the watts beside it could not have raised it so far: "0:05" is hours and minutes then, "19.30" a clock, and
 * bare numbers are minutes.
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

function isTooFast(style: TimeStyle, rows: Rows, { time, level, points, watts }: PacedColumns): boolean {
  const timeOf = ({ cells }: Rows[number]) => readTime(style, cells[time] ?? '')
  const percentOf = ({ cells }: Rows[number]) =>
    points * decimal((cells[level] ?? '').replace(/\s*(%|\p{L}+)\s*$/u, ''))
  const isRead = (row: Rows[number]) => !Number.isNaN(timeOf(row) + percentOf(row))
  const [from, to] = [rows.findIndex(isRead), rows.findLastIndex(isRead)]
  if (from < 0) return false
  const rise = percentOf(rows[to]) - percentOf(rows[from])
  const seconds = Math.abs(timeOf(rows[to]) - timeOf(rows[from]))
  if (rise > FASTEST * seconds) return true
  const mean = meanBetween(from, to, (row) => watts?.(rows[row].cells) ?? NaN)
  if (Number.isNaN(mean) || rise < LEAST_RISE) return rise > VERY_FAST * seconds
  return rise > FAST * seconds && (mean * seconds) / 3600 < (LEAST_WH * rise) / 100
}

const meanBetween = (from: number, to: number, of: (row: number) => number): number =>
  d3mean(range(from, to + 1, Math.max(1, Math.ceil((to - from) / LOOKED_AT))), of) ?? NaN
