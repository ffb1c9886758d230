import { COLLECTION_NAMES, type CollectionName, type Records } from '@core/logbook/collections'
import { isEmptyLogbook, mergeRecords, type Logbook } from '@core/logbook/logbook'
import { referencesOf } from '@core/logbook/references'
import type { Run } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'
import { editionDrawers, openDatabase, writing } from './database'
import {
  buildEdition,
  otherEdition,
  readEdition,
  readPointer,
  tracesInUse,
  turnPointer,
  type Draft,
  type Edition,
  type Pointer,
} from './editions'
import { opened, recordKey, sealed, type Envelope } from './envelope'
import { takeOverOldLayout } from './oldLayout'
import { dropTrace, newTraceKey, readTrace, storeTrace, sweepTraces } from './traces'
import { holdingLock, readRevision, storeRevision, tellOthers } from './writer'

/** The logbook as it was read: its edition, and the revision it stands at. */
export interface OpenedLogbook extends Edition {
  revision: number
  pointer: Pointer
}

/** Opens the logbook: brings an older layout over, reads the current edition, sweeps what a cut-off write left. */
export async function openLogbook(): Promise<OpenedLogbook> {
  await openDatabase()
  return holdingLock(async () => {
    if ((await readPointer()) === null) await takeOverOldLayout()
    const logbook = await readLogbookNow()
    await sweepTraces(await tracesInUse())
    return logbook
  })
}

async function readLogbookNow(): Promise<OpenedLogbook> {
  const pointer = (await readPointer())!
  return { ...(await readEdition(pointer.edition)), pointer, revision: await readRevision() }
}

/** One change of one record: the unit that is whole. */
export type Change =
  | { put: CollectionName; record: Records[CollectionName]; trace?: Trace }
  | { drop: CollectionName; id: string }

export interface Written {
  revision: number
  /** Where the trace of a changed run lies now. */
  traceKey?: string
}

/**
 * Makes changes under the lock. `known` is the revision this tab knows: if another tab has written since, `refresh` is
 * given the logbook as it stands now before `decide` says what to change, so that nothing is written from a stale copy.
 */
export function change(
  known: number,
  refresh: (logbook: OpenedLogbook) => void,
  decide: () => Change[] | Promise<Change[]>,
): Promise<Written> {
  return holdingLock(async () => {
    const now = await readRevision()
    if (now !== known) refresh(await readLogbookNow())
    const changes = await decide()
    const { edition } = (await readPointer())!
    const drawer = editionDrawers[edition]
    let revision = now
    let traceKey: string | undefined
    for (const one of changes) {
      revision++
      // The number goes up first: another tab that sees it reads anew, and finds the change or what stood before.
      await storeRevision(revision)
      if ('drop' in one) await dropRecord(drawer, one.drop, one.id)
      else traceKey = await putRecord(drawer, one, revision)
      const id = 'drop' in one ? one.id : one.record.id
      tellOthers({ revision, changed: [{ collection: 'drop' in one ? one.drop : one.put, id }] })
    }
    return { revision, traceKey }
  })
}

type DrawerOf = (typeof editionDrawers)['a']

/** A new trace is stored under a new key, then the run that points to it, then the old trace goes. */
async function putRecord(
  drawer: DrawerOf,
  { put, record, trace }: Extract<Change, { put: CollectionName }>,
  revision: number,
): Promise<string | undefined> {
  const key = recordKey(put, record.id)
  if (put !== 'runs') {
    const envelope = sealed(put, record as never, revision)
    await writing(() => drawer.setItem(key, envelope))
    return undefined
  }
  const before = (await drawer.getItem<Envelope>(key))?.trace
  const traceKey = trace ? newTraceKey(record.id, trace) : before
  if (traceKey === undefined) throw new Error('A run cannot be kept without its readings.')
  const envelope = sealed('runs', record as Run, revision, traceKey)
  if (trace) await storeTrace(traceKey, trace)
  await writing(() => drawer.setItem(key, envelope))
  if (trace && before) await dropUnused(before)
  return traceKey
}

async function dropRecord(drawer: DrawerOf, collection: CollectionName, id: string): Promise<void> {
  const key = recordKey(collection, id)
  const before = (await drawer.getItem<Envelope>(key))?.trace
  await writing(() => drawer.removeItem(key))
  if (before) await dropUnused(before)
}

/** The edition before may still point to it. A refusal is no harm: the sweep at the next start takes it. */
async function dropUnused(traceKey: string): Promise<void> {
  const used = await tracesInUse()
  if (!used.has(traceKey)) await dropTrace(traceKey).catch(() => undefined)
}

/** One record as it stands now, for a tab that was told it changed; null when it is gone or cannot be read. */
export async function readRecord<K extends CollectionName>(
  pointer: Pointer,
  collection: K,
  id: string,
): Promise<{ record: Records[K]; trace?: string } | null> {
  const envelope = await editionDrawers[pointer.edition].getItem<Envelope>(recordKey(collection, id))
  const outcome = opened(collection, id, envelope)
  return 'record' in outcome ? { record: outcome.record, trace: envelope?.trace } : null
}

export { readTrace, readRevision }

/** The whole logbook as it stands, traces and all; runs whose readings do not hold are named instead. */
export const readWhole = (): Promise<{ logbook: Logbook; apart: OpenedLogbook['apart'] }> =>
  // Under the lock to the end: a run corrected meanwhile would have its readings under another key.
  holdingLock(readWholeNow)

