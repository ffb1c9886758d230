import {
  COLLECTION_NAMES,
  COLLECTIONS,
  type CollectionName,
  type Records,
  type Reference,
} from './collections'

/** Every record by collection, traces aside. */
export type RecordLists = { [K in CollectionName]: readonly Records[K][] }

export interface Dangling extends Reference {
  collection: CollectionName
  index: number
}

/** References that lead nowhere. */
export function danglingIn(lists: RecordLists): Dangling[] {
  const ids = Object.fromEntries(
    COLLECTION_NAMES.map((name) => [name, new Set(lists[name].map((record) => record.id))]),
  ) as Record<CollectionName, Set<string>>
  return COLLECTION_NAMES.flatMap((collection) =>
    lists[collection].flatMap((record, index) =>
      referencesOf(collection, record)
        .filter(({ to, id }) => !ids[to].has(id))
        .map((reference) => ({ ...reference, collection, index })),
    ),
  )
}

/** What points at one record: it cannot be deleted while anything does. */
export function usersOf(
  lists: RecordLists,
  name: CollectionName,
  id: string,
): { collection: CollectionName; record: Records[CollectionName] }[] {
  return COLLECTION_NAMES.flatMap((collection) =>
    lists[collection]
      .filter((record) => referencesOf(collection, record).some((r) => r.to === name && r.id === id))
      .map((record) => ({ collection, record })),
  )
}

/** What a record refers to: by collection and id, with the word for it. */
export function referencesOf(collection: CollectionName, record: Records[CollectionName]): Reference[] {
  const { references } = COLLECTIONS[collection] as { references(record: object): Reference[] }
  return references(record)
}

/** A reference that leads nowhere, in words. */
export const danglingInWords = ({ field, to }: Reference): string =>
  `${field} names a ${COLLECTIONS[to].called} that is not there`
