import { LONGEST_S } from '../trace/bounds'
import { leavesSecondsOpen } from './clockPace'
import type { ColumnMeaning } from './columns'
import { isEitherWay } from './momentCell'
import { quoted, type ProblemList } from './problem'
import type { Table } from './table'
import {
  countsFromFirst,
  DAY_S,
  hasYearlessDay,
  isTimecode,
  isTwoParts,
  readTime,
  TIME_ASSUMED,
  type TimeStyle,
} from './timeCell'

/** The times of a table, in seconds from power-on, with the rows that have one, in their order. */
export interface ReadTimes {
  rows: Table['rows']
  time: Float64Array
  assumed: string[]
  /** What the first row's moment was, seconds, where times count from it. */
  origin: number
  style: TimeStyle
}

/** Reads the column of times. Rows whose time cannot be read, or does not go on, are left out and named. */
export function readTimes(
  table: Table,
  index: number,
  meaning: ColumnMeaning,
  problems: ProblemList,
): ReadTimes {
  const style: TimeStyle = meaning.kind === 'time' ? meaning.style : 'seconds'
  const where = table.headers[index]
  const rows: Table['rows'] = []
  const time = new Float64Array(table.rows.length)
  let n = 0
  const fromFirst = countsFromFirst(style)
  let origin = 0
  let last = -Infinity
  const fromItsEnd = isNewestFirst(table.rows, index, style)
  const ordered = fromItsEnd ? table.rows.toReversed() : table.rows
  const { moments, isHalfDay } = momentsOf(ordered, index, style)
  for (let i = 0; i < ordered.length; i++) {
    const moment = moments[i]
    // Times that ran before power-on count from the first row; every other style counts from power-on already.
    const start = n > 0 ? origin : moment
    const at = fromFirst ? moment - start : moment
    const isOdd = !(at >= last && at >= 0 && at <= LONGEST_S) || isAlone(moments, i, last + (moment - at))
    if (!isOdd) {
      origin = start
      last = at
      rows.push(ordered[i])
      time[n++] = at
    } else
      problems.add(
        ordered[i].line,
        where,
        `${whyLeftOut(ordered[i].cells[index] ?? '', at, last)}; the row is left out.`,
      )
  }
  const dayFirst = style === 'moments' && rows.some((r) => isEitherWay([r.cells[index] ?? '']))
  const twoParts = style === 'clock' && rows.every((r) => isTwoParts(r.cells[index] ?? ''))
  const assumed = [
    twoParts ? 'Times are minutes and seconds since power-on.' : TIME_ASSUMED[style],
    style === 'seconds' && leavesSecondsOpen(where) ? 'Times are seconds since power-on.' : '',
    dayFirst ? 'Dates are read with the day first.' : '',
    style === 'clock' && rows.some((r) => isTimecode(r.cells[index] ?? ''))
      ? 'Frames of a second are left out.'
      : '',
    style === 'time-of-day' && rows.some((r) => hasYearlessDay(r.cells[index] ?? ''))
      ? 'Days without a year are left out; past midnight the clock goes on.'
      : '',
    isHalfDay ? 'Hours go from 1 to 12 and on.' : '',
    fromItsEnd ? 'The newest row stands first; the table was read from its end.' : '',
  ].filter(Boolean)
  return { rows, time: n < time.length ? time.slice(0, n) : time, assumed, origin, style }
}

/** Whose hours go from 1 to 12. */
const areOfHalfDay = (times: Float64Array): boolean =>
  times.every((t) => Number.isNaN(t) || (t >= DAY_S / 24 && t < (DAY_S / 24) * 13))

/**
 * The moment of each row, in seconds, NaN where it cannot be read: a clock on the wall begins anew past midnight, or
 * past 12:59 where nothing says which half of the day it is.
 */
export function momentsOf(rows: Table['rows'], index: number, style: TimeStyle): Moments {
  const kept = worked.get(rows)
  if (kept?.index === index && kept.style === style) return kept
  const of = { ...workOut(rows, index, style), index, style }
  worked.set(rows, of)
  return of
}

/** Why a row's time cannot be one of the trace's. */
function whyLeftOut(cell: string, at: number, last: number): string {
  if (Number.isNaN(at)) return `${quoted(cell)} is not a time`
  if (at < last) return `Time goes backwards, from ${last} s to ${at} s`
  if (at < 0) return `Time is before power-on (${at} s)`
  if (at > LONGEST_S) return `${quoted(cell)} is longer than any run`
  return `Time goes ahead to ${at} s, and back in the rows after it`
}

interface Moments {
  moments: Float64Array
  /** Whether the clock went past 12:59 to 1:00. */
  isHalfDay: boolean
}
/** A million times are asked for twice: where records begin, and for the trace. */
const worked = new WeakMap<Table['rows'], Moments & { index: number; style: TimeStyle }>()

function workOut(rows: Table['rows'], index: number, style: TimeStyle): Moments {
  // Not by `from`, which asks an iterator for each of a million.
  const times = new Float64Array(rows.length)
  for (let i = 0; i < rows.length; i++) times[i] = readTime(style, rows[i].cells[index] ?? '')
  if (style !== 'time-of-day') return { moments: times, isHalfDay: false }
  const saysHalf = rows.some(({ cells }) => /[ap]m/i.test(cells[index] ?? ''))
  const round = areOfHalfDay(times) && !saysHalf ? DAY_S / 2 : DAY_S
  let passed = 0
  let last = -Infinity
  const moments = times.map((time) => {
    if (Number.isNaN(time)) return time
    if (time + passed < last - round / 2) passed += round
    last = time + passed
    return last
  })
  return { moments, isHalfDay: round < DAY_S && passed > 0 }
}

/** The first row from one on whose moment could be read; past the end where none could. */
function nextRead(moments: Float64Array, from: number): number {
  let i = from
  while (i < moments.length && Number.isNaN(moments[i])) i++
  return i
}

/**
 * Whether a row's moment is ahead of both that follow, while those go on from the one before: one time written wrongly
 * must not cost all rows after it.
 */
function isAlone(moments: Float64Array, i: number, before: number): boolean {
  const next = nextRead(moments, i + 1)
  if (!(moments[next] < moments[i] && moments[next] >= before)) return false
  const afterNext = moments[nextRead(moments, next + 1)]
  return moments[next] <= afterNext && afterNext < moments[i]
}

const MOST = 0.9
/** The order of rows is told by so many of them. */
const ORDER_ROWS = 1000
/** Nearly every time is before the one above it; one alone, or a midnight, is not. */
export function isNewestFirst(rows: Table['rows'], index: number, style: TimeStyle): boolean {
  let [falls, steps, last] = [0, 0, NaN]
  for (const { cells } of rows.slice(0, ORDER_ROWS)) {
    const t = readTime(style, cells[index] ?? '')
    if (Number.isNaN(t)) continue
    if (!Number.isNaN(last) && t !== last) {
      const passesMidnight = style === 'time-of-day' && Math.abs(t - last) > DAY_S / 2
      steps++
      if (t < last !== passesMidnight) falls++
    }
    last = t
  }
  return steps > 0 && falls > MOST * steps
}
