import type { Cable, Device, Source } from '../gear/gear'
import type { AcceptanceCurve } from '../model/forecast'
import { groupBy, lowerBounds, type Bottleneck } from './bound'
import { atOnceOf, pairKey, type Campaign, type PlannedRun, type Slot } from './campaign'
import { expectedTime, type Expectation } from './durations'
import { alwaysFirst, lengthOf, schedule, type Plan } from './scheduler'
import { Timetable, type Job, type Means, type Obstacle, type Placed, type Window } from './timetable'
import { windowsOf } from './windows'

/** The gear a campaign speaks of, and what is known of each device's charging. */
export interface PlanGear {
  devices: readonly Device[]
  sources: readonly Source[]
  cables: readonly Cable[]
  curves: Readonly<Record<string, AcceptanceCurve | null>>
}

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

/** Expected times by pair. */
export function expectations(campaign: Campaign, gear: PlanGear): Map<string, Expectation> {
  return new Map(
    campaign.pairs.flatMap((pair) => {
      const device = gear.devices.find((d) => d.id === pair.deviceId)
      const source = gear.sources.find((s) => s.id === pair.sourceId)
      if (!device || !source) return []
      const cable = gear.cables.find((c) => c.id === pair.cableId) ?? null
      const own = gear.curves[device.id] ?? null
      return [[pairKey(pair), expectedTime(device, source, cable, campaign.protocol, campaign.means, own)]]
    }),
  )
}

/** Runs that need a place: wanted, not begun (`settled` names those that are), and not put somewhere by hand. */
export interface ArrangeOptions {
  /** Planned runs that are done or running: they keep their place and take none. */
  settled: ReadonlySet<string>
  notBefore?: Date
  means?: Partial<Campaign['means']>
  passes?: number
}

/** Lays the open runs of a campaign on its free hours. */
export function arrange(campaign: Campaign, gear: PlanGear, options: ArrangeOptions): Arrangement {
  const means = { ...campaign.means, ...options.means }
  const windows = windowsOf(campaign.availability, options.notBefore)
  const expected = expectations({ ...campaign, means }, gear)
  const open = openRuns(campaign, options.settled)
  const fixed = open.filter((p) => p.pinned).flatMap((p) => placedFrom(p, windows))
  const fixedIds = new Set(fixed.map((p) => p.job.id))
  const jobs = open.filter((p) => !fixedIds.has(p.id)).flatMap((p) => jobOf(p, expected))
  const plan = schedule(jobs, windows, timetableMeans(means), {
    seed: means.seed,
    fixed,
    passes: options.passes,
    readyFromS: readyFrom(windows),
  })
  return { ...summary(plan), planned: withSlots(campaign.planned, plan, open) }
}

export const timetableMeans = (means: Campaign['means']): Means => ({
  atOnce: atOnceOf(means),
  units: means.units,
})

/** Preparing may begin a day before the first free hour. */
const readyFrom = (windows: readonly Window[]): number => (windows[0]?.startS ?? 0) - 86_400

const openRuns = (campaign: Campaign, settled: ReadonlySet<string>): PlannedRun[] =>
  campaign.planned.filter((p) => !settled.has(p.id) && p.setAside === null)

function jobOf(planned: PlannedRun, expected: Map<string, Expectation>): Job[] {
  const time = expected.get(pairKey(planned))
  if (!time) return []
  return [
    {
      id: planned.id,
      device: planned.deviceId,
      source: planned.sourceId,
      pair: pairKey(planned),
      chargeS: time.slotS,
      prepS: time.prepS,
    },
  ]
}

/** A run as it stands in its slot; nothing when the slot lies outside the free hours. */
function placedFrom(planned: PlannedRun, windows: readonly Window[]): Placed[] {
  if (!planned.slot) return []
  const startS = Date.parse(planned.slot.startsAt) / 1000
  const window = windows.findIndex((w) => w.startS <= startS && startS < w.endS)
  if (window < 0) return []
  const { chargeS, prepS, unit, lane } = planned.slot
  const job = {
    id: planned.id,
    device: planned.deviceId,
    source: planned.sourceId,
    pair: pairKey(planned),
    chargeS,
    prepS,
  }
  return [{ job, startS, endS: startS + chargeS, unit, lane, window }]
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

const slotOf = ({ job, startS, unit, lane }: Placed): Slot => ({
  startsAt: new Date(startS * 1000).toISOString(),
  chargeS: job.chargeS,
  prepS: job.prepS,
  unit,
  lane,
})

function summary(plan: Plan) {
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
    timetableMeans(campaign.means),
  )
  const unplaceable = left.map((job) => {
    const reason = job.chargeS > longestS ? ('too-long' as const) : ('no-room' as const)
    return { job, reason, needsS: job.chargeS, longestS }
  })
  return { ...summary({ placed, unplaceable, windowsUsed, freeS, bounds }), planned: campaign.planned }
}

/** What one more of something would save. */
export interface Saving {
  what: 'meter' | 'lane' | 'meter-and-lane' | 'unit' | 'side-by-side'
  deviceId: string | null
  windowsSaved: number
  endsS: number | null
}

/** Lays the campaign again with one more meter, lane or unit, and tells what each would save. */
export function savings(
  campaign: Campaign,
  gear: PlanGear,
  base: Arrangement,
  options: ArrangeOptions,
): Saving[] {
  const { means } = campaign
  const busiest = busiestDevice(campaign, gear, base)
  const tries: { what: Saving['what']; deviceId: string | null; means: Partial<Campaign['means']> }[] = []
  if (!means.sideBySide) tries.push({ what: 'side-by-side', deviceId: null, means: { sideBySide: true } })
  else if (means.meters > 0 && means.meters < means.lanes)
    tries.push({ what: 'meter', deviceId: null, means: { meters: means.meters + 1 } })
  else if (means.meters > means.lanes || means.meters === 0)
    tries.push({ what: 'lane', deviceId: null, means: { lanes: means.lanes + 1 } })
  else
    tries.push({
      what: 'meter-and-lane',
      deviceId: null,
      means: { meters: means.meters + 1, lanes: means.lanes + 1 },
    })
  if (busiest) {
    const units = { ...means.units, [busiest]: (means.units[busiest] ?? 1) + 1 }
    tries.push({ what: 'unit', deviceId: busiest, means: { units } })
  }
  return tries.map(({ what, deviceId, means: more }) => {
    const other = arrange(campaign, gear, { ...options, means: more, passes: SAVING_PASSES })
    return {
      what,
      deviceId,
      windowsSaved: Math.max(0, base.windowsUsed - other.windowsUsed),
      endsS: other.endsS,
    }
  })
}
const SAVING_PASSES = 8

/** The device whose units are busiest: the one that limits, or has the most work a unit. */
function busiestDevice(campaign: Campaign, gear: PlanGear, base: Arrangement): string | null {
  if (base.limit?.kind === 'unit') return base.limit.id
  const expected = expectations(campaign, gear)
  const work = [...groupBy(campaign.planned, (p) => p.deviceId)].map(([id, own]) => {
    const seconds = own.reduce((sum, p) => {
      const time = expected.get(pairKey(p))
      return sum + (time ? time.slotS + time.prepS : 0)
    }, 0)
    return { id, seconds: seconds / Math.max(1, campaign.means.units[id] ?? 1) }
  })
  return work.sort((a, b) => b.seconds - a.seconds)[0]?.id ?? null
}

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
  const table = new Timetable(windows, timetableMeans(campaign.means), readyFrom(windows))
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
