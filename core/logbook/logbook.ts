import type { Device, Source, Cable, GearCorrection } from '../gear/gear'
import type { RunWithTrace } from './run'

/** Everything a reviewer keeps. */
export interface Logbook {
  devices: Device[]
  sources: Source[]
  cables: Cable[]
  gearCorrections: GearCorrection[]
  runs: RunWithTrace[]
}

export const emptyLogbook = (): Logbook => ({
  devices: [],
  sources: [],
  cables: [],
  gearCorrections: [],
  runs: [],
})

/** Adds what is new and replaces what carries the same id; nothing else is touched. */
export function mergeLogbooks(into: Logbook, from: Logbook): Logbook {
  return {
    devices: mergeById(into.devices, from.devices, (d) => d.id),
    sources: mergeById(into.sources, from.sources, (s) => s.id),
    cables: mergeById(into.cables, from.cables, (c) => c.id),
    gearCorrections: mergeById(
      into.gearCorrections,
      from.gearCorrections,
      (c) => `${c.itemId} ${c.field} ${c.when}`,
    ),
    runs: mergeById(into.runs, from.runs, (r) => r.run.id),
  }
}

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
