import type { ChecklistAnswer } from '../protocol/checklist'
import type { Protocol } from '../protocol/protocol'
import type { Availability } from './windows'

/** A pair to run, and how often. */
export interface PairPlan {
  deviceId: string
  sourceId: string
  cableId: string | null
  repeats: number
}

/** What the bench has to work with. */
export interface BenchMeans {
  /** Power meters; 0 where only the shown level is read. */
  meters: number
  lanes: number
  sideBySide: boolean
  /** Several ports of one source may feed runs at the same time. */
  sharePorts: boolean
  /** Devices are drained and rested only while somebody is there. */
  drainAttended: boolean
  /** Equal units by device id; one where not named. */
  units: Record<string, number>
  /** Hours from full to empty by device id; the usual figure of its kind where not named. */
  drainHours: Record<string, number>
  /** Minutes to rig a run. */
  setupMinutes: number
  /** Share of the expected time kept in hand, percent. */
  marginPercent: number
  seed: number
}

/** One run of a campaign. Its state follows from the runs made for it; see `progress`. */
export interface PlannedRun {
  id: string
  deviceId: string
  sourceId: string
  cableId: string | null
  /** 1 for the first of its pair. */
  repeat: number
  /** Where it stands; null while it has no place. */
  slot: Slot | null
  /** Put there by hand: a new timetable leaves it where it is. */
  pinned: boolean
  /** Why it was set aside; null while it is wanted. */
  setAside: string | null
}

export interface Slot {
  /** ISO 8601. */
  startsAt: string
  chargeS: number
  prepS: number
  unit: number
  lane: number
}

export interface Campaign {
  id: string
  name: string
  /** Which of the starting questions it began with. */
  questionId: string
  protocol: Protocol
  pairs: PairPlan[]
  availability: Availability
  means: BenchMeans
  planned: PlannedRun[]
  /** Settings put back after the last run. */
  putBack: ChecklistAnswer[]
  /** ISO 8601. */
  createdAt: string
}

/** A pair by its device, source and cable: equal for all its repeats. */
export const pairKey = (pair: { deviceId: string; sourceId: string; cableId: string | null }): string =>
  `${pair.deviceId} ${pair.sourceId} ${pair.cableId ?? ''}`

/** How many runs may charge at once. */
export const atOnceOf = ({ lanes, meters, sideBySide }: BenchMeans): number =>
  sideBySide ? Math.min(lanes, meters || Infinity) : 1

/** One meter, a strip with two lanes and time in hand: where a campaign begins. */
export const usualMeans = (): BenchMeans => ({
  meters: 1,
  lanes: 2,
  sideBySide: true,
  sharePorts: false,
  drainAttended: false,
  units: {},
  drainHours: {},
  setupMinutes: 10,
  marginPercent: 10,
  seed: 1,
})

/**
 * The runs that the pairs ask for. Those that are there already stay as they are; those no longer asked for go,
 * unless `keep` says a run was made for them.
 */
export function plannedRunsFor(
  pairs: readonly PairPlan[],
  before: readonly PlannedRun[],
  keep: (id: string) => boolean,
  newId: () => string,
): PlannedRun[] {
  const wanted = new Map(pairs.map((p) => [pairKey(p), p.repeats]))
  const kept = before.filter((p) => keep(p.id) || p.repeat <= (wanted.get(pairKey(p)) ?? 0))
  const have = new Set(kept.map((p) => `${pairKey(p)} ${p.repeat}`))
  const added = pairs.flatMap(({ deviceId, sourceId, cableId, repeats }) =>
    Array.from({ length: repeats }, (_, i) => i + 1)
      .filter((repeat) => !have.has(`${pairKey({ deviceId, sourceId, cableId })} ${repeat}`))
      .map((repeat) => ({
        id: newId(),
        deviceId,
        sourceId,
        cableId,
        repeat,
        slot: null,
        pinned: false,
        setAside: null,
      })),
  )
  return [...kept, ...added]
}