async function readWholeNow() {
  const now = await readLogbookNow()
  const runs: Logbook['runs'] = []
  const apart = [...now.apart]
  for (const run of now.lists.runs) {
    const read = await readTrace(now.traces.get(run.id)!)
    if ('trace' in read) runs.push({ run, trace: read.trace })
    else apart.push({ collection: 'runs', id: run.id, reason: read.reason, raw: { run, trace: read.raw } })
  }
  return { logbook: { ...now.lists, runs }, apart }
}

export type ImportMode = 'merge' | 'replace'

/**
 * Takes a checked logbook in as a new edition beside the current one, and turns the pointer when it has been read
 * back. Refused or killed at any moment, the old edition is as it was. What was written by another tab meanwhile
 * waited for the lock, or is in.
 */
export function importLogbook(incoming: Logbook, mode: ImportMode): Promise<OpenedLogbook> {
  return holdingLock(async () => {
    const now = await readLogbookNow()
    const merging = mode === 'merge'
    // A second wipe must not put the emptiness where the first can be undone to.
    if (!merging && isEmptyLogbook(incoming) && isBare(now)) return now
    const traces = new Map(merging ? now.traces : [])
    const fresh: string[] = []
    try {
      const lists = await listsWith(now, incoming, merging, traces, fresh)
      const apart = merging ? now.apart : []
      return await turnTo({ lists, traces, written: merging ? now.written : new Map(), apart }, now)
    } catch (error) {
      for (const key of fresh) await dropTrace(key).catch(() => undefined)
      throw error
    }
  })
}

const isBare = ({ lists, apart }: OpenedLogbook): boolean =>
  apart.length === 0 && COLLECTION_NAMES.every((name) => lists[name].length === 0)

async function listsWith(
  now: OpenedLogbook,
  incoming: Logbook,
  merging: boolean,
  traces: Map<string, string>,
  fresh: string[],
): Promise<Draft['lists']> {
  const from = { ...incoming, runs: incoming.runs.map((r) => r.run) }
  const lists = Object.fromEntries(
    COLLECTION_NAMES.map((name) => [
      name,
      merging ? mergeRecords(name, now.lists[name], from[name]) : from[name],
    ]),
  ) as unknown as Draft['lists']
  const taken = new Set<Run>(lists.runs)
  for (const { run, trace } of incoming.runs) {
    if (!taken.has(run)) continue
    const key = newTraceKey(run.id, trace)
    fresh.push(key)
    await storeTrace(key, trace)
    traces.set(run.id, key)
  }
  return lists
}

/** Builds the draft as a new edition, turns to it, and tells the other tabs to read everything anew. */
async function turnTo(draft: Draft, now: OpenedLogbook): Promise<OpenedLogbook> {
  const revision = now.revision + 1
  const { edition, number } = now.pointer
  const next = otherEdition(edition)
  await buildEdition(next, draft, revision)
  await storeRevision(revision)
  await turnPointer({ edition: next, number: number + 1, previous: edition, madeAt: revision })
  await sweepTraces(await tracesInUse()).catch(() => 0)
  tellOthers({ revision, changed: null })
  return readLogbookNow()
}

/** A wipe is an empty edition: it can be undone like an import. */
export const wipeLogbook = (empty: Logbook): Promise<OpenedLogbook> => importLogbook(empty, 'replace')

/**
 * Goes back to the edition before the last import or wipe. What was written since goes along, with the gear it
 * needs, so that undoing an import never costs a run made after it.
 * @throws Error where there is no edition to go back to.
 */
export function undoEdition(): Promise<OpenedLogbook> {
  return holdingLock(async () => {
    const now = await readLogbookNow()
    const { previous, madeAt, edition, number } = now.pointer
    if (previous === null) throw new Error('There is nothing to go back to.')
    const before = await readEdition(previous)
    const carried = writtenSince(now, madeAt)
    for (const key of carried) {
      const envelope = await editionDrawers[edition].getItem<Envelope>(key)
      if (before.written.has(key) && !isWrittenSince(now, key, madeAt)) continue
      await writing(() => editionDrawers[previous].setItem(key, envelope))
    }
    const revision = now.revision + 1
    await storeRevision(revision)
    await turnPointer({ edition: previous, number: number + 1, previous: edition, madeAt: revision })
    tellOthers({ revision, changed: null })
    return readLogbookNow()
  })
}

const isWrittenSince = (now: OpenedLogbook, key: string, madeAt: number): boolean =>
  (now.written.get(key) ?? 0) > madeAt

/** Keys of what was written after the edition was made, of the gear that it names, and of what that stands behind. */
function writtenSince(now: OpenedLogbook, madeAt: number): Set<string> {
  const keys = new Set<string>()
  const take = (name: CollectionName, record: Records[CollectionName] | undefined) => {
    const key = record && recordKey(name, record.id)
    if (!key || keys.has(key)) return
    keys.add(key)
    for (const { to, id } of referencesOf(name, record))
      take(
        to,
        now.lists[to].find((named) => named.id === id),
      )
  }
  for (const name of COLLECTION_NAMES)
    for (const record of now.lists[name])
      if (isWrittenSince(now, recordKey(name, record.id), madeAt)) take(name, record)
  return keys
}
