import { readLogbook, writeLogbook } from '@core/formats/logbookJson'
import { correctionKey, emptyLogbook, mergeLogbooks, type Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'
import { gearStore, metaStore, runStore, STORAGE_VERSION, traceStore, writing } from './stores'

/** Everything kept as small things under keys of their own. */
export type GearKind = Exclude<keyof Logbook, 'runs'>
type Gear = Pick<Logbook, GearKind>
/** Everything but the traces, which are read when they are needed. */
export type Shelf = Gear & { runs: Run[] }

/** What version 2 of the stores added to runs. */
const RUN_SINCE_1 = { planned: null, checklist: [] }
const PENDING = 'pending-import'
const key = (kind: GearKind, id: string) => `${kind}/${id}`

/** Gear and runs as stored. An import that was cut off is finished first. */
export async function loadShelf(): Promise<Shelf> {
  await checkVersion()
  await finishPendingImport()
  const shelf: Shelf = { ...emptyLogbook(), runs: [] }
  await gearStore.iterate<never, void>((item, itemKey) => {
    shelf[itemKey.split('/')[0] as GearKind]?.push(item)
  })
  await runStore.iterate<Run, void>((run) => void shelf.runs.push({ ...RUN_SINCE_1, ...run }))
  shelf.runs.sort((a, b) => a.startedAt.localeCompare(b.startedAt))
  return shelf
}

async function checkVersion(): Promise<void> {
  const found = await metaStore.getItem<number>('version')
  if (found !== null && found > STORAGE_VERSION)
    throw new Error(
      'This browser holds a logbook of a newer version of the program. Update the program; nothing was changed.',
    )
  if (found !== STORAGE_VERSION) await writing(() => metaStore.setItem('version', STORAGE_VERSION))
}

export const putGear = (kind: GearKind, id: string, item: object): Promise<unknown> =>
  writing(() => gearStore.setItem(key(kind, id), { ...item }))

export const dropGear = (kind: GearKind, id: string): Promise<void> => gearStore.removeItem(key(kind, id))

/** The trace goes first: a run without its trace must never be seen. */
export async function putRun(run: Run, trace?: Trace): Promise<void> {
  await writing(async () => {
    if (trace) await traceStore.setItem(run.id, trace)
    await runStore.setItem(run.id, run)
  })
}

export async function dropRun(id: string): Promise<void> {
  await runStore.removeItem(id)
  await traceStore.removeItem(id)
}

export const loadTrace = (id: string): Promise<Trace | null> => traceStore.getItem<Trace>(id)

/** The whole logbook as it stands, traces and all. */
export async function loadLogbook(): Promise<Logbook> {
  const { runs, ...gear } = await loadShelf()
  const withTraces = await Promise.all(runs.map(async (run) => ({ run, trace: (await loadTrace(run.id))! })))
  return { ...gear, runs: withTraces.filter((r) => r.trace) }
}

export type ImportMode = 'merge' | 'replace'

/**
 * Takes a logbook in, never half: the whole outcome is stored under one key first, then unpacked; a crash
 * in between is made good on the next start, because unpacking twice gives the same as once.
 */
export async function importLogbook(incoming: Logbook, mode: ImportMode): Promise<void> {
  const outcome = mode === 'merge' ? mergeLogbooks(await loadLogbook(), incoming) : incoming
  await writing(() => metaStore.setItem(PENDING, writeLogbook(outcome, new Date().toISOString())))
  await finishPendingImport()
}

async function finishPendingImport(): Promise<void> {
  const pending = await metaStore.getItem<string>(PENDING)
  if (pending === null) return
  const logbook = readLogbook(pending)
  await writing(() => unpack(logbook))
  await metaStore.removeItem(PENDING)
}

async function unpack(logbook: Logbook): Promise<void> {
  await Promise.all([gearStore.clear(), runStore.clear(), traceStore.clear()])
  const { runs: _, gearCorrections, ...withIds } = logbook
  const gear: [GearKind, string, object][] = [
    ...Object.entries(withIds).flatMap(([kind, items]) =>
      items.map((item): [GearKind, string, object] => [kind as GearKind, item.id, item]),
    ),
    ...gearCorrections.map((c): [GearKind, string, object] => ['gearCorrections', correctionKey(c), c]),
  ]
  for (const [kind, id, item] of gear) await gearStore.setItem(key(kind, id), item)
  for (const { run, trace } of logbook.runs) {
    await traceStore.setItem(run.id, trace)
    await runStore.setItem(run.id, run)
  }
}

export const wipeLogbook = (): Promise<void> => importLogbook(emptyLogbook(), 'replace')
