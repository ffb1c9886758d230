import { isValid, parse, parseISO } from 'date-fns'
import { decimal } from '../trace/decimal'

const CLOCK = String.raw`(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:[.,](\d+))?)?\s*(am|pm)?$`
const BY_NUMBERS = new RegExp(String.raw`^(\d{1,2})([./-])(\d{1,2})\2(\d{4}|\d{2})[ ,T]+${CLOCK}`, 'i')
const BY_YEAR = new RegExp(String.raw`^(\d{4})([./-])(\d{1,2})\2(\d{1,2})[ ,T]+${CLOCK}`, 'i')
const BY_NAME = new RegExp(
  String.raw`^(?:[a-z]{2,9}\.?,? )?(?:(\d{1,2})\.?[ -]([a-z]{3,9})|([a-z]{3,9})\.? (\d{1,2}))[.,]?[ -](\d{4})[ ,T]+${CLOCK}`,
  'i',
)
/** ISO 8601 without its signs, and as home-made logs part it: "20260302T184005Z", "20260302_184005". */
const BASIC = /^(\d{4})(\d\d)(\d\d)[T_-](\d\d)(\d\d)(\d\d)?([.,]\d+)?(Z|[+-]\d\d(?::?\d\d)?)?$/
/** Which of the two comes first is not known of these; with dots it is the day. */
const EITHER_WAY = /^\d{1,2}([/-])\d{1,2}\1(\d{4}|\d{2})\b/

/** "6:40 p.m." as "6:40 pm". */
export const plainHalf = (cell: string): string => cell.trim().replace(/([ap])\.\s?m\.?$/i, '$1m')

/**
 * An ISO 8601 moment, `2026/3/2 6:40 pm`, `2 Mar 2026 18:40`, `02.03.2026 18:40:05` or `3/2/26 18:40`, in seconds since
 * 1970; NaN for anything else. One without a zone is of this machine's clock.
 */
export function parseMoment(cell: string, monthFirst = false): number {
  const text = plainHalf(cell).replace(
    BASIC,
    (_, y, m, d, h, min, s = '00', part = '', zone = '') => `${y}-${m}-${d}T${h}:${min}:${s}${part}${zone}`,
  )
  const byYear = BY_YEAR.exec(text)
  if (byYear) return momentOf(byYear[1], byYear[3], byYear[4], byYear.slice(5))
  const byName = BY_NAME.exec(text)
  if (byName) {
    const [, before, name, month = name, day = before, year] = byName
    const at = parse(month.slice(0, 3), 'MMM', 0)
    return isValid(at) ? momentOf(year, String(at.getMonth() + 1), day, byName.slice(6)) : NaN
  }
  const byNumbers = BY_NUMBERS.exec(text)
  if (byNumbers) {
    const [, one, sign, two, year] = byNumbers
    const isMonth = monthFirst && sign !== '.'
    return momentOf(year, isMonth ? one : two, isMonth ? two : one, byNumbers.slice(5))
  }
  if (!/^\d{4}-\d{2}-\d{2}[ T]\d{2}:\d{2}/.test(text)) return NaN
  const moment = parseISO(text.replace(' ', 'T').replace(/(:\d{2}),(\d+)/, '$1.$2'))
  return isValid(moment) ? moment.getTime() / 1000 : NaN
}

/** A moment as spreadsheets keep it: days since 30 December 1899 (OASIS OpenDocument 1.2 part 2, 4.3.3, from memory), of 2000 to 2099. */
export const isDayNumber = (cell: string): boolean => {
  if (!/^\s*\d{5}[.,]\d{3,}\s*$/.test(cell)) return false
  const days = decimal(cell)
  return days >= 36_526 && days < 73_051
}
/** What {@link isDayNumber} knows, to the nearest tenth of a second, of this machine's clock; any other moment as it is. */
export function readMoment(cell: string): number {
  if (!isDayNumber(cell)) return parseMoment(cell)
  const days = decimal(cell)
  const whole = Math.floor(days)
  const tenths = Math.round((days - whole) * 864_000)
  return new Date(1899, 11, 30 + whole, 0, 0, 0, tenths * 100).getTime() / 1000
}

function momentOf(year: string, month: string, day: string, clock: (string | undefined)[]): number {
  const [hour, minute, second = '0', fraction = '0', half] = clock
  const [d, m, y, written, min, s] = [day, month, year, hour, minute, second].map(Number)
  if (half && (written < 1 || written > 12)) return NaN
  const h = half ? (written % 12) + (half.toLowerCase() === 'pm' ? 12 : 0) : written
  const moment = new Date(y < 100 ? 2000 + y : y, m - 1, d, h, min, s)
  // A 31st of February would roll over into March.
  const real = moment.getDate() === d && moment.getMonth() === m - 1 && h < 24 && min < 60 && s < 60
  return real ? moment.getTime() / 1000 + Number(`0.${fraction}`) : NaN
}

/** Whether a column has dates whose day and month could be taken for one another. */
export const isEitherWay = (cells: readonly string[]): boolean => cells.some((c) => EITHER_WAY.test(c.trim()))

/**
 * Whether dates have their month first: by which of both ways more of them can be, then by which gives the shorter run.
 * Where neither tells, am and pm do: who writes those mostly puts the month first.
 */
export function isMonthFirst(cells: readonly string[]): boolean {
  if (!isEitherWay(cells)) return false
  const [byDay, byMonth] = [false, true].map((way) =>
    cells.map((c) => parseMoment(c, way)).filter((t) => !Number.isNaN(t)),
  )
  if (byDay.length !== byMonth.length) return byMonth.length > byDay.length
  const lengthOf = (times: number[]) => Math.abs(times[times.length - 1] - times[0])
  const [ofDay, ofMonth] = [lengthOf(byDay), lengthOf(byMonth)]
  return ofDay === ofMonth ? cells.some((c) => /[ap]m\s*$/i.test(c)) : ofMonth < ofDay
}
