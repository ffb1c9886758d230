import { decimal } from '../trace/decimal'
import { isMonthFirst, parseMoment } from './momentCell'

/**
 * How a column of times is written. `seconds`, `milliseconds`, `minutes` and `clock` count from power-on; `running-…`
 * count from some earlier moment, such as the start of a machine; `time-of-day` is the clock on the wall, `moments` are
 * dates with times, `epoch-…` count from 1970.
 */
export const TIME_STYLES = [
  'seconds',
  'milliseconds',
  'minutes',
  'clock',
  'time-of-day',
  'moments',
  'moments-month-first',
  'epoch-seconds',
  'epoch-milliseconds',
  'running-seconds',
  'running-milliseconds',
] as const
export type TimeStyle = (typeof TIME_STYLES)[number]

/** What is said of a column read in a style; '' where it needs no words. */
export const TIME_ASSUMED: Record<TimeStyle, string> = {
  seconds: '',
  milliseconds: 'Times are milliseconds since power-on.',
  minutes: 'Times are minutes since power-on.',
  clock: 'Times are hours, minutes and seconds since power-on.',
  'time-of-day': 'Times are those of the clock on the wall; the first is taken as power-on.',
  moments: 'The first moment is taken as power-on.',
  'moments-month-first': 'Dates are read with the month first; the first moment is taken as power-on.',
  'epoch-seconds': 'Times are seconds since 1970; the first is taken as power-on.',
  'epoch-milliseconds': 'Times are milliseconds since 1970; the first is taken as power-on.',
  'running-seconds': 'Times are seconds that ran before power-on; the first is taken as power-on.',
  'running-milliseconds': 'Times are milliseconds that ran before power-on; the first is taken as power-on.',
}

/** Styles in which power-on is where the first row stands. */
export const countsFromFirst = (style: TimeStyle): boolean =>
  !['seconds', 'milliseconds', 'minutes', 'clock'].includes(style)
/** Styles whose times, in seconds, are moments of the calendar. */
export const isCalendar = (style: TimeStyle): boolean =>
  style.startsWith('moments') || style.startsWith('epoch')

/** Seconds in a day: a time of day that falls has passed midnight. */
export const DAY_S = 24 * 3600

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
/** Hours, minutes and seconds with their names or marks, as people note them. */
const IN_WORDS = new RegExp(
  String.raw`^(?:${NUMBER}\s*h(?:ours?|rs?)?\b)?\s*(?:${NUMBER}\s*(?:m(?:in(?:ute)?s?)?\b|['′’]))?\s*(?:${NUMBER}\s*(?:s(?:ec(?:ond)?s?)?\b|["″”]))?\.?$`,
  'i',
)

/** `h:mm:ss`, `mm:ss`, `1 h 5 min`, `5'30"`, each with optional fractions, in seconds; NaN for anything else. */
export function parseClock(cell: string): number {
  const text = cell.trim()
  const parts = /^(?:(\d+):)?(\d{1,3}):(\d{2}(?:[.,]\d+)?)$/.exec(text)
  if (!parts) return inWords(text)
  const [hours, minutes, seconds] = [Number(parts[1] ?? 0), Number(parts[2]), decimal(parts[3])]
  const wellFormed = seconds < 60 && (parts[1] === undefined || minutes < 60)
  return wellFormed ? hours * 3600 + minutes * 60 + seconds : NaN
}

function inWords(text: string): number {
  const said = text === '' ? undefined : IN_WORDS.exec(text)?.slice(1)
  if (!said?.some((part) => part !== undefined)) return NaN
  const [hours, minutes, seconds] = said.map((part) => decimal(part ?? '0'))
  return hours * 3600 + minutes * 60 + seconds
}

/** A time on the wall, `18:40`, `18:40:05` or `6:40 pm`, in seconds since midnight; NaN for anything else. */
export function parseTimeOfDay(cell: string): number {
  const parts = /^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?$/i.exec(cell.trim())
  if (!parts) return NaN
  const half = parts[4]?.toLowerCase()
  const [h, minutes, seconds] = [Number(parts[1]), Number(parts[2]), decimal(parts[3] ?? '0')]
  if (half && (h < 1 || h > 12)) return NaN
  const hours = half ? (h % 12) + (half === 'pm' ? 12 : 0) : h
  return hours < 24 && minutes < 60 && seconds < 60 ? hours * 3600 + minutes * 60 + seconds : NaN
}

