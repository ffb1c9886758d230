import { summary, type ArrangeOptions, type Arrangement } from './arrangement'
import { lowerBounds } from './bound'
import type { Campaign } from './campaign'
import { expectations, type PlanGear } from './expectations'
import { jobOf, openRuns, placedFrom, timetableMeans } from './jobs'
import { lengthOf } from './scheduler'
import { windowsOf } from './windows'

/** What the timetable as it stands amounts to, moves by hand and all; nothing is moved. */
export function study(campaign: Campaign, gear: PlanGear, options: ArrangeOptions): Arrangement {
  const open = openRuns(campaign, options.settled)
  const starts = open.flatMap((p) => (p.slot ? [Date.parse(p.slot.startsAt)] : []))
  const from = Math.min(...starts, options.notBefore?.getTime() ?? Infinity)
  const windows = windowsOf(campaign.availability, Number.isFinite(from) ? new Date(from) : undefined)
  const expected = expectations(campaign, gear)
  const placed = open.flatMap((p) => placedFrom(p, windows))
  const there = new Set(placed.map((p) => p.job.id))
  const left = open.filter((p) => !there.has(p.id)).flatMap((p) => jobOf(p, expected))
  const longestS = Math.max(0, ...windows.map((w) => w.endS - w.startS))
  const [windowsUsed, freeS] = lengthOf(placed, windows)
  const bounds = lowerBounds(
    [...placed.map((p) => p.job), ...left.filter((j) => j.chargeS <= longestS)],
    windows,
    timetableMeans(campaign.means, gear.sources),
  )
  const unplaceable = left.map((job) => {
    const reason = job.chargeS > longestS ? ('too-long' as const) : ('no-room' as const)
    return { job, reason, needsS: job.chargeS, longestS }
  })
  return { ...summary({ placed, unplaceable, windowsUsed, freeS, bounds }), planned: campaign.planned }
}
