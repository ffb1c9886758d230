import { isValid, parseISO } from 'date-fns'

/** How a column of times is written. */
export type TimeStyle = 'seconds' | 'milliseconds' | 'minutes' | 'clock' | 'moments'

/** Decimal number with point or comma; NaN for anything else. */
export function parseNumber(cell: string): number {
  const text = cell.trim()
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(text) ? Number(text.replace(',', '.')) : NaN
}

/** `h:mm:ss`, `mm:ss`, each with optional fractions, in seconds; NaN for anything else. */
export function parseClock(cell: string): number {
  const parts = /^(?:(\d+):)?(\d{1,3}):(\d{2}(?:[.,]\d+)?)$/.exec(cell.trim())
  if (!parts) return NaN
  const [hours, minutes, seconds] = [
    Number(parts[1] ?? 0),
    Number(parts[2]),
    Number(parts[3].replace(',', '.')),
  ]
  const wellFormed = seconds < 60 && (parts[1] === undefined || minutes < 60)
  return wellFormed ? hours * 3600 + minutes * 60 + seconds : NaN
}

/** An ISO 8601 moment in seconds since 1970; NaN for anything else. */
export function parseMoment(cell: string): number {
  const text = cell.trim().replace(/^(\d{4}-\d{2}-\d{2}) (\d)/, '$1T$2')
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/.test(text)) return NaN
  const moment = parseISO(text.replace(/(:\d{2}),(\d+)/, '$1.$2'))
  return isValid(moment) ? moment.getTime() / 1000 : NaN
}

const READERS: Record<TimeStyle, (cell: string) => number> = {
  seconds: parseNumber,
  milliseconds: (cell) => parseNumber(cell) / 1000,
  minutes: (cell) => parseNumber(cell) * 60,
  clock: parseClock,
  moments: parseMoment,
}

export const readTime = (style: TimeStyle, cell: string): number => READERS[style](cell)

/** Picks the style from the column's header and the first filled cells. */
export function guessTimeStyle(header: string, cells: readonly string[]): TimeStyle {
  const filled = cells.filter((c) => c.trim() !== '').slice(0, 50)
  const most = (read: (cell: string) => number) =>
    filled.length > 0 && filled.filter((c) => !Number.isNaN(read(c))).length > filled.length / 2
  if (most(parseClock)) return 'clock'
  if (most(parseMoment)) return 'moments'
  if (/(^|[^a-z])(ms|msec|millis\w*)([^a-z]|$)/i.test(header)) return 'milliseconds'
  if (/(^|[^a-z])(min|mins|minutes?)([^a-z]|$)/i.test(header)) return 'minutes'
  return 'seconds'
}
