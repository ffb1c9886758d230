/** A lead that did not last: who led early, who late, and between which moments it turned or vanished. */
export interface LeadChange {
  /** Places of the leaders in the list of runs; `late` is null where nobody leads any more. */
  early: number
  late: number | null
  /** The last moment of the one and the first of the other, s. */
  fromS: number
  toS: number
}

/** The levels of several runs at one moment, points; NaN where unknown. */
export interface LevelsAt {
  atS: number
  percents: readonly number[]
  /** Standard uncertainty of each, points. */
  uncertainties: readonly number[]
  /** Near the ceiling a lead says nothing. */
  ceilings: readonly boolean[]
}

/** Points by which a leader must lead: twice the uncertainty of the difference. */
function leaderOf({ percents, uncertainties, ceilings }: LevelsAt): number | null {
  const known = percents
    .flatMap((p, i) => (Number.isNaN(p) ? [] : [i]))
    .sort((i, j) => percents[j] - percents[i])
  if (known.length < 2) return null
  const [first, second] = known
  const limit = 2 * Math.hypot(uncertainties[first], uncertainties[second])
  return ceilings[first] || percents[first] - percents[second] <= limit ? null : first
}

/**
 * Where the leader at an early mark is not the leader at a later one, or its lead shrinks to nothing and nobody takes it
 * over, in the order of time. A moment at which nobody can be told to lead lies between two leaders, and is none itself.
 */
export function leadChanges(marks: readonly LevelsAt[]): LeadChange[] {
  const changes: LeadChange[] = []
  let last: { leader: number; atS: number; goneS: number | null } | undefined
  for (const mark of [...marks].sort((a, b) => a.atS - b.atS)) {
    if (mark.percents.filter((p) => !Number.isNaN(p)).length < 2) continue
    const leader = leaderOf(mark)
    if (leader === null) {
      if (last) last.goneS ??= mark.atS
      continue
    }
    if (last && leader !== last.leader)
      changes.push({ early: last.leader, late: leader, fromS: last.atS, toS: mark.atS })
    last = { leader, atS: mark.atS, goneS: null }
  }
  if (last && last.goneS !== null)
    changes.push({ early: last.leader, late: null, fromS: last.atS, toS: last.goneS })
  return changes
}
