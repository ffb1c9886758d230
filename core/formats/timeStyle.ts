import { extent } from 'd3-array'
import { decimal } from '../trace/decimal'
import { leavesSecondsOpen } from './clockPace'
import { isDayNumber, isMonthFirst, parseMoment } from './momentCell'
import {
  DAY_S,
  hasYearlessDay,
  isTwoParts,
  parseClock,
  parseDottedTime,
  parseTimeOfDay,
  type TimeStyle,
} from './timeCell'

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
  if (maybeOnTheWall || most(parseClock))
    return /h+:?mm(?!:?ss)/i.test(header) && filled.every(isTwoParts) ? 'hours-minutes' : 'clock'
  const monthFirst = isMonthFirst(filled)
  if (most((cell) => parseMoment(cell, monthFirst))) return monthFirst ? 'moments-month-first' : 'moments'
  if (areDotted(filled) || areCompact(filled)) return 'time-of-day'
  if (filled.length > 0 && filled.every(isDayNumber)) return 'moments'
  const numbers = filled.map(decimal).filter((n) => !Number.isNaN(n))
  const [first = 0] = numbers
  if (first / 1000 > EPOCH_FROM && first / 1000 < EPOCH_TO) return 'epoch-milliseconds'
  if (first > EPOCH_FROM && first < EPOCH_TO) return 'epoch-seconds'
  const inThousandths = /(^|[^a-z])(ms|msec|millis\w*)([^a-z]|$)/i.test(header)
  if (/uptime|time ?stamp|\bticks?\b|since (boot|start)/i.test(header.replace(/_/g, ' ')))
    return inThousandths || isThousandths(numbers) ? 'running-milliseconds' : 'running-seconds'
  if (inThousandths) return 'milliseconds'
  if (/(^|[^a-z])(min|mins|minutes?)([^a-z]|$)/i.test(header)) return 'minutes'
  if (/(^|[^a-z])(h|hr|hrs|hours?)([^a-z]|$)/i.test(header)) return 'hours'
  return leavesSecondsOpen(header) && goesByThousands(numbers) ? 'milliseconds' : 'seconds'
}

/**
 * Whether clocks stand there with points for colons: with am or pm, or going on far more evenly as clocks than as
 * numbers, which they are everywhere but where the hour turns.
 */
function areDotted(cells: readonly string[]): boolean {
  if (!cells.every((cell) => /^\s*\d{1,2}\.\d{2}(\.\d{2}|\s*[ap]m)?\s*$/i.test(cell))) return false
  const clocks = cells.map(parseDottedTime)
  const numbers = cells.map(decimal)
  if (clocks.some(Number.isNaN)) return false
  return numbers.some(Number.isNaN) || UNEVEN * unevenness(clocks) < unevenness(numbers)
}
/**
 * Whether clocks stand there without any sign, "0930": going on far more evenly as clocks than as numbers, or with a nought
 * before the hour, which no number has; from "0000" on a counter may have as many.
 */
function areCompact(cells: readonly string[]): boolean {
  const clocks = cells.map((cell) => (/^\s*\d{4}\s*$/.test(cell) ? parseDottedTime(cell) : NaN))
  if (clocks.length < 2 || clocks.some(Number.isNaN)) return false
  const isPadded = cells[0].trim().startsWith('0') && !cells.some((cell) => cell.trim() === '0000')
  return isPadded || UNEVEN * unevenness(clocks) < unevenness(cells.map(decimal))
}
/** So many times less evenly numbers must go on than the clocks they could be. */
const UNEVEN = 2

/** The largest step over the smallest; Infinity where a value stands still or falls, and NaN for fewer than two steps. */
function unevenness(values: readonly number[]): number {
  const steps = values.slice(1).map((v, i) => v - values[i])
  if (steps.length < 2) return NaN
  const [low = NaN, high = NaN] = extent(steps)
  return low > 0 ? high / low : Infinity
}

/** Whole numbers that go on by hundreds: a log that is read every few minutes has no such steps in seconds. */
function isThousandths(numbers: readonly number[]): boolean {
  const steps = numbers.slice(1).map((n, i) => n - numbers[i])
  return steps.length > 0 && numbers.every(Number.isInteger) && steps.every((s) => s === 0 || s >= 90)
}

/** Whole numbers that go on by thousands: nobody reads every 1000 s, and a log of milliseconds counts so. */
function goesByThousands(numbers: readonly number[]): boolean {
  const steps = numbers.slice(1).map((n, i) => Math.abs(n - numbers[i]))
  return steps.length > 2 && steps.every((s) => s % 1000 === 0) && steps.some((s) => s > 0)
}

/** Past midnight, with am or pm, begun late, or called so: a clock that tells the time of day. */
function isOnTheWall(header: string, cells: readonly string[]): boolean {
  if (cells.every(hasYearlessDay)) return true
  if (/time of day|wall|\bclock\b|o.clock|local time/i.test(header.replace(/_/g, ' '))) return true
  if (cells.some((c) => /[ap]m\s*$/i.test(c))) return true
  const hasSeconds = cells.every((c) => /^\s*\d{1,2}:\d{2}:/.test(c))
  // A log whose newest row stands first is looked at from its end.
  const rows = isNewestFirst(cells.map(parseTimeOfDay)) ? [...cells].reverse() : cells
  const times = rows.map(parseTimeOfDay)
  if (times.some(Number.isNaN)) return false
  const passesMidnight = times.some((t, i) => i > 0 && t < times[i - 1] - DAY_S / 2)
  return passesMidnight || (hasSeconds ? times[0] >= WALL_FROM : isFarIn(rows.map(parseClock)))
}

const isNewestFirst = (times: readonly number[]): boolean =>
  times.filter((t, i) => i > 0 && t < times[i - 1]).length > times.length / 2

/** Read as minutes and seconds it would begin at more than twenty of its own steps: `18:40`, `18:45` hang on a wall. */
function isFarIn(seconds: readonly number[]): boolean {
  const steps = seconds
    .slice(1)
    .map((s, i) => s - seconds[i])
    // Several readings a minute stand at one and the same.
    .filter((step) => step !== 0)
    .sort((a, b) => a - b)
  const usual = steps[Math.floor(steps.length / 2)]
  return usual > 0 && seconds[0] > 20 * usual
}
