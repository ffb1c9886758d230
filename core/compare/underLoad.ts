import { groups } from 'd3-array'
import { benchmarkKey, type Score } from '../analysis/scores'
import type { LoadSplit } from '../analysis/load'
import { mean } from '../stats/mean'
import { NONE, orUsual, SHARE_WORTH, type Quantity, type Side, type Single } from './quantities'
import { figuresOf } from './results'
import {
  ASSUMED_REPEATABILITY,
  leadingGroup,
  moderated,
  pooledRepeatability,
  verdict,
  type Repeatability,
} from './verdict'

/** A gain between two whole-point displays is known to so many points. */
const GAIN_U = 1 / Math.sqrt(6)
const nameKey = ({ name }: { name: string }) => name.trim().toLowerCase()

/**
 * The figures by which set-ups are compared under load: of each load the watts of source, battery and system, and the
 * scores of each benchmark, which may be several a run. Empty where nothing of it was noted.
 */
export function loadQuantities(sides: readonly Side[]): Quantity[] {
  const phases = groups(sides.flatMap(({ load }) => load?.phases ?? []), nameKey) // prettier-ignore
  const scores = groups(sides.flatMap(({ load }) => load?.scores ?? []), benchmarkKey) // prettier-ignore
  return [
    ...scores.map(([key, [first]]) => scoreQuantity(key, first)),
    ...phases.flatMap(([key, [{ name }]]) => wattsOfLoad(key, name)),
  ]
}

function scoreQuantity(key: string, { name, unit, better }: Score): Quantity {
  const figures = ({ load }: Side): Single[] =>
    (load?.scores ?? [])
      .filter((s) => benchmarkKey(s) === key)
      .map(({ value }) => ({ value, uncertainty: digitU(value) }))
  return {
    key: `score ${key}`,
    group: 'load',
    label: name || 'score',
    kind: 'score',
    unit,
    better,
    worthNoticing: SHARE_WORTH,
    figures,
    figure: (side) => {
      const all = figures(side)
      return all.length ? { value: mean(all.map((s) => s.value)), uncertainty: all[0].uncertainty } : NONE
    },
  }
}

/** What its last digit leaves open of a score: rectangular, GUM JCGM 100:2008 §4.3.7. */
const digitU = (value: number): number => 10 ** -(String(value).split('.')[1]?.length ?? 0) / Math.sqrt(12)

/** More is better for a load: what it takes it needs, and what the battery gets is gained. */
function wattsOfLoad(key: string, name: string): Quantity[] {
  const of = (end: string, pick: (split: LoadSplit, side: Side) => Single): Quantity => {
    const figures = (side: Side) =>
      (side.load?.phases ?? []).filter((p) => nameKey(p) === key).map((p) => pick(p, side))
    return {
      key: `load ${key} ${end}`,
      group: 'load',
      label: `${name}: ${end}`,
      kind: 'watts',
      better: 'higher',
      worthNoticing: SHARE_WORTH,
      figures,
      figure: (side) => {
        const known = figures(side).filter(({ value }) => Number.isFinite(value))
        return known.length ? { value: mean(known.map((f) => f.value)), uncertainty: known[0].uncertainty } : NONE
      },
    } // prettier-ignore
  }
  return [
    of('source', ({ sourceW }) => ({ value: sourceW, uncertainty: orUsual(NaN, sourceW) })),
    of('battery', (split, side) => ({ value: split.batteryW, uncertainty: batteryU(split, side) })),
    of('system', (split, side) => ({
      value: split.systemW,
      uncertainty: Math.hypot(orUsual(NaN, split.sourceW), batteryU(split, side)),
    })),
  ]
}

/** Of the battery's watts, W: as a meter's where they were read, else by what two displays leave open of the gain. */
function batteryU({ batteryW, batteryFrom, startS, endS }: LoadSplit, { usableWh }: Side): number {
  if (batteryFrom === 'readings') return orUsual(NaN, batteryW)
  return ((GAIN_U / 100) * usableWh * 3600) / (endS - startS)
}

/** With fewer degrees of freedom than this nothing is learnt: two scores that happen to be alike tell little. */
const ENOUGH = ASSUMED_REPEATABILITY.freedom

/** How well benchmarks repeat, from runs that noted one several times; what is usual to assume without enough of them. */
export function scoreRepeatability(runs: readonly (readonly Score[])[]): Repeatability {
  const learnt = pooledRepeatability(
    runs.flatMap((scores) =>
      groups(scores, benchmarkKey).map(([, of]) => of.map(({ value }) => Math.abs(value))),
    ),
  )
  return learnt && learnt.freedom >= ENOUGH ? learnt : ASSUMED_REPEATABILITY
}

/** What a benchmark says of set-ups, by their place in the list. */
export interface ScoreVerdict {
  /** Those that can't be told apart from the best, the best first; the others with scores, the nearest first. */
  leaders: number[]
  behind: { index: number; atLeastShare: number }[]
  /** A difference among the leaders of this share of the best's score would have shown. */
  resolvesShare: number
}

/** Null where fewer than two set-ups have a score. */
export function scoreVerdict(
  setups: readonly (readonly Side[])[],
  quantity: Quantity,
  prior: Repeatability,
): ScoreVerdict | null {
  const figures = setups.map((sides) => figuresOf(sides, quantity))
  const known = figures.flatMap(({ values }, i) => (values.length > 0 ? [i] : []))
  const leaders = leadingGroup(figures, quantity.better, prior)
  if (known.length < 2) return null
  const [best] = leaders
  const settled = moderated(known.map((i) => figures[i]), prior) // prettier-ignore
  const size = Math.abs(mean(figures[best].values))
  const against = (i: number) => verdict(figures[i], figures[best], { settled })
  return {
    leaders,
    behind: known
      .filter((i) => !leaders.includes(i))
      .map((index) => ({ index, atLeastShare: against(index).atLeast / size }))
      .sort((a, b) => a.atLeastShare - b.atLeastShare),
    resolvesShare: Math.max(0, ...leaders.slice(1).map((i) => against(i).limit)) / size,
  }
}
