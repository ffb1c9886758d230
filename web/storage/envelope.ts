import { ValidationError } from 'yup'
import { COLLECTIONS, type CollectionName, type Records } from '@core/logbook/collections'
import { LOGBOOK_SCHEMA_VERSION, migrate } from '@core/logbook/versions'

/** A record as it lies in a drawer. */
export interface Envelope {
  /** The schema version it was written by. */
  v: number
  /** The revision of the logbook that wrote it. */
  rev: number
  /** Unchecked until it is opened. */
  item: unknown
  /** Where a run's trace lies. */
  trace?: string
}

/** A record that cannot be read. It stays where it is, as it is, and never keeps the others from opening. */
export interface Apart {
  collection: CollectionName
  id: string
  /** What does not hold, in words. */
  reason: string
  raw: unknown
}

export const recordKey = (collection: CollectionName, id: string): string => `${collection}/${id}`

/** The collection and id that a drawer's key names; null for a key that is none of ours. */
export function namedBy(key: string): { collection: CollectionName; id: string } | null {
  const at = key.indexOf('/')
  const collection = key.slice(0, at)
  return at > 0 && Object.hasOwn(COLLECTIONS, collection)
    ? { collection: collection as CollectionName, id: key.slice(at + 1) }
    : null
}

/** Puts a record into an envelope. @throws Error where its own schema would refuse it: it is never written. */
export function sealed<K extends CollectionName>(
  collection: K,
  record: Records[K],
  rev: number,
  trace?: string,
): Envelope {
  const item = checked(collection, record)
  return { v: LOGBOOK_SCHEMA_VERSION, rev, item, ...(trace === undefined ? {} : { trace }) }
}

/**
 * Takes a record out: migrated, then checked. Gives the reason where it does not hold. `beside` is what a migration may
 * have to look up: a run of an earlier version takes over what its device says.
 */
export function opened<K extends CollectionName>(
  collection: K,
  id: string,
  envelope: unknown,
  beside: { devices?: readonly unknown[] } = {},
): { record: Records[K] } | { reason: string } {
  const { v, item } = (envelope ?? {}) as Partial<Envelope>
  if (typeof v !== 'number' || !Number.isInteger(v) || v < 1) return { reason: 'it does not say its version' }
  if (v > LOGBOOK_SCHEMA_VERSION) return { reason: 'a newer version of the program wrote it' }
  try {
    const [raw] = migrate({ ...beside, [collection]: [item] }, v)[collection] as unknown[]
    const record = checked(collection, raw)
    return record.id === id ? { record } : { reason: 'it lies under the id of another' }
  } catch (error) {
    return { reason: (error as Error).message }
  }
}

function checked<K extends CollectionName>(collection: K, item: unknown): Records[K] {
  try {
    return COLLECTIONS[collection].schema.validateSync(item, {
      abortEarly: false,
      stripUnknown: true,
    }) as Records[K]
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const [first, ...more] = error.errors
    throw new Error(more.length ? `${first} (and ${more.length} more)` : first, { cause: error })
  }
}