const thousandths = (cell: string) => decimal(cell) / 1000
const READERS: Record<TimeStyle, (cell: string) => number> = {
  seconds: decimal,
  milliseconds: thousandths,
  minutes: (cell) => decimal(cell) * 60,
  clock: parseClock,
  'time-of-day': parseTimeOfDay,
  moments: (cell) => parseMoment(cell),
  'moments-month-first': (cell) => parseMoment(cell, true),
  'epoch-seconds': decimal,
  'epoch-milliseconds': thousandths,
  'running-seconds': decimal,
  'running-milliseconds': thousandths,
}

/** A cell in one of the styles, in seconds (of what, the style says); NaN where it is none. */
export const readTime = (style: TimeStyle, cell: string): number => READERS[style](cell)

/** 1 January 2001 and 2100, in seconds: what lies between is a moment rather than a length. */
const EPOCH_FROM = 978_307_200
const EPOCH_TO = 4_102_444_800
/** An elapsed clock begins near zero; one that begins later than this, in seconds, hangs on a wall. */
const WALL_FROM = 3600

/** Picks the style from the column's header and its first filled cells. */
export function guessTimeStyle(header: string, cells: readonly string[]): TimeStyle {
  const filled = cells.filter((c) => c.trim() !== '').slice(0, 200)
  const most = (read: (cell: string) => number) =>
    filled.length > 0 && filled.filter((c) => !Number.isNaN(read(c))).length > filled.length / 2
  const maybeOnTheWall = most(parseTimeOfDay)
  if (maybeOnTheWall && isOnTheWall(header, filled)) return 'time-of-day'
  if (maybeOnTheWall || most(parseClock)) return 'clock'
  const monthFirst = isMonthFirst(filled)
  if (most((cell) => parseMoment(cell, monthFirst))) return monthFirst ? 'moments-month-first' : 'moments'
  const numbers = filled.map(decimal).filter((n) => !Number.isNaN(n))
  const [first = 0] = numbers
  if (first / 1000 > EPOCH_FROM && first / 1000 < EPOCH_TO) return 'epoch-milliseconds'
  if (first > EPOCH_FROM && first < EPOCH_TO) return 'epoch-seconds'
  const inThousandths = /(^|[^a-z])(ms|msec|millis\w*)([^a-z]|$)/i.test(header)
  if (/uptime|time ?stamp|\bticks?\b|since (boot|start)/i.test(header.replace(/_/g, ' ')))
    return inThousandths || isThousandths(numbers) ? 'running-milliseconds' : 'running-seconds'
  if (inThousandths) return 'milliseconds'
  if (/(^|[^a-z])(min|mins|minutes?)([^a-z]|$)/i.test(header)) return 'minutes'
  return 'seconds'
}

/** Whole numbers that go on by hundreds: a log that is read every few minutes has no such steps in seconds. */
function isThousandths(numbers: readonly number[]): boolean {
  const steps = numbers.slice(1).map((n, i) => n - numbers[i])
  return steps.length > 0 && numbers.every(Number.isInteger) && steps.every((s) => s === 0 || s >= 90)
}

/** Past midnight, with am or pm, begun late, or called so: a clock that tells the time of day. */
function isOnTheWall(header: string, cells: readonly string[]): boolean {
  if (/time of day|wall|\bclock\b|o.clock|local time/i.test(header.replace(/_/g, ' '))) return true
  if (cells.some((c) => /[ap]m\s*$/i.test(c))) return true
  const hasSeconds = cells.every((c) => /^\s*\d{1,2}:\d{2}:/.test(c))
  const times = cells.map(parseTimeOfDay)
  if (times.some(Number.isNaN)) return false
  const passesMidnight = times.some((t, i) => i > 0 && t < times[i - 1] - DAY_S / 2)
  return passesMidnight || (hasSeconds ? times[0] >= WALL_FROM : isFarIn(cells.map(parseClock)))
}

/** Read as minutes and seconds it would begin at more than twenty of its own steps: `18:40`, `18:45` hang on a wall. */
function isFarIn(seconds: readonly number[]): boolean {
  const steps = seconds
    .slice(1)
    .map((s, i) => s - seconds[i])
    .sort((a, b) => a - b)
  const usual = steps[Math.floor(steps.length / 2)]
  return usual > 0 && seconds[0] > 20 * usual
}
