/** A lead that did not last: who led early, who late, and between which moments it turned or vanished. */
export interface LeadChange {
  /** Places of the leaders in the list of runs; `late` is null where nobody leads any more. */
  early: number
  late: number | null
  /** The last moment of the one and the first of the other, s. */
  fromS: number
  toS: number
}

/** What several runs had gained at one moment, points; NaN where unknown. Who started higher leads nothing by that. */
export interface GainsAt {
  atS: number
  gains: readonly number[]
  /** Standard uncertainty of each, points. */
  uncertainties: readonly number[]
  /** Near the ceiling a lead says nothing. */
  ceilings: readonly boolean[]
}

/** Points by which a leader must lead: twice the uncertainty of the difference. */
function leaderOf({ gains, uncertainties, ceilings }: GainsAt): number | null {
  const known = gains
    .flatMap((gain, i) => (Number.isNaN(gain) ? [] : [i]))
    .sort((i, j) => gains[j] - gains[i])
  if (known.length < 2) return null
  const [first, second] = known
  const limit = 2 * Math.hypot(uncertainties[first], uncertainties[second])
  return ceilings[first] || gains[first] - gains[second] <= limit ? null : first
}

/**
 * Where the leader at an early mark is not the leader at a later one, or its lead shrinks to nothing and nobody takes it
 * over, in the order of time. A moment at which nobody can be told to lead lies between two leaders, and is none itself.
 */
export function leadChanges(marks: readonly GainsAt[]): LeadChange[] {
  const changes: LeadChange[] = []
  let last: { leader: number; atS: number; goneS: number | null } | undefined
  for (const mark of [...marks].sort((a, b) => a.atS - b.atS)) {
    if (mark.gains.filter((gain) => !Number.isNaN(gain)).length < 2) continue
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
