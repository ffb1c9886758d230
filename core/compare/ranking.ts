import type { Analysis } from '../analysis/analyse'
import { DEFAULT_MARKS } from '../analysis/marks'
import { mean } from '../stats/mean'
import { untilCurrentStops } from './quantities'
import { studentT } from '../stats/quantiles'
import {
  ASSUMED_REPEATABILITY,
  leadingGroup,
  moderated,
  pooled,
  TIME_WORTH_NOTICING,
  verdict,
  type Figures,
  type Repeatability,
  type VerdictWord,
  type WorthNoticing,
} from './verdict'

/** What set-ups are ranked by. */
export interface Goal {
  key: 'fifteen' | 'thirty' | 'half' | 'eighty' | 'full' | 'current-stops' | 'coolest' | 'least-lost'
  better: 'lower' | 'higher'
  /** Times in s, gains in points, °C, and shares 0–1. */
  kind: 'time' | 'points' | 'celsius' | 'share'
  worthNoticing: WorthNoticing
  /** The figure of one run with its standard uncertainty; NaN where it has none. */
  figure: (a: Analysis) => { value: number; uncertainty: number }
  /** Why it has none; '' where it has one, or nothing is said. */
  why: (a: Analysis) => string
}

const NONE = { value: NaN, uncertainty: NaN }
const timeTo = (percent: number) => (a: Analysis) => {
  const m = a.milestones.find((x) => x.percent === percent)
  return m && !m.reason ? { value: m.timeS, uncertainty: m.uncertaintyS } : NONE
}
const gainAt = (atS: number) => (a: Analysis) => {
  const m = a.marks.find((x) => x.atS === atS)
  return m && !m.reason ? { value: m.gain, uncertainty: m.uncertainty } : NONE
}
/** A thermometer that states nothing is taken to be good to a degree. */
const USUAL_CELSIUS_U = 0.5
const whyNo = (percent: number) => (a: Analysis) =>
  a.milestones.find((m) => m.percent === percent)?.reason ?? ''
const whyNoneAt = (atS: number) => (a: Analysis) => a.marks.find((m) => m.atS === atS)?.reason ?? ''
const POINTS = { better: 'higher', kind: 'points', worthNoticing: { atLeast: 2, share: 0 } } as const
const TIME = { better: 'lower', kind: 'time', worthNoticing: TIME_WORTH_NOTICING } as const

/** Every goal there is, in the order of the screen. */
export const GOALS: readonly Goal[] = [
  { key: 'fifteen', ...POINTS, figure: gainAt(900), why: whyNoneAt(900) },
  { key: 'thirty', ...POINTS, figure: gainAt(1800), why: whyNoneAt(1800) },
  { key: 'half', ...TIME, figure: timeTo(50), why: whyNo(50) },
  { key: 'eighty', ...TIME, figure: timeTo(80), why: whyNo(80) },
  { key: 'full', ...TIME, figure: timeTo(100), why: whyNo(100) },
  {
    key: 'current-stops',
    ...TIME,
    figure: untilCurrentStops,
    why: ({ taperEndS }) => (Number.isFinite(taperEndS) ? '' : 'The current did not stop within the record.'),
  },
  {
    key: 'coolest',
    better: 'lower',
    kind: 'celsius',
    worthNoticing: { atLeast: 2, share: 0 },
    figure: ({ heat: [top] }) =>
      top ? { value: top.maxC, uncertainty: top.uncertaintyC || USUAL_CELSIUS_U } : NONE,
    why: ({ heat }) => (heat.length ? '' : 'No temperature was read.'),
  },
  {
    key: 'least-lost',
    better: 'higher',
    kind: 'share',
    worthNoticing: { atLeast: 0, share: 0.05 },
    figure: ({ efficiency: e }) => (e.reason ? NONE : { value: e.value, uncertainty: e.uncertainty }),
    why: ({ efficiency }) => efficiency.reason ?? '',
  },
]

/** Goals of whose figures there are most to go by, the farthest first. */
const BY_REACH = ['full', 'eighty', 'half', 'thirty', 'fifteen', 'current-stops'] as const

/**
 * What set-ups are compared by where nobody says: the farthest that most of them reached, two at least, so that tests of
 * half an hour are not asked about a full charge, nor about half where two of four came so far; else the farthest of two.
 */
