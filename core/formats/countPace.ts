import type { ColumnMeaning } from './columns'
import { leavesSecondsOpen } from './clockPace'
import type { Table } from './table'
import { isTwoParts, readTime, type TimeStyle } from './timeCell'
import { valueOf } from './valueCell'

type Rows = Table['rows']

/** Where the time, a meter's running total, and what it totals stand. */
export interface CountedColumns {
  time: number
  total: number
  rate: number
}

/** How many times longer a time is in each style than in the one it looks like. */
const OTHERWISE: Partial<Record<TimeStyle, [style: TimeStyle, longer: number][]>> = {
  seconds: [
    ['minutes', 60],
    ['hours', 3600],
    ['milliseconds', 0.001],
  ],
  clock: [['hours-minutes', 60]],
}
/** A count and the sum of what was read may differ so many times over: the readings may be far apart. */
const AGREES = 2
const SECONDS_AN_HOUR = 3600
/** The first rows tell it: a long log is not gone through to its end. */
const LOOKED_AT = 2000

/**
 * How times are meant, by a meter's own count: watts over the times as they look come to a sixtieth of the watt-hours
 * that it counted where bare numbers are minutes, or "1:30" hours and minutes. Undefined where they fit no style.
 */
export function countedStyle(
  style: TimeStyle,
  heading: string,
  rows: Rows,
  meanings: readonly ColumnMeaning[],
  of: CountedColumns,
): TimeStyle | undefined {
  const others = OTHERWISE[style]
  const isOpen =
    style === 'clock'
      ? rows.every(({ cells }) => !cells[of.time]?.includes(':') || isTwoParts(cells[of.time]))
      : true
  if (!others || !isOpen || !leavesSecondsOpen(heading)) return undefined
  const longer = countedOverSummed(style, rows, meanings, of)
  const fits = (by: number) => longer / by < AGREES && by / longer < AGREES
  if (!(longer > 0)) return undefined
  return fits(1) ? style : others.find(([, by]) => fits(by))?.[0]
}

/** What was counted, from its first to its last row, over the sum of what was read meanwhile; NaN where none was. */
function countedOverSummed(
  style: TimeStyle,
  rows: Rows,
  meanings: readonly ColumnMeaning[],
  { time, total, rate }: CountedColumns,
): number {
  const value = (cells: readonly string[], column: number) =>
    valueOf(cells[column] ?? '', meanings[column], '')
  let first: number | undefined
  let last = NaN
  let sum = 0
  let before = { t: NaN, rate: NaN }
  for (const { cells } of rows.slice(0, LOOKED_AT)) {
    const now = { t: readTime(style, cells[time] ?? ''), rate: value(cells, rate) }
    const counted = value(cells, total)
    if (Number.isNaN(now.t + now.rate + counted)) continue
    if (first === undefined) first = counted
    else sum += ((now.t - before.t) * (now.rate + before.rate)) / 2
    last = counted
    before = now
  }
  return first === undefined ? NaN : (last - first) / (sum / SECONDS_AN_HOUR)
}
