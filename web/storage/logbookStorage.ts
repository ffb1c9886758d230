import { COLLECTION_NAMES, type CollectionName, type Records } from '@core/logbook/collections'
import { isEmptyLogbook, mergeRecords, type Logbook } from '@core/logbook/logbook'
import { referencesOf } from '@core/logbook/references'
import type { Run } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'
import { editionDrawers, openDatabase } from './database'
import {
  buildEdition,
  clearSpare,
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
import { finishTogether, takeTogether, type Step } from './together'
import { dropTrace, newTraceKey, readTrace, storeTrace, sweepTraces } from './traces'
import { holdingLock, readRevision, storeRevision, tellOthers } from './writer'

/** Every write, once what a killed page had begun is done. */
const writingAlone = <T>(work: () => Promise<T>): Promise<T> =>
  holdingLock(async () => {
    await finishTogether()
    return work()
  })

/** Whether nothing is left half done; what the browser refuses now is done by a later write. */
const triedToFinish = (): Promise<boolean> =>
  finishTogether().then(
    () => true,
    () => false,
  )

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
    // Where the browser refuses, the logbook opens all the same, and what is still to be done keeps its readings.
    const done = await triedToFinish()
    const logbook = await readLogbookNow()
    // What is left lying about is no harm: a browser that refuses to take it out still opens the logbook.
    if (done) await sweep(logbook.pointer).catch(() => undefined)
    return logbook
  })
}

async function readLogbookNow(): Promise<OpenedLogbook> {
  const pointer = (await readPointer())!
  return { ...(await readEdition(pointer.edition)), pointer, revision: await readRevision() }
}

/** What becomes of one record. */
export type Change =
  | { put: CollectionName; record: Records[CollectionName]; trace?: Trace }
  | { drop: CollectionName; id: string }

export interface Written {
  revision: number
  /** Where the traces of changed runs lie now, by run. */
  traceKeys: Map<string, string>
}

/**
 * Makes changes under the lock, all of them or none. `known` is the revision this tab knows: if another tab has written
 * since, `refresh` is given the logbook as it stands now before `decide` says what to change, so that nothing is written
 * from a stale copy.
 */
export function change(
  known: number,
  refresh: (logbook: OpenedLogbook) => void,
  decide: () => Change[] | Promise<Change[]>,
): Promise<Written> {
  return writingAlone(async () => {
    const now = await readRevision()
    if (now !== known) refresh(await readLogbookNow())
    const changes = await decide()
    if (changes.length === 0) return { revision: now, traceKeys: new Map<string, string>() }
    const { edition } = (await readPointer())!
    const revision = now + 1
    const traceKeys = new Map<string, string>()
    const steps: Step[] = []
    const old: string[] = []
    for (const one of changes) {
      const { key } = nameOf(one)
      const before = (await editionDrawers[edition].getItem<Envelope>(key))?.trace
      const envelope = 'drop' in one ? null : await envelopeOf(one, before, revision)
      steps.push({ key, envelope })
      if (envelope?.trace !== undefined) traceKeys.set(nameOf(one).id, envelope.trace)
      if (before !== undefined && before !== envelope?.trace) old.push(before)
    }
    await takeTogether({ edition, revision, steps })
    tellOthers({ revision, changed: changes.map(nameOf) })
    await dropUnused(old)
    return { revision, traceKeys }
  })
}

function nameOf(change: Change): { collection: CollectionName; id: string; key: string } {
  const [collection, id] =
    'drop' in change ? ([change.drop, change.id] as const) : ([change.put, change.record.id] as const)
  return { collection, id, key: recordKey(collection, id) }
}

/** What a record comes to lie in. A new trace is stored under a new key before anything points to it. */
async function envelopeOf(
  { put, record, trace }: Extract<Change, { put: CollectionName }>,
  before: string | undefined,
  revision: number,
): Promise<Envelope> {
  if (put !== 'runs') return sealed(put, record as never, revision)
  const traceKey = trace ? newTraceKey(record.id, trace) : before
  if (traceKey === undefined) throw new Error('A run cannot be kept without its readings.')
  const envelope = sealed('runs', record as Run, revision, traceKey)
  if (trace) await storeTrace(traceKey, trace)
  return envelope
}

/** The edition before may still point to them. A refusal is no harm: the sweep at the next start takes them. */
async function dropUnused(keys: readonly string[]): Promise<void> {
  if (keys.length === 0) return
  const used = await tracesInUse()
  for (const key of keys) if (!used.has(key)) await dropTrace(key).catch(() => undefined)
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
  holdingLock(async () => {
    await triedToFinish()
    return readWholeNow()
  })

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
  return writingAlone(async () => {
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
  const edition = await buildEdition(now.pointer, draft, revision)
  await storeRevision(revision)
  const pointer = {
    edition,
    number: now.pointer.number + 1,
    previous: now.pointer.edition,
    madeAt: revision,
  }
  await turnPointer(pointer)
  await sweep(pointer).catch(() => undefined)
  tellOthers({ revision, changed: null })
  return readLogbookNow()
}

/** Takes out what a cut-off write left, and what nobody can go back to any more. */
async function sweep(pointer: Pointer): Promise<void> {
  await clearSpare(pointer)
  await sweepTraces(await tracesInUse())
}

/** A wipe is an empty edition: it can be undone like an import. */
export const wipeLogbook = (empty: Logbook): Promise<OpenedLogbook> => importLogbook(empty, 'replace')

/**
 * Goes back to the edition before the last import or wipe. What was written since goes along, with the gear it
 * needs, so that undoing an import never costs a run made after it.
 * @throws Error where there is no edition to go back to.
 */
export function undoEdition(): Promise<OpenedLogbook> {
  return writingAlone(async () => {
    const now = await readLogbookNow()
    const { previous, madeAt } = now.pointer
    if (previous === null) throw new Error('There is nothing to go back to.')
    const before = await readEdition(previous)
    const wanted = writtenSince(now, madeAt)
    for (const name of COLLECTION_NAMES)
      for (const record of now.lists[name]) {
        const key = recordKey(name, record.id)
        // Gear that both have is as it was, unless it was put right since.
        if (wanted.has(key) && (isWrittenSince(now, key, madeAt) || !before.written.has(key)))
          carry(now, name, record, before)
      }
    return turnTo(before, now)
  })
}

/** Puts a record of one edition into another, in place of the one that it has under the same id. */
function carry(from: Edition, name: CollectionName, record: Records[CollectionName], to: Edition): void {
  const key = recordKey(name, record.id)
  const others = (to.lists[name] as { id: string }[]).filter(({ id }) => id !== record.id)
  Object.assign(to.lists, { [name]: [...others, record] })
  to.written.set(key, from.written.get(key)!)
  if (name === 'runs') to.traces.set(record.id, from.traces.get(record.id)!)
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
