import { mean } from '../stats/mean'
import { studentisedRange, studentT } from '../stats/quantiles'

/** The runs of one set-up as one figure: what each came to, and how well a single reading of it is known. */
export interface Figures {
  values: readonly number[]
  /** Standard uncertainty of one of them, in its unit. It does not shrink with repeats: checks fall on the same minutes. */
  uncertainty: number
}

/** Single figures with their standard uncertainties as one set-up's; those that are not known are left out. */
export function pooled(single: readonly { value: number; uncertainty: number }[]): Figures {
  const known = single.filter(({ value }) => Number.isFinite(value))
  const squares = known.reduce((sum, { uncertainty }) => sum + (uncertainty || 0) ** 2, 0)
  return {
    values: known.map((k) => k.value),
    uncertainty: known.length ? Math.sqrt(squares / known.length) : NaN,
  }
}

/** How well runs of one set-up repeat: a standard deviation as a share of the figure, and what it rests on. */
export interface Repeatability {
  share: number
  /** Degrees of freedom. */
  freedom: number
  /** True where no repeats have told it. */
  assumed: boolean
}

/** Where a logbook has no repeats: 2 %, with the weight of eight degrees of freedom, shown as assumed. */
export const ASSUMED_REPEATABILITY: Repeatability = { share: 0.02, freedom: 8, assumed: true }
/** However many repeats a logbook has, its pooled figure weighs no more than so many. */
const MOST_FREEDOM = 30

/**
 * The repeatability that set-ups with repeats tell together, each as a share of its own mean; null where none has two.
 *
 * @example pooledRepeatability([[99, 101], [200]]) // { share: 0.0141, freedom: 1, assumed: false }
 */
export function pooledRepeatability(setups: readonly (readonly number[])[]): Repeatability | null {
  const { squares, freedom } = spreadWithin(setups)
  if (freedom === 0) return null
  return { share: Math.sqrt(squares / freedom), freedom: Math.min(MOST_FREEDOM, freedom), assumed: false }
}

/** Sum of squared shares about each set-up's own mean, and their degrees of freedom. */
function spreadWithin(setups: readonly (readonly number[])[]): { squares: number; freedom: number } {
  let [squares, freedom] = [0, 0]
  for (const values of setups) {
    if (values.length < 2) continue
    const middle = mean(values)
    // Of nothing there is no share: runs that gained nothing tell nothing of how well runs repeat.
    if (!(middle > 0)) continue
    for (const value of values) squares += (value / middle - 1) ** 2
    freedom += values.length - 1
  }
  return { squares, freedom }
}

/**
 * The repeatability for a comparison: what its own repeats tell, moderated by what was known before (an empirical-Bayes
 * moderated variance, Smyth 2004, from memory).
 */
export function moderated(setups: readonly Figures[], prior: Repeatability): Repeatability {
  const own = spreadWithin(setups.map((s) => s.values))
  const freedom = prior.freedom + own.freedom
  const share = Math.sqrt((prior.freedom * prior.share ** 2 + own.squares) / freedom)
  return { share, freedom, assumed: prior.assumed && own.freedom === 0 }
}

/** What counts as worth noticing: a difference must reach both. */
export interface WorthNoticing {
  /** In the figure's own unit. */
  atLeast: number
  /** As a share of the baseline's figure. */
  share: number
}
/** Of times: five minutes and five percent. */
export const TIME_WORTH_NOTICING: WorthNoticing = { atLeast: 300, share: 0.05 }

export type VerdictWord = 'cannot-tell' | 'small' | 'clear'
export interface Verdict {
  verdict: VerdictWord
  /** Of the means: the first less the second. */
  difference: number
  /** What it must exceed to be told from chance: the expanded uncertainty of the difference. */
  limit: number
  /** What the difference is at least; 0 where it can't be told. */
  atLeast: number
}

export interface VerdictOptions {
  /** As it was known before: the two set-ups' own repeats are added to it. */
  repeatability?: Repeatability
  /** What all set-ups of a comparison told together, these two among them: their repeats must not count twice. */
  settled?: Repeatability
  worthNoticing?: WorthNoticing
}

/**
 * Whether a difference between two set-ups is real: beyond what repeats scatter (Student's t at 97.5 %) and what the
 * readings leave open (twice their standard uncertainty), in quadrature.
 *
 * @example verdict({ values: [12060], uncertainty: 5 }, { values: [9420], uncertainty: 5 }).verdict // 'clear'
 */
export function verdict(
  a: Figures,
  b: Figures,
  {
    repeatability = ASSUMED_REPEATABILITY,
    settled,
    worthNoticing = TIME_WORTH_NOTICING,
  }: VerdictOptions = {},
): Verdict {
  const s = settled ?? moderated([a, b], repeatability)
  const difference = mean(a.values) - mean(b.values)
  const limit = limitOf(a, b, s.share, studentT(0.975, s.freedom))
  const size = Math.abs(difference)
  if (!(size > limit)) return { verdict: 'cannot-tell', difference, limit, atLeast: 0 }
  const isSmall = size < worthNoticing.atLeast || size < worthNoticing.share * Math.abs(mean(b.values))
  return { verdict: isSmall ? 'small' : 'clear', difference, limit, atLeast: size - limit }
}

const limitOf = (a: Figures, b: Figures, share: number, k: number): number => {
  const scatter = ({ values }: Figures) => (share * mean(values)) ** 2 / values.length
  return Math.sqrt(k * k * (scatter(a) + scatter(b)) + (2 * a.uncertainty) ** 2 + (2 * b.uncertainty) ** 2)
}

/**
 * Set-ups that can't be told apart from the best, by their place in the list, the best first. With more than two the
 * choice of the best is itself uncertain: k is the studentised range at 95 % over √2 (Tukey).
 *
 * @param better whether a lower or a higher figure is the better
 */
export function leadingGroup(
  setups: readonly Figures[],
  better: 'lower' | 'higher',
  repeatability: Repeatability = ASSUMED_REPEATABILITY,
): number[] {
  const known = setups.flatMap(({ values }, i) => (values.length && !values.some(Number.isNaN) ? [i] : []))
  if (known.length === 0) return []
  const s = moderated(
    known.map((i) => setups[i]),
    repeatability,
  )
  const k =
    known.length > 2
      ? studentisedRange(0.95, known.length, s.freedom) / Math.SQRT2
      : studentT(0.975, s.freedom)
  const sign = better === 'lower' ? 1 : -1
  const ordered = known.sort((i, j) => sign * (mean(setups[i].values) - mean(setups[j].values)))
  const [best] = ordered
  return ordered.filter((i) => {
    const behind = sign * (mean(setups[i].values) - mean(setups[best].values))
    return i === best || behind <= limitOf(setups[i], setups[best], s.share, k)
  })
}
