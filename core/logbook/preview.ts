import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Records } from './collections'

/** What a merge would do to one collection: what is new, the same, and what differs, by the names of its records. */
export interface MergePreview {
  called: string
  fresh: number
  same: number
  /** The file's counts. */
  differing: string[]
  /** What is here stays: it holds a correction that the file has not got, or was written later. */
  staying: string[]
}
type Lists = { readonly [K in CollectionName]: readonly Records[K][] }

/** A record as one text, whatever order its fields stand in. */
function asText(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    typeof inner === 'object' && inner !== null && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  )
}

/**
 * What a merge would bring, before it happens; collections to which it brings nothing are left out.
 * @param otherReadings ids of runs whose readings differ, whatever else is said of them
 */
export function mergePreview(
  mine: Lists,
  theirs: Lists,
  otherReadings: ReadonlySet<string> = new Set(),
): MergePreview[] {
  return COLLECTION_NAMES.flatMap(<K extends CollectionName>(name: K): MergePreview[] => {
    const { called, nameOf, merge } = COLLECTIONS[name]
    const here = new Map(mine[name].map((record) => [record.id, record]))
    const preview: MergePreview = { called, fresh: 0, same: 0, differing: [], staying: [] }
    for (const record of theirs[name]) {
      const before = here.get(record.id)
      const isOther = name === 'runs' && otherReadings.has(record.id)
      if (before === undefined) preview.fresh++
      else if (asText(before) === asText(record) && !isOther) preview.same++
      else if (merge(before, record) === before) preview.staying.push(nameOf(record))
      else preview.differing.push(nameOf(record))
    }
    return theirs[name].length ? [preview] : []
  })
}
