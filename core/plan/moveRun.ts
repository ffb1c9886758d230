import type { Campaign, PlannedRun } from './campaign'
import { expectations, type PlanGear } from './expectations'
import { jobOf, openRuns, placedFrom, readyFrom, slotOf, timetableMeans } from './jobs'
import { Timetable, type Obstacle } from './timetable'
import { windowsOf } from './windows'

export type Move =
  { ok: true; planned: PlannedRun[] } | { ok: false; obstacle: Obstacle | { rule: 'no-window' } }

/**
 * Puts one run into the free hours around a moment: the earliest place from that moment on, on that day.
 * Refused, with what stands in the way, where none is left.
 */
export function moveRun(
  campaign: Campaign,
  gear: PlanGear,
  plannedId: string,
  fromS: number,
  settled: ReadonlySet<string>,
): Move {
  const windows = windowsOf(campaign.availability)
  const expected = expectations(campaign, gear)
  const index = windows.findIndex((w) => w.startS <= fromS && fromS < w.endS)
  const moving = campaign.planned.find((p) => p.id === plannedId)
  const [job] = moving ? jobOf(moving, expected) : []
  if (index < 0 || !job)
    return { ok: false, obstacle: index < 0 ? { rule: 'outside-hours' } : { rule: 'no-window' } }
  const table = new Timetable(windows, timetableMeans(campaign.means, gear.sources), readyFrom(windows))
  for (const other of openRuns(campaign, settled))
    if (other.id !== plannedId) placedFrom(other, windows).forEach((p) => table.add(p))
  const place = table.earliestIn(job, index, fromS)
  if (!place) {
    const tried = table.tryAt(job, index, Math.max(fromS, windows[index].startS))
    return { ok: false, obstacle: tried.ok ? { rule: 'no-window' } : tried.obstacle }
  }
  const planned = campaign.planned.map((p) =>
    p.id === plannedId ? { ...p, slot: slotOf(place), pinned: true } : p,
  )
  return { ok: true, planned }
}
