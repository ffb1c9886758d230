import type { ClaimVerdict } from '../../analysis/claimed'
import type { PartEnd } from '../../analysis/parts/parts'
import type { Analysis } from '../../analysis/analyse'
import { duration, durationWithSpread, figure } from '../figures'
import { sideWords } from './batteryWords'

/** What ended a part of the curve. */
export const PART_END_WORDS: Record<PartEnd, string> = {
  supply: 'supply step',
  heat: 'heat, probably',
  level: 'battery level',
  unknown: 'not known',
  record: 'end of record',
}

/**
 * An advertised claim against the log, in a sentence.
 *
 * @example claimInWords(met) // '“50 % in 30 min” is met, by 4 min 0 s ± 20 s.'
 */
export function claimInWords({
  percent,
  seconds,
  verdict,
  marginS,
  uncertaintyS,
  reason,
}: ClaimVerdict): string {
  const claim = `“${percent >= 100 ? 'Full' : `${percent} %`} in ${duration(seconds)}”`
  const by = Number.isNaN(marginS) ? '' : `, by ${durationWithSpread(Math.abs(marginS), 2 * uncertaintyS)}`
  if (verdict === 'met') return `${claim} is met${by}.`
  if (verdict === 'missed')
    return `${claim} is missed${by || `: ${reason.charAt(0).toLowerCase()}${reason.slice(1)}`.replace(/\.$/, '')}.`
  return `${claim} is not decided. ${reason}`
}

/** Checks every five minutes see a charge begin so late, s. */
const LONGEST_LEAD_S = 300
const COUNTS = ['', 'one part', 'two parts', 'three parts', 'four parts', 'five parts', 'six parts']

/** The shape of the charge in a sentence: its parts, the first of them, and the supply's levels; '' where none is known. */
export function curveSentence(a: Pick<Analysis, 'parts' | 'supply' | 'curveAt'>): string {
  const { parts, supply } = a
  const [first] = parts
  const told: string[] = []
  if (first?.kind === 'hold' && parts.length > 1) {
    const count = COUNTS[parts.length] ?? `${parts.length} parts`
    // What lies long before a hold is no part of it: it leads there from something else.
    const isLate = first.levelS - first.startS > LONGEST_LEAD_S
    const when = isLate
      ? `from ${duration(first.levelS)} to ${duration(first.endS)}`
      : `for the first ${duration(first.endS)}`
    told.push(`${count}, ${figure(first.meanW, 1, 'W')}${sideWords(a)} ${when}`)
  }
  // The seconds at 5 V before a level is agreed on say nothing of the charge.
  const levels = supply.filter(({ startS, endS }) => endS - startS >= SHORTEST_LEVEL_S)
  const level = ({ volts, mode }: Analysis['supply'][number]) =>
    mode === 'adjustable'
      ? `about ${figure(volts, 1, 'V')}, adjustable`
      : figure(volts, Number.isInteger(volts) ? 0 : 1, 'V')
  if (levels.length === 1) told.push(`at ${level(levels[0])} throughout`)
  else if (levels.length > 1 && levels.length <= MOST_LEVELS)
    told.push(
      `at ${levels.map((s, i) => (i < levels.length - 1 ? `${level(s)} until ${duration(s.endS)}` : `then ${level(s)}`)).join(', ')}`,
    )
  if (told.length === 0) return ''
  const text = told.join('; ')
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
}

/** A level that held for less is passed over, s; more levels than this no sentence can tell. */
const SHORTEST_LEVEL_S = 60
const MOST_LEVELS = 4

/** By how much the charge slowed after a part: the next one's mean watts against its own; '' after the last. */
export function slowedBy(parts: Analysis['parts'], index: number): string {
  const [part, next] = [parts[index], parts[index + 1]]
  return next ? figure(100 * (next.meanW / part.meanW - 1), 0, '%') : ''
}