export function usualGoal(setups: readonly (readonly Analysis[])[]): Goal['key'] {
  const reach = (key: Goal['key']) => {
    const goal = GOALS.find((g) => g.key === key)!
    return setups.filter((runs) => figuresOf(goal, runs).values.length > 0).length
  }
  const isTold = (key: Goal['key']) => reach(key) > 1
  return (
    BY_REACH.find((key) => isTold(key) && reach(key) > setups.length / 2) ?? BY_REACH.find(isTold) ?? 'full'
  )
}

/** How slow each run is by what most of them reached: more is slower; NaN where it did not get there. */
export function slownessOf(runs: readonly Analysis[]): number[] {
  const goal = GOALS.find((g) => g.key === usualGoal(runs.map((run) => [run])))!
  return runs.map((run) => (goal.better === 'lower' ? 1 : -1) * goal.figure(run).value)
}

/** An hour is what a ladder of sources usually asks, s. */
const USUAL_LADDER_S = 3600
/** The moment at which sources are set against their watts where nobody says, s: an hour, or as far as most runs went. */
export function usualLadder(runs: readonly Pick<Analysis, 'marks'>[]): number {
  const isTold = (atS: number) => {
    const known = runs.filter(({ marks }) => marks.some((m) => m.atS === atS && !Number.isNaN(m.gain))).length
    return known > runs.length / 2
  }
  return DEFAULT_MARKS.filter((atS) => atS <= USUAL_LADDER_S).findLast(isTold) ?? USUAL_LADDER_S
}

/** A set-up in its place. Figures in the goal's unit. */
export interface Place {
  /** Place in the list that was given. */
  index: number
  runs: number
  value: number
  /** Expanded uncertainty of the value: repeats and readings. */
  spread: number
  /** Behind the best, above zero; and at least so much, 0 where it can't be told. */
  behind: number
  atLeast: number
  verdict: VerdictWord | 'first' | 'not-reached'
  /** Can't be told apart from the best. */
  leads: boolean
}

export interface Ranking {
  places: Place[]
  repeatability: Repeatability
}

/** The runs of one set-up as figures of a goal; those without one are left out. */
export const figuresOf = (goal: Goal, runs: readonly Analysis[]): Figures => pooled(runs.map(goal.figure))

/**
 * Set-ups in the order of a goal, the best first, each judged against the best; those without a figure come last.
 *
 * @param prior what the logbook's repeats tell of how well runs repeat
 */
export function rank(
  setups: readonly (readonly Analysis[])[],
  goal: Goal,
  prior: Repeatability = ASSUMED_REPEATABILITY,
): Ranking {
  const figures = setups.map((runs) => figuresOf(goal, runs))
  const reached = figures.flatMap(({ values }, i) => (values.length ? [i] : []))
  const s = moderated(
    reached.map((i) => figures[i]),
    prior,
  )
  const k = studentT(0.975, s.freedom)
  const sign = goal.better === 'lower' ? 1 : -1
  const order = [...reached].sort((i, j) => sign * (mean(figures[i].values) - mean(figures[j].values)))
  const leaders = new Set(leadingGroup(figures, goal.better, prior))
  const places = order.map((index): Place => {
    const { values, uncertainty } = figures[index]
    const value = mean(values)
    const own = { index, runs: values.length, value, leads: leaders.has(index) }
    const spread = Math.hypot((k * s.share * value) / Math.sqrt(values.length), 2 * uncertainty)
    if (index === order[0]) return { ...own, spread, behind: 0, atLeast: 0, verdict: 'first' }
    const told = verdict(figures[index], figures[order[0]], {
      settled: s,
      worthNoticing: goal.worthNoticing,
    })
    return {
      ...own,
      spread,
      behind: Math.abs(told.difference),
      atLeast: told.atLeast,
      // The choice of the best is uncertain itself: who leads with it can't be told from it.
      verdict: leaders.has(index) ? 'cannot-tell' : told.verdict,
    }
  })
  const rest = figures.flatMap(({ values }, index): Place[] =>
    values.length
      ? []
      : [
          {
            index,
            runs: 0,
            value: NaN,
            spread: NaN,
            behind: NaN,
            atLeast: 0,
            verdict: 'not-reached',
            leads: false,
          },
        ],
  )
  return { places: [...places, ...rest], repeatability: s }
}
