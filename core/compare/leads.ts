import type { Mark } from '../analysis/marks'
import { leadingGroup, pooled, type Figures, type Repeatability } from './verdict'

/** A lead that did not last: who led early, who late, and between which moments it turned or vanished. */
export interface LeadChange {
  /** Places of the leaders in the list of set-ups; `late` is null where nobody leads any more. */
  early: number
  late: number | null
  /** The last moment of the one and the first of the other, s. */
  fromS: number
  toS: number
}

/** What several set-ups had gained at one moment, points; no values where unknown. Who started higher leads nothing by that. */
export interface GainsAt {
  atS: number
  gains: readonly Figures[]
  /** What they showed then, percent. */
  levels: readonly Figures[]
  /** Whether they were near the ceiling, where a lead may vanish. */
  ceilings: readonly boolean[]
}

/** A run's level and gain at its marks, s, percent, points. */
export interface Marked {
  marks: readonly Pick<Mark, 'atS' | 'percent' | 'gain' | 'uncertainty' | 'ceiling'>[]
}

/** What set-ups gained at the moments of their marks, the repeats of each together. */
export function gainsOf(setups: readonly (readonly Marked[])[]): GainsAt[] {
  const moments = setups[0]?.[0]?.marks ?? []
  return moments.map(({ atS }, k) => {
    const marks = setups.map((runs) => runs.map((run) => run.marks[k]))
    return {
      atS,
      gains: marks.map((of) => pooled(of.map(({ gain, uncertainty }) => ({ value: gain, uncertainty })))),
      // A level is one display, a gain the difference of two.
      levels: marks.map((of) =>
        pooled(
          of.map(({ percent, uncertainty }) => ({ value: percent, uncertainty: uncertainty / Math.SQRT2 })),
        ),
      ),
      ceilings: marks.map((of) => of.some((m) => m.ceiling)),
    }
  })
}

/**
 * Who alone can be told from all others: a lead is a difference, and judged as every difference is. Of those near the
 * ceiling who began lower has gained more once all are full: among them the leader must show more, too.
 */
function leaderOf({ gains, levels, ceilings }: GainsAt, prior?: Repeatability): number | null {
  const [first, ...beside] = leadingGroup(gains, 'higher', prior)
  if (beside.length > 0) return null
  if (!ceilings[first]) return first
  const high = levels.map((shown, i) => (ceilings[i] ? shown : NOTHING))
  const [top, ...equals] = leadingGroup(high, 'higher', prior)
  return top === first && equals.length === 0 ? first : null
}
const NOTHING = pooled([])

const isKnown = ({ gains }: GainsAt, place: number): boolean => gains[place].values.length > 0

/**
 * Where the leader at an early mark is not the leader at a later one, or its lead shrinks to nothing and nobody takes it
 * over, in the order of time. A moment at which nobody can be told to lead lies between two leaders, and is none itself. Who
 * was read at one of the two moments alone overtakes nobody, and is overtaken by nobody.
 *
 * @param prior what was known before of how well runs repeat; assumed where it is not given
 */
export function leadChanges(marks: readonly GainsAt[], prior?: Repeatability): LeadChange[] {
  const changes: LeadChange[] = []
  let last: { leader: number; mark: GainsAt; goneS: number | null } | undefined
  const settle = () => {
    if (last && last.goneS !== null)
      changes.push({ early: last.leader, late: null, fromS: last.mark.atS, toS: last.goneS })
    last = undefined
  }
  for (const mark of [...marks].sort((a, b) => a.atS - b.atS)) {
    if (last && !isKnown(mark, last.leader)) settle()
    if (mark.gains.filter(({ values }) => values.length > 0).length < 2) continue
    const leader = leaderOf(mark, prior)
    if (leader === null) {
      if (last) last.goneS ??= mark.atS
      continue
    }
    if (last && leader !== last.leader && isKnown(last.mark, leader))
      changes.push({ early: last.leader, late: leader, fromS: last.mark.atS, toS: mark.atS })
    last = { leader, mark, goneS: null }
  }
  settle()
  return changes
}
