import type { ArrangeOptions, Arrangement } from './arrangement'
import { summary } from './arrangement'
import type { Campaign, PlannedRun } from './campaign'
import { expectations, type PlanGear } from './expectations'
import { jobOf, openRuns, placedFrom, readyFrom, slotOf, timetableMeans } from './jobs'
import { schedule, type Plan } from './scheduler'
import { windowsOf } from './windows'

/** Lays the open runs of a campaign on its free hours. */
export function arrange(campaign: Campaign, gear: PlanGear, options: ArrangeOptions): Arrangement {
  const means = { ...campaign.means, ...options.means }
  const windows = windowsOf(campaign.availability, options.notBefore)
  const expected = expectations({ ...campaign, means }, gear)
  const open = openRuns(campaign, options.settled)
  const fixed = open.filter((p) => p.pinned).flatMap((p) => placedFrom(p, windows))
  const fixedIds = new Set(fixed.map((p) => p.job.id))
  const jobs = open.filter((p) => !fixedIds.has(p.id)).flatMap((p) => jobOf(p, expected))
  const plan = schedule(jobs, windows, timetableMeans(means, gear.sources), {
    seed: means.seed,
    fixed,
    passes: options.passes,
    readyFromS: readyFrom(windows),
  })
  return { ...summary(plan), planned: withSlots(campaign.planned, plan, open) }
}

function withSlots(planned: readonly PlannedRun[], plan: Plan, open: readonly PlannedRun[]): PlannedRun[] {
  const places = new Map(plan.placed.map((p) => [p.job.id, p]))
  const moved = new Set(open.map((p) => p.id))
  return planned.map((p) => {
    if (!moved.has(p.id)) return p
    const place = places.get(p.id)
    return { ...p, slot: place ? slotOf(place) : null, pinned: p.pinned && place !== undefined }
  })
}
