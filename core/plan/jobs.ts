import type { Source } from '../gear/gear'
import { atOnceOf, pairKey, type Campaign, type PlannedRun, type Slot } from './campaign'
import type { Expectation } from './durations'
import { AT_ANY_HOUR, whileSomebodyIsThere } from './preparation'
import type { Job, Means, Placed, Window } from './timetable'
import { windowsOf } from './windows'

// From a campaign's words (planned runs, slots) to the timetable's (jobs, places), and back.

/** Means of a campaign as the timetable has them. */
export const timetableMeans = (means: Campaign['means'], sources: readonly Source[]): Means => ({
  atOnce: atOnceOf(means),
  units: means.units,
  attended: means.drainAttended,
  ports: means.sharePorts ? Object.fromEntries(sources.map((s) => [s.id, s.ports.length])) : {},
})

/** Preparing may begin a day before the first free hour. */
export const readyFrom = (windows: readonly Window[]): number => (windows[0]?.startS ?? 0) - 86_400

/** Tells when draining and resting for a run of a campaign must begin at the latest, ms since 1970. */
export function prepareFrom({
  means,
  availability,
}: Pick<Campaign, 'means' | 'availability'>): (slot: Slot) => number {
  const { beginBy } = means.drainAttended ? whileSomebodyIsThere(windowsOf(availability)) : AT_ANY_HOUR
  return ({ startsAt, prepS }) => {
    const startS = Date.parse(startsAt) / 1000
    const from = beginBy(startS, prepS)
    // Hours that were taken away since, or a run that was put before them: as if it drained by itself.
    return 1000 * (Number.isFinite(from) ? from : AT_ANY_HOUR.beginBy(startS, prepS))
  }
}

/** Runs that need a place: neither begun nor set aside. */
export const openRuns = (campaign: Campaign, settled: ReadonlySet<string>): PlannedRun[] =>
  campaign.planned.filter((p) => !settled.has(p.id) && p.setAside === null)

/** A planned run as the timetable has it; nothing where its gear is gone. */
export function jobOf(planned: PlannedRun, expected: Map<string, Expectation>): Job[] {
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
export function placedFrom(planned: PlannedRun, windows: readonly Window[]): Placed[] {
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

/** A place in the timetable as a campaign keeps it. */
export const slotOf = ({ job, startS, unit, lane }: Placed): Slot => ({
  startsAt: new Date(startS * 1000).toISOString(),
  chargeS: job.chargeS,
  prepS: job.prepS,
  unit,
  lane,
})
