import { median } from 'd3-array'
import { channel, scalesOf } from '../trace/channels'
import { decimal } from '../trace/decimal'
import type { ColumnMeaning } from './columns'
import { namesUnit } from './headingUnit'
import { quoted } from './problem'
import type { Table } from './table'

/** Tenths of a degree, as batteries report them: what no device outlives in whole degrees. */
export const TENTHS = 10
const HOT_C = 150

/** The middle of a column's numbers, signs left out; NaN where there are none. */
function middleOf(cells: readonly string[]): number {
  return median(cells.map((cell) => Math.abs(decimal(cell))).filter((n) => !Number.isNaN(n))) ?? NaN
}

/**
 * The meaning of a column that names no unit, in thousandths or millionths of its channel's (in tenths of a degree) where
 * it is most likely written so: half of its values lie out of all bounds as they stand. A device tells of itself in
 * millionths: the power supplies of a Linux kernel in µV, µA and µW, and in tenths of a degree (its sysfs-class-power,
 * from memory).
 *
 * @param cells a sample of the column's
 */
export function inSmallerUnit(
  meaning: ColumnMeaning,
  heading: string,
  cells: readonly string[],
): ColumnMeaning {
  if (namesUnit(heading)) return meaning
  if (meaning.kind === 'temperature' && !meaning.fahrenheit) {
    const middle = middleOf(cells)
    return middle > HOT_C && middle <= HOT_C * TENTHS ? { ...meaning, divisor: TENTHS } : meaning
  }
  if (meaning.kind !== 'channel' || meaning.divisor !== 1) return meaning
  const [, high] = channel(meaning.channel).bounds
  const middle = middleOf(cells)
  const fits = scalesOf(meaning.channel).find(({ divisor }) => middle > high && middle / divisor <= high)
  return fits ? { ...meaning, divisor: fits.divisor } : meaning
}

/** What is said of a column that was read so; '' where its heading says it. */
export function smallerUnitWords(meaning: ColumnMeaning, { headers }: Table, column: number): string {
  const name = headers[column]
  if (namesUnit(name)) return ''
  if (meaning.kind === 'temperature' && meaning.divisor) return `${quoted(name)} is read in tenths of a °C.`
  if (meaning.kind !== 'channel') return ''
  const scale = scalesOf(meaning.channel).find(({ divisor }) => divisor === Math.abs(meaning.divisor))
  return scale ? `${quoted(name)} is read in ${scale.unit}.` : ''
}
