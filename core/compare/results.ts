import { mean } from '../stats/mean'
import { studentT } from '../stats/quantiles'
import type { Quantity, Side } from './quantities'
import { timeDifference, type TimeDifference } from './times'
import {
  ASSUMED_REPEATABILITY,
  moderated,
  pooled,
  verdict,
  type Figures,
  type Repeatability,
  type VerdictWord,
} from './verdict'

/** One figure of one set-up, its repeats pooled, against the baseline's. In the quantity's unit. */
export interface Result {
  /** How many of its runs have the figure; of what is read several times in a run, how many readings there are. */
  runs: number
  /** Why none of them has it, in a word or two; '' where that is not known, or one has. */
  why: string
  /** NaN where none has. */
  value: number
  /** What is known of it at about 95 %: repeats and readings. */
  spread: number
  /** The value less the baseline's. */
  difference: number
  /** The difference is at least so much; 0 where it can't be told. */
  atLeast: number
  verdict: VerdictWord | 'baseline' | 'not-reached'
  /** Of a time: minutes saved, share saved, speed ratio. Null for others. */
  against: TimeDifference | null
}

/** A quantity of one set-up, its repeats together. */
export const figuresOf = (sides: readonly Side[], { figure, figures }: Quantity): Figures =>
  pooled(sides.flatMap((side) => figures?.(side) ?? [figure(side)]))

/**
 * A quantity of every set-up against the baseline's, by the place of the set-up in the list.
 *
 * @param baseline place of the set-up that the others are set against
 * @param prior how well runs repeat, as far as it was known before
 */
export function resultsOf(
  setups: readonly (readonly Side[])[],
  baseline: number,
  quantity: Quantity,
  prior: Repeatability = ASSUMED_REPEATABILITY,
): Result[] {
  const figures = setups.map((sides) => figuresOf(sides, quantity))
  const s = moderated(
    figures.filter(({ values }) => values.length),
    prior,
  )
  const k = studentT(0.975, s.freedom)
  const base = figures[baseline]
  const baseValue = base?.values.length ? mean(base.values) : NaN
  return figures.map((own, i): Result => {
    const runs = own.values.length
    const [side] = setups[i]
    const why = runs === 0 && side !== undefined ? (quantity.why?.(side) ?? '') : ''
    if (runs === 0) return { runs, why, ...NOTHING, against: quantity.kind === 'time' ? timeDifference(NaN, NaN) : null }
    const value = mean(own.values)
    const told =
      i === baseline || Number.isNaN(baseValue)
        ? null
        : verdict(own, base, { settled: s, worthNoticing: quantity.worthNoticing })
    return {
      runs,
      why,
      value,
      spread: Math.hypot((k * s.share * value) / Math.sqrt(runs), 2 * own.uncertainty),
      difference: value - baseValue,
      atLeast: told?.atLeast ?? 0,
      verdict: i === baseline ? 'baseline' : (told?.verdict ?? 'cannot-tell'),
      against: quantity.kind === 'time' ? timeDifference(value, baseValue) : null,
    }
  })
} // prettier-ignore

const NOTHING = {
  value: NaN,
  spread: NaN,
  difference: NaN,
  atLeast: 0,
  verdict: 'not-reached',
} as const
