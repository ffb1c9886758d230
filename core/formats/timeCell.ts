import { decimal } from '../trace/decimal'
import { parseMoment, plainHalf, readMoment } from './momentCell'

/**
 * How a column of times is written. `seconds`, `milliseconds`, `minutes`, `hours`, `clock` and `hours-minutes` count from
 * power-on; `running-…` count from some earlier moment, such as the start of a machine; `time-of-day` is the clock on the
 * wall, `moments` are dates with times, `epoch-…` count from 1970.
 */
export const TIME_STYLES = [
  'seconds',
  'milliseconds',
  'minutes',
  'hours',
  'clock',
  'hours-minutes',
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
  hours: 'Times are hours since power-on.',
  clock: 'Times are hours, minutes and seconds since power-on.',
  'hours-minutes': 'Times are hours and minutes since power-on.',
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
  !['seconds', 'milliseconds', 'minutes', 'hours', 'clock', 'hours-minutes'].includes(style)
/** Styles that count from a switching on, of the source or of what wrote the log. */
export const isElapsed = (style: TimeStyle): boolean => !countsFromFirst(style) || style.startsWith('running')
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

/** Two parts alone: "1:05", which may be hours and minutes or minutes and seconds. */
const TWO_PARTS = /^\s*\d+:\d{2}\s*$/
export const isTwoParts = (cell: string): boolean => TWO_PARTS.test(cell)
const WITH_H = /^(\d+)\s?h\s?([0-5]\d)$/i

/** As a film counts: hours, minutes, seconds, and frames of a second, of which nobody says how many it has. */
const TIMECODE = /^(\d{2}:[0-5]\d:[0-5]\d)[:;]\d{2}$/
export const isTimecode = (cell: string): boolean => TIMECODE.test(cell.trim())

/** `h:mm:ss`, `mm:ss`, `1 h 5 min`, `1h05`, `5'30"`, each with optional fractions, or a timecode without its frames, in seconds; NaN for anything else. */
export function parseClock(cell: string): number {
  const text = cell
    .trim()
    .replace(/^\+\s*/, '')
    .replace(TIMECODE, '$1')
  const parts = /^(?:(\d+):)?(\d{1,3}):(\d{2}(?:[.,]\d+)?)$/.exec(text)
  const withH = parts ? null : WITH_H.exec(text)
  if (withH) return Number(withH[1]) * 3600 + Number(withH[2]) * 60
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

/** A clock of two parts is hours and minutes; any other is what it is. */
const parseHoursMinutes = (cell: string): number => parseClock(isTwoParts(cell) ? `${cell.trim()}:00` : cell)

/** A clock at the beginning of a cell with colons for its points: "18.40.05". */
const withColons = (cell: string): string =>
  cell.replace(/^\s*\d{1,2}\.\d{2}(\.\d{2})?(?!\d)/, (clock) => clock.replaceAll('.', ':'))

/** A day without its year before a clock, as logs of devices have it: "11-20 19:30:05", "Nov 20 19:30", "20.11. 19:30". */
const YEARLESS = /^(?:\d{1,2}[-/.]\d{1,2}\.?|[a-z]{3} {1,2}\d{1,2}|\d{1,2}\.? [a-z]{3}),? +(?=\d{1,2}:)/i
export const hasYearlessDay = (cell: string): boolean => YEARLESS.test(cell.trim())

/**
 * A time on the wall, `18:40`, `18:40:05`, `18h40` or `6:40 pm`, a day without its year before it or not, in seconds since
 * midnight; NaN for anything else.
 */
export function parseTimeOfDay(cell: string): number {
  // With am or pm it is a clock, however it is parted.
  const plain = plainHalf(cell).replace(YEARLESS, '')
  const text = /[ap]m$/i.test(plain) ? withColons(plain) : plain
  const parts = /^(\d{1,2})[:h](\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?$/i.exec(text)
  if (!parts) return NaN
  const half = parts[4]?.toLowerCase()
  const [h, minutes, seconds] = [Number(parts[1]), Number(parts[2]), decimal(parts[3] ?? '0')]
  if (half && (h < 1 || h > 12)) return NaN
  const hours = half ? (h % 12) + (half === 'pm' ? 12 : 0) : h
  return hours < 24 && minutes < 60 && seconds < 60 ? hours * 3600 + minutes * 60 + seconds : NaN
}

/** A clock with points for colons, or without, as `18.40` or `1840`: a column of them is told from numbers by how it goes on. */
export const parseDottedTime = (cell: string): number =>
  parseTimeOfDay(
    withColons(
      cell
        .trim()
        .replace(YEARLESS, '')
        .replace(/^(\d{2})(\d{2})$/, '$1:$2'),
    ),
  )

const thousandths = (cell: string) => decimal(cell) / 1000
const READERS: Record<TimeStyle, (cell: string) => number> = {
  seconds: decimal,
  milliseconds: thousandths,
  minutes: (cell) => decimal(cell) * 60,
  hours: (cell) => decimal(cell) * 3600,
  clock: parseClock,
  'hours-minutes': parseHoursMinutes,
  'time-of-day': parseDottedTime,
  moments: readMoment,
  'moments-month-first': (cell) => parseMoment(cell, true),
  'epoch-seconds': decimal,
  'epoch-milliseconds': thousandths,
  'running-seconds': decimal,
  'running-milliseconds': thousandths,
}

/** A cell in one of the styles, in seconds (of what, the style says); NaN where it is none. */
export const readTime = (style: TimeStyle, cell: string): number => READERS[style](cell)
