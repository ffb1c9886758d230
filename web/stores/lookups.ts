import { computed, type ComputedRef, type Ref } from 'vue'
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  recordInWords,
  type CollectionName,
  type Records,
} from '@core/logbook/collections'
import { referencesOf, usersOf } from '@core/logbook/references'
import type { Run } from '@core/logbook/run'
import { setupName } from '@core/words/names'

export type Lists = { [K in CollectionName]: Records[K][] }
export type ShelfKind = 'devices' | 'sources' | 'cables' | 'meters'
type Named = { name?: string; deviceId: string; sourceId: string }

export interface Lookups {
  byId: ComputedRef<{ [K in CollectionName]: Map<string, Records[K]> }>
  recordOf: <K extends CollectionName>(name: K, id: string) => Records[K] | undefined
  /** Of one collection; of no id, nothing. */
  find: <K extends CollectionName>(name: K) => (id: string | null) => Records[K] | undefined
  /** What a run or a lane is called: by its reviewer's own name where it has one. */
  nameOf: (of: Named) => string
  /** Runs made with a piece of gear. */
  runsWith: (kind: ShelfKind, id: string) => Run[]
  /** What keeps a record from being deleted, in words; '' when nothing does. */
  heldBy: (name: CollectionName, id: string) => string
  /** What a record names that is not there, in words; '' when nothing: such a record would be refused when read. */
  missedBy: (name: CollectionName, record: Records[CollectionName]) => string
}

/** What can be asked of the logbook's lists. */
export function lookupsOf(lists: Readonly<Ref<Lists>>): Lookups {
  const byId = computed(
    () =>
      Object.fromEntries(
        COLLECTION_NAMES.map((name) => [name, new Map(lists.value[name].map((r) => [r.id, r]))]),
      ) as unknown as { [K in CollectionName]: Map<string, Records[K]> },
  )
  const recordOf = <K extends CollectionName>(name: K, id: string): Records[K] | undefined =>
    byId.value[name].get(id) as Records[K] | undefined
  const find =
    <K extends CollectionName>(name: K) =>
    (id: string | null) =>
      id === null ? undefined : recordOf(name, id)
  const nameOf = ({ name, deviceId, sourceId }: Named) =>
    name || setupName(recordOf('devices', deviceId)?.name, recordOf('sources', sourceId)?.name)
  const runsWith = (kind: ShelfKind, id: string): Run[] =>
    lists.value.runs.filter(
      ({ deviceId, sourceId, cableId, conditions: { meterId, thermometerId, fedFromId } }) =>
        ({
          devices: [deviceId],
          sources: [sourceId, fedFromId],
          cables: [cableId],
          meters: [meterId, thermometerId],
        })[kind].includes(id),
    )
  function heldBy(name: CollectionName, id: string): string {
    const users = usersOf(lists.value, name, id)
    if (users.length === 0) return ''
    const [{ collection, record }] = users
    const more = users.length > 1 ? ` and ${users.length - 1} more` : ''
    return `${recordInWords(collection, record as never)}${more}`
  }
  function missedBy(name: CollectionName, record: Records[CollectionName]): string {
    const missed = referencesOf(name, record).find(({ to, id }) => !byId.value[to].has(id))
    if (!missed) return ''
    return `This ${COLLECTIONS[name].called} names a ${COLLECTIONS[missed.to].called} that is no longer in the logbook.`
  }
  return { byId, recordOf, find, nameOf, runsWith, heldBy, missedBy }
}
