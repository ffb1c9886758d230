import type { ColumnMeaning } from './columns'
import type { Channel } from '../trace/channels'
import { decimal } from '../trace/decimal'
import { holdsLevels } from './levels'
import { isNotRead } from './notRead'
import type { Table } from './table'

/** Words of what is measured, and a unit of its own. */
const QUANTITY =
  /volt(age|s)?|amp(ere)?s?|current|power|watt(age|s)?|temp(erature)?|strom|spannung|leistung|(?<=\d\s*)[vaw]\b/gi
/** A unit that is set off says what is measured. */
const SET_OFF = /[[(][^)\]]*[\])]\s*$|[/,]\s*\S+$|_[a-zµ°%]{1,3}$/i
/** Chargers of one table start at about one level, points. */
const NEAR = 3

/** What a level could be taken for by its charger's name. */
const RATES: readonly Channel[] = ['voltage', 'current', 'power']

/** A column that counts its rows is none of levels. */
const numbersRows = (rows: Table['rows'], column: number): boolean => {
  const at = (row: number) => decimal(rows[row].cells[column] ?? '')
  return rows.every((_, i) => i === 0 || Math.abs(at(i) - at(i - 1)) === 1)
}

/** A letter that stands for nothing that is measured. */
const PLAIN_LETTER = /^(?![vawuiptqes])\p{L}$/iu

/** A name with more to it than what is measured: "Ampere 20", "12 W", or a letter among others. */
function isName(heading: string, others: readonly string[]): boolean {
  const name = heading.trim()
  if (/^\p{L}$/u.test(name)) return others.some((h) => PLAIN_LETTER.test(h.trim()))
  return !SET_OFF.test(name) && /[\p{L}\d]/u.test(name.replace(QUANTITY, ''))
}

const isMeasured = (m: ColumnMeaning): boolean =>
  (m.kind === 'channel' && RATES.includes(m.channel)) || m.kind === 'temperature'

/** No source gives so much: what goes beyond it is no such quantity. A, V. */
const MOST: Partial<Record<Channel, number>> = { current: 12, voltage: 60 }
const isBeyond = (m: ColumnMeaning, { headers, rows }: Table, i: number): boolean =>
  !SET_OFF.test(headers[i].trim()) &&
  m.kind === 'channel' &&
  m.divisor === 1 &&
  rows.some(({ cells }) => decimal(cells[i] ?? '') > (MOST[m.channel] ?? Infinity))

/** The meanings without those of columns whose cells are in percent: those are no watts, whatever they are called. */
export const withoutPercents = (meanings: readonly ColumnMeaning[], rows: Table['rows']): ColumnMeaning[] =>
  meanings.map((m, i) =>
    isMeasured(m) &&
    rows.every(({ cells }) => isNotRead(cells[i] ?? '') || /%\s*$/.test(cells[i])) &&
    holdsLevels(rows, i)
      ? { kind: 'ignore' }
      : m,
  )

/**
 * The meanings without those that a charger's name was taken for: beside a column of rising levels under a name that says
 * nothing, "12 W" or "Ampere 20" above levels that begin alike is one more charger.
 */
export function withoutNames(meanings: readonly ColumnMeaning[], table: Table): ColumnMeaning[] {
  const { headers, rows } = table
  const firstOf = (i: number) => decimal((rows.find(({ cells }) => cells[i]?.trim())?.cells[i] ?? '').replace('%', '')) // prettier-ignore
  const isLevels = (m: ColumnMeaning, i: number) =>
    m.kind === 'ignore' && holdsLevels(rows, i) && !numbersRows(rows, i)
  const levels = meanings.flatMap((m, i) => (isLevels(m, i) ? [firstOf(i)] : []))
  if (levels.length === 0) return [...meanings]
  return meanings.map((m, i) => {
    const isCharger =
      isMeasured(m) &&
      holdsLevels(rows, i) &&
      (isName(headers[i], headers) || isBeyond(m, table, i)) &&
      levels.some((first) => Math.abs(first - firstOf(i)) <= NEAR)
    return isCharger ? { kind: 'ignore' } : m
  })
}
