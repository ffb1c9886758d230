import { COLLECTION_NAMES, type CollectionName, type Records } from '@core/logbook/collections'
import { danglingIn, danglingInWords, type RecordLists } from '@core/logbook/references'
import { editionDrawers, metaDrawer, writing, type EditionName } from './database'
import { namedBy, opened, recordKey, sealed, type Apart, type Envelope } from './envelope'
import { traceKeys } from './traces'

/** Which drawer holds the logbook. Turning it is one write under one key. */
export interface Pointer {
  edition: EditionName
  /** Counts editions: the second copy goes by it. */
  number: number
  /** The drawer of the edition before, which an import or a wipe can be undone to; null when there is none. */
  previous: EditionName | null
  /** The revision at which this edition was made: what is newer was written since. */
  madeAt: number
}

/** An edition as read: records that hold, where their traces lie, and what was set apart. */
export interface Edition {
  lists: { [K in CollectionName]: Records[K][] }
  traces: Map<string, string>
  /** The revision that wrote each record, by drawer key. */
  written: Map<string, number>
  apart: Apart[]
}

export const readPointer = (): Promise<Pointer | null> => metaDrawer.getItem<Pointer>('pointer')
export const turnPointer = (pointer: Pointer): Promise<unknown> =>
  writing(() => metaDrawer.setItem('pointer', pointer))
/** Where the next edition is to be built: neither the current one nor the one before. */
const spareOf = ({ edition, previous }: Pointer): EditionName =>
  (Object.keys(editionDrawers) as EditionName[]).find((name) => name !== edition && name !== previous)!
/** Empties the spare drawer: an edition that nobody can go back to any more, or one that was never finished. */
export const clearSpare = (pointer: Pointer): Promise<void> => editionDrawers[spareOf(pointer)].clear()

const emptyLists = () =>
  Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []])) as unknown as Edition['lists']

/** Reads an edition whole, every record migrated and checked. One that does not hold is set apart, with the reason. */
export async function readEdition(name: EditionName): Promise<Edition> {
  const edition: Edition = { lists: emptyLists(), traces: new Map(), written: new Map(), apart: [] }
  const stored: [string, unknown][] = []
  await editionDrawers[name].iterate<unknown, void>((envelope, key) => void stored.push([key, envelope]))
  const there = new Set(await traceKeys())
  // Runs come last: bringing one forward looks its device up.
  const isRun = ([key]: [string, unknown]) => Number(namedBy(key)?.collection === 'runs')
  stored.sort((a, b) => isRun(a) - isRun(b))
  for (const [key, envelope] of stored) takeIn(edition, key, envelope, there)
  setDanglingApart(edition, new Map(stored))
  return edition
}

function takeIn(edition: Edition, key: string, envelope: unknown, traces: ReadonlySet<string>): void {
  const named = namedBy(key)
  if (!named) return
  const { collection, id } = named
  const outcome = opened(collection, id, envelope, { devices: edition.lists.devices })
  const { trace, rev } = (envelope ?? {}) as Partial<Envelope>
  const reason =
    'reason' in outcome
      ? outcome.reason
      : collection === 'runs' && (typeof trace !== 'string' || !traces.has(trace))
        ? 'its readings are missing'
        : null
  if (reason !== null || 'reason' in outcome) {
    edition.apart.push({ collection, id, reason: reason ?? '', raw: envelope })
    return
  }
  ;(edition.lists[collection] as object[]).push(outcome.record)
  edition.written.set(key, rev ?? 0)
  if (typeof trace === 'string') edition.traces.set(id, trace)
}

/** A record that names gear which is not there would be refused in a file: it is set apart, not dropped. */
function setDanglingApart(edition: Edition, stored: ReadonlyMap<string, unknown>): void {
  // What is set apart may leave others without what they name.
  for (let found = danglingIn(edition.lists); found.length; found = danglingIn(edition.lists)) {
    const reasons = new Map(
      found.map((d) => [
        recordKey(d.collection, edition.lists[d.collection][d.index].id),
        danglingInWords(d),
      ]),
    )
    for (const name of COLLECTION_NAMES) {
      const list = edition.lists[name] as { id: string }[]
      const keyOf = (record: { id: string }) => recordKey(name, record.id)
      for (const record of list.filter((r) => reasons.has(keyOf(r)))) {
        const key = keyOf(record)
        edition.apart.push({
          collection: name,
          id: record.id,
          reason: reasons.get(key)!,
          raw: stored.get(key),
        })
        edition.traces.delete(name === 'runs' ? record.id : '')
      }
      Object.assign(edition.lists, { [name]: list.filter((r) => !reasons.has(keyOf(r))) })
    }
  }
}

/** What a new edition is built from. What was set apart goes along as it is. */
export interface Draft {
  lists: RecordLists
  traces: ReadonlyMap<string, string>
  written: ReadonlyMap<string, number>
  apart: readonly Apart[]
}

/**
 * Builds an edition in the spare drawer, then reads it back and compares. Only when that holds may the pointer be turned
 * to it; a refusal at any moment leaves the current edition untouched, and the one before.
 * @returns which drawer that is
 */
export async function buildEdition(pointer: Pointer, draft: Draft, rev: number): Promise<EditionName> {
  const name = spareOf(pointer)
  const drawer = editionDrawers[name]
  await writing(async () => {
    await drawer.clear()
    for (const collection of COLLECTION_NAMES)
      for (const record of draft.lists[collection]) {
        const key = recordKey(collection, record.id)
        const trace = collection === 'runs' ? draft.traces.get(record.id) : undefined
        await drawer.setItem(key, sealed(collection, record, draft.written.get(key) ?? rev, trace))
      }
    for (const { collection, id, raw } of draft.apart) {
      const key = recordKey(collection, id)
      if ((await drawer.getItem(key)) === null) await drawer.setItem(key, raw)
    }
  })
  const back = await readEdition(name)
  for (const collection of COLLECTION_NAMES)
    if (back.lists[collection].length < draft.lists[collection].length) {
      const [first] = back.apart.filter((a) => a.collection === collection)
      throw new Error(
        `What was written did not come back whole (${first?.reason ?? collection}); the logbook is as it was.`,
      )
    }
  return name
}

/** Traces that any edition points to: all others are orphans. */
export async function tracesInUse(): Promise<Set<string>> {
  const used = new Set<string>()
  for (const drawer of Object.values(editionDrawers))
    await drawer.iterate<Envelope | null, void>((envelope) => {
      if (typeof envelope?.trace === 'string') used.add(envelope.trace)
    })
  return used
}
