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
  load: 'Under load',
}
/** What a group of figures is called. */
export const groupTab = (group: QuantityGroup): string => GROUPS[group]

type Kind = Pick<Quantity, 'kind' | 'unit'>

/** Digits behind the point of a score, so that three of it are told. */
export const scoreDigits = (value: number): number =>
  Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2

/** How each kind of figure is written: digits, unit, and what it is multiplied by. */
const WRITTEN: Record<
  Exclude<Quantity['kind'], 'time' | 'score'>,
  [digits: number, unit: string, times: number]
> = {
  percent: [1, '%', 1],
  points: [1, '', 1],
  wh: [2, 'Wh', 1],
  watts: [1, 'W', 1],
  celsius: [1, '°C', 1],
  hours: [1, 'h', 1],
  share: [0, '%', 100],
}
const said = ({ kind, unit: own = '' }: Kind, value: number, size: number, write = figure): string => {
  if (kind === 'time') return duration(value)
  // A score has whatever size its benchmark gives it: three digits at least.
  if (kind === 'score') return write(value, scoreDigits(size), own)
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
export function resultWords(of: Kind, r: Result): { figure: string; verdict: string } {
  if (r.runs === 0) return { figure: r.why || (of.kind === 'time' ? 'not reached' : '–'), verdict: '' }
  const atLeast =
    r.verdict === 'clear' || r.verdict === 'small'
      ? `, at least ${said(of, r.atLeast, r.value, difference)}`
      : ''
  // Against a baseline that has none there is no difference to judge.
  const isAlone = r.verdict === 'cannot-tell' && Number.isNaN(r.difference)
  return {
    figure: resultFigure(of, r),
    verdict: isAlone ? 'the baseline has none' : WORDS[r.verdict] + atLeast,
  }
}

function resultFigure(of: Kind, r: Result): string {
  if (of.kind === 'time') return durationWithSpread(r.value, r.spread)
  const spread = said(of, r.spread, r.value, difference)
  // Nobody knows a figure to ± 0: what rounds to nothing is left out.
  const isNothing = Number.isNaN(r.spread) || Number(spread.replace(/\D/g, '')) === 0
  const own = said(of, r.value, r.value)
  return isNothing ? own : `${own} ± ${spread}`
}

/** Time saved, share of time saved and speed ratio, in this order. */
export const againstWords = (against: TimeDifference | null): [string, string, string] => [
  duration(against?.savedS ?? NaN),
  figure((against?.savedShare ?? NaN) * 100, 1, '%'),
  figure(against?.speedRatio ?? NaN, 2, '×'),
]
