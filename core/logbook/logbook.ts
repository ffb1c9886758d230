import type { Cable, Device, GearCorrection, Meter, Observation, Source } from '../gear/gear'
import type { Campaign } from '../plan/campaign'
import type { Protocol } from '../protocol/protocol'
import type { RunWithTrace } from './run'

/** Everything a reviewer keeps. */
export interface Logbook {
  devices: Device[]
  sources: Source[]
  cables: Cable[]
  meters: Meter[]
  gearCorrections: GearCorrection[]
  /** What was seen when a device was put on a source. */
  observations: Observation[]
  /** The reviewer's own protocols, and schools they changed. */
  protocols: Protocol[]
  campaigns: Campaign[]
  runs: RunWithTrace[]
}

export const emptyLogbook = (): Logbook => ({
  devices: [],
  sources: [],
  cables: [],
  meters: [],
  gearCorrections: [],
  observations: [],
  protocols: [],
  campaigns: [],
  runs: [],
})

/** Adds what is new and replaces what carries the same id; nothing else is touched. */
export function mergeLogbooks(into: Logbook, from: Logbook): Logbook {
  return {
    devices: mergeById(into.devices, from.devices, (d) => d.id),
    sources: mergeById(into.sources, from.sources, (s) => s.id),
    cables: mergeById(into.cables, from.cables, (c) => c.id),
    meters: mergeById(into.meters, from.meters, (m) => m.id),
    gearCorrections: mergeById(into.gearCorrections, from.gearCorrections, correctionKey),
    observations: mergeById(into.observations, from.observations, (o) => o.id),
    protocols: mergeById(into.protocols, from.protocols, (p) => p.id),
    campaigns: mergeById(into.campaigns, from.campaigns, (c) => c.id),
    runs: mergeById(into.runs, from.runs, (r) => r.run.id),
  }
}

/** A correction has no id of its own: what, where and when tell it apart. */
export const correctionKey = (c: GearCorrection): string => `${c.itemId} ${c.field} ${c.when}`

function mergeById<T>(into: readonly T[], from: readonly T[], id: (item: T) => string): T[] {
  const merged = new Map(into.map((item) => [id(item), item]))
  for (const item of from) merged.set(id(item), item)
  return [...merged.values()]
}

/** The least used ink, so that a new run is easy to tell from the others. */
export function nextInk(used: readonly number[], count = 8): number {
  const uses = Array.from({ length: count }, (_, ink) => used.filter((u) => u % count === ink).length)
  return uses.indexOf(Math.min(...uses))
}
