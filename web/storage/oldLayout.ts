import { readLogbook } from '@core/formats/logbookJson'
import { COLLECTION_NAMES, type CollectionName } from '@core/logbook/collections'
import { mendTrace } from '@core/logbook/mend'
import { LOGBOOK_SCHEMA_VERSION, migrate, type RawLogbook } from '@core/logbook/versions'
import type { Trace } from '@core/trace/trace'
import { editionDrawers, metaDrawer, oldGearDrawer, oldRunDrawer, traceDrawer, writing } from './database'
import { turnPointer } from './editions'
import { recordKey, type Envelope } from './envelope'
import { newTraceKey, storeTrace } from './traces'

const PENDING = 'pending-import'
const NEWEST_OLD_VERSION = 2
type Raw = Record<string, unknown>

/**
 * Brings what versions 1 and 2 of the program kept over into the first edition: migrated, its traces mended where those
 * versions kept what they would not have read. A record that does not hold even so goes along as it is, to be set
 * apart by the reader. The old drawers are emptied only when the pointer stands; cut off, it begins anew.
 */
export async function takeOverOldLayout(): Promise<void> {
  const version = (await metaDrawer.getItem<number>('version')) ?? 1
  if (version > NEWEST_OLD_VERSION)
    throw new Error(
      'This browser holds a logbook of a newer version of the program. Update the program; nothing was changed.',
    )
  const old = await readOld()
  const drawer = editionDrawers.a
  await writing(() => drawer.clear())
  const current = migrate(old, version)
  for (const name of COLLECTION_NAMES)
    for (const item of (current[name] ?? []) as Raw[]) await takeOver(name, item)
  await takeOverPending()
  await turnPointer({ edition: 'a', number: 1, previous: null, madeAt: 0 })
  await Promise.all([oldGearDrawer.clear(), oldRunDrawer.clear()]).catch(() => undefined)
}

async function readOld(): Promise<RawLogbook> {
  const old: Record<string, Raw[]> = { runs: [] }
  await oldGearDrawer.iterate<Raw, void>((item, key) => {
    const [kind] = key.split('/')
    ;(old[kind] ??= []).push(item)
  })
  await oldRunDrawer.iterate<Raw, void>((run) => void old.runs.push(run))
  return old
}

async function takeOver(name: CollectionName, item: Raw): Promise<void> {
  const id = String(item?.id ?? crypto.randomUUID())
  const trace = name === 'runs' ? await traceDrawer.getItem<Trace>(id) : null
  const envelope: Envelope = { v: LOGBOOK_SCHEMA_VERSION, rev: 0, item }
  if (trace) Object.assign(envelope, await withTrace(item, id, trace))
  await writing(() => editionDrawers.a.setItem(recordKey(name, id), envelope))
}

/** The run with its trace under a key of its own. Readings that cannot be mended stay where they are. */
async function withTrace(run: Raw, id: string, trace: Trace): Promise<Partial<Envelope>> {
  try {
    const { mended, said } = mendTrace(trace)
    const key = newTraceKey(id, mended)
    await storeTrace(key, mended)
    const notes = [run.notes, ...said].filter(Boolean).join(' ')
    return { item: { ...run, notes }, trace: key }
  } catch {
    return { trace: id }
  }
}

/** An import that version 2 stored but had not unpacked: what it holds goes on top, and nothing made since is lost. */
async function takeOverPending(): Promise<void> {
  const pending = await metaDrawer.getItem<string>(PENDING)
  if (pending === null) return
  let logbook
  try {
    logbook = readLogbook(pending)
  } catch {
    // It cannot be read; it stays under its key, so that nothing is lost.
    return
  }
  const drawer = editionDrawers.a
  const put = async (key: string, envelope: Envelope) => {
    if ((await drawer.getItem(key)) === null) await writing(() => drawer.setItem(key, envelope))
  }
  for (const name of COLLECTION_NAMES)
    if (name !== 'runs')
      for (const item of logbook[name])
        await put(recordKey(name, item.id), { v: LOGBOOK_SCHEMA_VERSION, rev: 0, item })
  for (const { run, trace } of logbook.runs) {
    const key = newTraceKey(run.id, trace)
    await storeTrace(key, trace)
    await put(recordKey('runs', run.id), { v: LOGBOOK_SCHEMA_VERSION, rev: 0, item: run, trace: key })
  }
  await metaDrawer.removeItem(PENDING)
}
