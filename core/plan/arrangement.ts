import type { Bottleneck } from './bound'
import type { Campaign, PlannedRun } from './campaign'
import { alwaysFirst, type Plan } from './scheduler'

/** A timetable for a campaign, with what it means. */
export interface Arrangement {
  planned: PlannedRun[]
  unplaceable: { plannedId: string; reason: 'too-long' | 'no-room'; needsS: number; longestS: number }[]
  windowsUsed: number
  leastWindows: number
  freeS: number
  leastS: number
  /** End of the last run, s since 1970; null when nothing is placed. */
  endsS: number | null
  limit: Bottleneck | null
  /** Devices on which one source could not be kept from always coming first. */
  alwaysFirst: number
}

/** What a campaign is laid out for. */
export interface ArrangeOptions {
  /** Planned runs that are done or running: they keep their place and take none. */
  settled: ReadonlySet<string>
  notBefore?: Date
  means?: Partial<Campaign['means']>
  passes?: number
}

/** A plan in the campaign's words. */
export function summary(plan: Plan): Omit<Arrangement, 'planned'> {
  const limit = plan.bounds[0] ?? null
  return {
    unplaceable: plan.unplaceable.map(({ job, ...rest }) => ({ plannedId: job.id, ...rest })),
    windowsUsed: plan.windowsUsed,
    leastWindows: Math.max(0, ...plan.bounds.map((b) => b.windows)),
    freeS: plan.freeS,
    leastS: limit?.freeS ?? 0,
    endsS: plan.placed.length ? Math.max(...plan.placed.map((p) => p.endS)) : null,
    limit,
    alwaysFirst: alwaysFirst(plan.placed),
  }
}
