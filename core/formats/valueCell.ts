import { channel, plainUnit, scalesOf } from '../trace/channels'
import { decimal, isPlain, shortNumber } from '../trace/decimal'
import { signOf } from '../trace/spelledUnits'
import type { ColumnMeaning } from './columns'
import type { Table } from './table'

/** What groups the thousands of a column's numbers; '' where nothing does. */
export type Grouping = '' | ',' | '.'

/** A number as it is written, and the unit behind it. */
const PARTS = /^([+\-−]?[\d.,]*\d[.,]?(?:e[+-]?\d+)?)\s*([^\d\s.,+\-−]\S*)?$/i
/** What a display says when it does not say 100. */
const FULL = /^full$/i
/** A level as some logs write it. */
const OF_HUNDRED = /^(\d{1,3})\s*\/\s*100$/
/** Thousands parted by a space or an apostrophe: no other number is written so. */
const SPACED = /(\d)[\u00a0\u202f\u2009 '’](?=\d{3}(?!\d))/g
const POINTED = /^[+\-−]?\d{1,3}(,\d{3})+\.\d+(?!\d)/
const COMMAED = /^[+\-−]?\d{1,3}(\.\d{3})+,\d+(?!\d)/
const GROUPED = /^[+\-−]?[1-9]\d{0,2}(,\d{3})+(?![\d.,])/

/**
 * What groups the thousands of a column. "1,010.5" tells it; in thousandths of a unit, which alone go so far, so does
 * "1,010" beside "998" or "998.5": who writes decimal commas, with three decimals, writes none of these.
 */
export function groupingOf(rows: Table['rows'], column: number, meaning: ColumnMeaning): Grouping {
  const inThousandths = meaning.kind === 'channel' && Math.abs(meaning.divisor) >= 1000
  let commas = 0
  let grouped = 0
  let beside = false
  let tooLarge = false
  for (const { cells } of rows) {
    const cell = cells[column] ?? ''
    if (isPlain(cell)) {
      beside ||= cell.includes('.') || (cell.length === 3 && Number(cell) >= 100)
      tooLarge ||= Number(cell) >= 1000
    } else if (cell.includes(',')) {
      if (POINTED.test(cell)) return ','
      if (COMMAED.test(cell)) return '.'
      commas++
      if (GROUPED.test(cell)) grouped++
    }
  }
  return inThousandths && commas > 0 && grouped === commas && beside && !tooLarge ? ',' : ''
}

/**
 * The value of a cell, in the unit of what its column means: by the unit behind it where there is one, else by the
 * column's own. NaN where it is no number, or of another kind.
 * @example valueOf('1995 mA', { kind: 'channel', channel: 'current', divisor: 1 }, '') // 1.995
 */
export function valueOf(cell: string, meaning: ColumnMeaning, grouping: Grouping): number {
  const short = grouping === '' ? shortNumber(cell) : NaN
  if (!Number.isNaN(short)) return inUnit(short, '', meaning)
  if (grouping === '' && isPlain(cell)) return inUnit(Number(cell), '', meaning)
  if (meaning.kind === 'channel' && meaning.channel === 'percent') {
    if (FULL.test(cell.trim())) return 100
    const [, level] = OF_HUNDRED.exec(cell.trim()) ?? []
    if (level !== undefined) return Number(level)
  }
  const [, number, written = ''] = PARTS.exec(cell.trim().replace(SPACED, '$1')) ?? []
  if (number === undefined) return NaN
  // "24°" are degrees of the column's own kind.
  const unit = written === '°' && meaning.kind === 'temperature' ? '' : written
  return inUnit(
    decimal(grouping ? number.replaceAll(grouping, '') : number),
    signOf(unit).toLowerCase(),
    meaning,
  )
}

/** What a number without a unit of its own is, in the unit of what its column means; NaN of NaN. */
export const inColumnsUnit = (value: number, meaning: ColumnMeaning): number => inUnit(value, '', meaning)

function inUnit(value: number, unit: string, meaning: ColumnMeaning): number {
  if (meaning.kind === 'temperature') {
    if (/^(°?c|℃)$/.test(unit)) return value
    if (unit === '' ? meaning.fahrenheit : /^(°?f|℉)$/.test(unit)) return ((value - 32) * 5) / 9
    return unit === '' ? value / (meaning.divisor ?? 1) : NaN
  }
  if (meaning.kind !== 'channel') return NaN
  if (unit === '') return scaled(value, meaning.divisor)
  // Counted the other way round it is, whatever the cell's unit.
  const sign = meaning.divisor < 0 ? -1 : 1
  if (unit === channel(meaning.channel).unit.toLowerCase()) return sign * value
  const written = plainUnit(unit)
  const scale = scalesOf(meaning.channel).find((s) => s.unit.toLowerCase() === written)
  return scale ? sign * scaled(value, scale.divisor) : NaN
}

/** Shares of one lose what the division adds: 0.29 is 29 %, not 28.999…. */
const scaled = (value: number, divisor: number): number =>
  divisor > 0 && divisor < 1 ? Number((value / divisor).toPrecision(12)) : value / divisor + 0

/**
 * Whether the levels of a column look like shares of one, as a spreadsheet keeps its percentages: all of them from 0 to
 * 1, not only those two, and none with a sign of its own.
 */
export function areShares(rows: Table['rows'], column: number): boolean {
  let between = 0
  let numbers = 0
  for (const { cells } of rows) {
    const cell = (cells[column] ?? '').trim()
    if (cell === '') continue
    const value = decimal(cell)
    if (cell.endsWith('%') || value < 0 || value > 1) return false
    if (Number.isNaN(value)) continue
    numbers++
    if (value > 0 && value < 1) between++
  }
  return numbers > 1 && between > 0
}
