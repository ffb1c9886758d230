import type { Quantity, QuantityGroup } from '../../compare/quantities'
import type { Result } from '../../compare/results'
import type { TimeDifference } from '../../compare/times'
import { difference, duration, durationWithSpread, figure } from '../figures'

const GROUPS: Record<QuantityGroup, string> = {
  times: 'Times',
  levels: 'Levels and gains',
  energy: 'Energy',
  power: 'Power',
  heat: 'Heat',
}
/** What a group of figures is called. */
export const groupTab = (group: QuantityGroup): string => GROUPS[group]

/** How each kind of figure is written: digits, unit, and what it is multiplied by. */
const WRITTEN: Record<Exclude<Quantity['kind'], 'time'>, [digits: number, unit: string, times: number]> = {
  percent: [1, '%', 1],
  points: [1, '', 1],
  wh: [2, 'Wh', 1],
  watts: [1, 'W', 1],
  celsius: [1, '°C', 1],
  hours: [1, 'h', 1],
  share: [0, '%', 100],
}
const said = (kind: Quantity['kind'], value: number, write = figure): string => {
  if (kind === 'time') return duration(value)
  const [digits, unit, times] = WRITTEN[kind]
  return write(value * times, digits, unit)
}
const WORDS: Record<Result['verdict'], string> = {
  baseline: 'baseline',
  'not-reached': '',
  'cannot-tell': 'can’t tell apart',
  small: 'small',
  clear: 'clear',
}

/** A result with its ±, and what the verdict on its difference from the baseline is. */
export function resultWords({ kind }: Quantity, r: Result): { figure: string; verdict: string } {
  if (r.runs === 0) return { figure: kind === 'time' ? 'not reached' : '–', verdict: '' }
  const atLeast =
    r.verdict === 'clear' || r.verdict === 'small' ? `, at least ${said(kind, r.atLeast, difference)}` : ''
  return { figure: resultFigure(kind, r), verdict: WORDS[r.verdict] + atLeast }
}

function resultFigure(kind: Quantity['kind'], r: Result): string {
  if (kind === 'time') return durationWithSpread(r.value, r.spread)
  const spread = said(kind, r.spread, difference)
  // Nobody knows a figure to ± 0: what rounds to nothing is left out.
  const isNothing = Number.isNaN(r.spread) || Number(spread.replace(/\D/g, '')) === 0
  return isNothing ? said(kind, r.value) : `${said(kind, r.value)} ± ${spread}`
}

/** Time saved, share of time saved and speed ratio, in this order. */
export const againstWords = (against: TimeDifference | null): [string, string, string] => [
  duration(against?.savedS ?? NaN),
  figure((against?.savedShare ?? NaN) * 100, 1, '%'),
  figure(against?.speedRatio ?? NaN, 2, '×'),
]
