import { median } from 'd3-array'
import type { ColumnMeaning } from './columns'
import { valueOf } from './valueCell'

/** Volts of the mains; between what any supply of ours gives and them there is nothing. */
const MAINS_V = [85, 280] as const
/** What parts "Input voltage" from its side. */
const QUANTITY = /volt(age|s)?|current|amp(ere)?s?|\b[uiva]\b|[([][^)\]]*[)\]]/gi

const sideOf = (heading: string): string =>
  heading.replace(/_/g, ' ').replace(QUANTITY, '').trim().toLowerCase()

/**
 * The meanings without the volts of the mains and the alternating amperes at their side, as a plug at the wall logs them:
 * neither is what arrives at a meter behind the charger. Its watts are.
 *
 * @param sampleOf cells of a column
 */
export function withoutMains(
  meanings: readonly ColumnMeaning[],
  headers: readonly string[],
  sampleOf: (column: number) => readonly string[],
): ColumnMeaning[] {
  const isMains = (m: ColumnMeaning, i: number): boolean => {
    if (m.kind !== 'channel' || m.channel !== 'voltage') return false
    const asWritten = sampleOf(i).map((cell) => valueOf(cell, { ...m, divisor: 1 }, ''))
    const middle = median(asWritten.filter((v) => !Number.isNaN(v))) ?? NaN
    return middle >= MAINS_V[0] && middle <= MAINS_V[1] && !/mv/i.test(headers[i])
  }
  const sides = new Set(meanings.flatMap((m, i) => (isMains(m, i) ? [sideOf(headers[i])] : [])))
  if (sides.size === 0) return [...meanings]
  return meanings.map((m, i) => {
    const isAmperes = m.kind === 'channel' && m.channel === 'current'
    return isMains(m, i) || (isAmperes && sides.has(sideOf(headers[i]))) ? { kind: 'ignore' } : m
  })
}
