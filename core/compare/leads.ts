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
 * Where the leader at an early mark is not the leader at a later one, or its lead shrinks to nothing, in the order of time.
 */
export function leadChanges(marks: readonly LevelsAt[]): LeadChange[] {
  const changes: LeadChange[] = []
  let early: { leader: number; atS: number } | undefined
  for (const mark of [...marks].sort((a, b) => a.atS - b.atS)) {
    const counted = mark.percents.filter((p) => !Number.isNaN(p)).length
    if (counted < 2) continue
    const leader = leaderOf(mark)
    if (early && leader !== early.leader)
      changes.push({ early: early.leader, late: leader, fromS: early.atS, toS: mark.atS })
    early = leader === null ? undefined : { leader, atS: mark.atS }
  }
  return changes
}
