import { decimal } from '../trace/decimal'
import { quoted } from './problem'
import type { Table } from './table'
import { isMonthFirst, parseMoment } from './momentCell'
import { parseClock, parseTimeOfDay } from './timeCell'

/** A date by itself; a spreadsheet's is midnight of its day. */
const DATE =
  /^(\d{4}([./-])\d{1,2}\2\d{1,2}|\d{1,2}([./-])\d{1,2}\3\d{4}|\d{1,2}\/\d{1,2}\/\d{2}|\d{1,2}[ -][a-z]{3,9}[ -]\d{4})(T00:00:00)?$/i
export const isDate = (cell: string): boolean => DATE.test(cell.trim())
/** So many rows must have their date for it to be joined to the time. */
const MOST = 0.9
const ELAPSED = /elapsed|duration|since|passed/i

const isTimeOfDay = (cell: string): boolean => !Number.isNaN(parseTimeOfDay(cell))
const isMoment = (cell: string): boolean =>
  !Number.isNaN(parseMoment(cell)) || !Number.isNaN(parseMoment(cell, true))
const isClock = (cell: string): boolean => isTimeOfDay(cell) || !Number.isNaN(parseClock(cell))

/**
 * How many cells of a column are filled, where all of those hold something; 0 where one does not. A million rows are
 * gone through only where they do.
 */
function filledWith(holds: (cell: string) => boolean, rows: Table['rows'], column: number): number {
  let filled = 0
  for (const { cells } of rows) {
    const cell = (cells[column] ?? '').trim()
    if (cell === '') continue
    if (!holds(cell)) return 0
    filled++
  }
  return filled
}

/** It counts from power-on then; who plugs in at the stroke of midnight says so by hand. */
const beginsAtZero = (rows: Table['rows'], column: number): boolean =>
  parseTimeOfDay(rows.find(({ cells }) => cells[column]?.trim())?.cells[column] ?? '') === 0

/** Whether a column holds clocks or moments, and nothing else. */
export const holdsClocks = (rows: Table['rows'], column: number): boolean =>
  filledWith((cell) => isClock(cell) || isMoment(cell), rows, column) > 0

/** Whether a column holds numbers that rise throughout, and do not merely count the rows. */
export function holdsRising(rows: Table['rows'], column: number): boolean {
  const numbers = rows.map(({ cells }) => decimal(cells[column] ?? ''))
  const steps = numbers.slice(1).map((n, i) => n - numbers[i])
  return steps.length > 1 && steps.every((step) => step > 0) && steps.some((step) => step !== 1)
}

/**
 * The table with the dates of a column of their own before the times of another. Where they stand in few rows, or
 * beside times that count from power-on, the dates are left out: they would be taken for the time.
 */
export function withDates(table: Table, isTimeName: (header: string) => boolean): Table {
  const { headers, rows } = table
  const datesIn = headers.map((_, i) => filledWith(isDate, rows, i))
  const dates = datesIn.findIndex((n) => n > 0)
  if (dates < 0) return table
  const others = headers.map((_, i) => i).filter((i) => i !== dates)
  const clocks = others.filter(
    (i) => !ELAPSED.test(headers[i]) && filledWith(isTimeOfDay, rows, i) > 0 && !beginsAtZero(rows, i),
  )
  const clock = clocks.find((i) => isTimeName(headers[i])) ?? clocks[0]
  const name = quoted(headers[dates])
  if (clock === undefined && !others.some((i) => isTimeName(headers[i]))) return table
  const isJoined = clock !== undefined && datesIn[dates] >= MOST * rows.length
  const joined = (cells: readonly string[], i: number) =>
    isJoined && i === clock && cells[i]?.trim() ? `${dayOf(cells[dates])} ${cells[i].trim()}` : cells[i]
  const day = !isJoined && clock !== undefined ? rows[0]?.cells[dates]?.trim() : ''
  return {
    ...table,
    ...(day ? { day } : {}),
    headers: others.map((i) => headers[i]),
    rows: rows.map(({ line, cells }) => ({ line, cells: others.map((i) => joined(cells, i) ?? '') })),
    assumed: [
      ...table.assumed,
      isJoined
        ? `The date stands in ${name}, beside ${quoted(headers[clock])}.`
        : day
          ? `${name} has the day of the first row.`
          : `${name} holds dates without a time of day, and was left out.`,
    ],
  }
}

const dayOf = (cell = ''): string => cell.trim().replace(/T00:00:00$/, '')

/** The moment of a day and a clock, seconds since 1970; NaN where they are none. */
export function beginsAt(day: string | undefined, clock: string | undefined): number {
  if (!day?.trim() || !clock?.trim()) return NaN
  const text = `${dayOf(day)} ${clock.trim()}`
  return parseMoment(text, isMonthFirst([text]))
}
