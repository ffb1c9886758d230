import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Records } from './collections'
import type { RunWithTrace } from './run'

/** Everything but the runs. */
export type Shelf = { [K in Exclude<CollectionName, 'runs'>]: Records[K][] }
/** Everything a reviewer keeps: every collection, and each run with its trace. */
export type Logbook = Shelf & { runs: RunWithTrace[] }

/** Collections that stand on the shelf. */
export const SHELF_NAMES = COLLECTION_NAMES.filter((name) => name !== 'runs')

/** A logbook in which nothing was written yet. */
export const emptyLogbook = (): Logbook =>
  Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []])) as unknown as Logbook

/** True where no collection holds anything. */
export const isEmptyLogbook = (logbook: Logbook): boolean =>
  COLLECTION_NAMES.every((name) => logbook[name].length === 0)

/** One collection with another's records added; where both hold the same id the collection's own rule decides. */
export function mergeRecords<K extends CollectionName>(
  name: K,
  into: readonly Records[K][],
  from: readonly Records[K][],
): Records[K][] {
  const { merge } = COLLECTIONS[name]
  const all = new Map(into.map((record) => [record.id, record]))
  for (const record of from) {
    const mine = all.get(record.id)
    all.set(record.id, mine === undefined ? record : merge(mine, record))
  }
  return [...all.values()]
}

/** An ink that no lane on the bench has, while there is one; among those the least used by the device's runs. */
export function freeInk(ofDevice: readonly number[], onBench: readonly number[], count = 8): number {
  const here = onBench.map((ink) => ink % count)
  const free = Array.from({ length: count }, (_, ink) => ink).filter((ink) => !here.includes(ink))
  const best = nextInk([...ofDevice, ...here], count)
  return free.length === 0 || free.includes(best) ? best : free[0]
}

/** The least used ink, so that a new run is easy to tell from the others. */
export function nextInk(used: readonly number[], count = 8): number {
  const uses = Array.from({ length: count }, (_, ink) => used.filter((u) => u % count === ink).length)
  return uses.reduce((best, n, ink) => (n < uses[best] ? ink : best), 0)
}
