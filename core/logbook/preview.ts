import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Records } from './collections'

/** What a merge would do to one collection: what is new, the same, and what differs, by the names of its records. */
export interface MergePreview {
  called: string
  fresh: number
  same: number
  differing: string[]
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

/** What a merge would bring, before it happens; collections to which it brings nothing are left out. Traces are not compared. */
export function mergePreview(mine: Lists, theirs: Lists): MergePreview[] {
  return COLLECTION_NAMES.flatMap(<K extends CollectionName>(name: K): MergePreview[] => {
    const { called, nameOf } = COLLECTIONS[name]
    const here = new Map(mine[name].map((record) => [record.id, asText(record)]))
    const preview: MergePreview = { called, fresh: 0, same: 0, differing: [] }
    for (const record of theirs[name]) {
      const before = here.get(record.id)
      if (before === undefined) preview.fresh++
      else if (before === asText(record)) preview.same++
      else preview.differing.push(nameOf(record))
    }
    return theirs[name].length ? [preview] : []
  })
}
