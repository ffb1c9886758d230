import { proxy, wrap, type Remote } from 'comlink'
import { readSession, type Session } from '@core/bench/session'
import { checkRecord, logbookProblems } from '@core/formats/logbookJson'
import { COLLECTION_NAMES, type CollectionName, type Records } from '@core/logbook/collections'
import { emptyLogbook, type Logbook } from '@core/logbook/logbook'
import { danglingIn } from '@core/logbook/references'
import { traceFromJson } from '@core/logbook/traceColumns'
import type { Trace } from '@core/trace/trace'
import type { CopyMark, CopyWork } from '../workers/copy.worker'
import { handOver } from '../workers/handOver'
import type { OpenedLogbook } from './logbookStorage'
import { journalFrom, type JournalLine, type ReadJournal } from './journal'
import { readTrace } from './traces'

/**
 * The second copy, in the browser's private file system: every stored record as a file of its own, once the store
 * has taken it, and the bench's journal line by line. It is never in the way: what it refuses is told, not thrown.
 */
export interface CopyState {
  /** Null until it is known whether this browser can keep one. */
  kept: boolean | null
  /** When the last record or line was copied, ms since 1970; null when none was in this session. */
  at: number | null
  failure: string
}

const LOCK = 'inkpath-log-copy'
let remote: Remote<CopyWork> | null | undefined
let began: Promise<boolean> | undefined
let tell: (state: Partial<CopyState>) => void = () => undefined

export const onCopyState = (listener: (state: Partial<CopyState>) => void): void => void (tell = listener)

/** The worker, once it has begun; null where this browser keeps no private files. */
async function worker(): Promise<Remote<CopyWork> | null> {
  if (remote === undefined) {
    const able = typeof Worker !== 'undefined' && Boolean(globalThis.navigator?.storage?.getDirectory)
    remote = able
      ? wrap<CopyWork>(new Worker(new URL('../workers/copy.worker.ts', import.meta.url), { type: 'module' }))
      : null
    began = remote
      ? remote.begin(proxy((reason: string) => tell({ failure: reason }))).catch(() => false)
      : Promise.resolve(false)
    void began.then((kept) => tell({ kept }))
  }
  return (await began) ? remote! : null
}

/** Pieces of one kind run one after the other; lines of a journal never wait for a logbook that is copied whole. */
const queues = { records: Promise.resolve(), bench: Promise.resolve() }

/** Runs one piece of copying; a refusal is told and never thrown. */
function copying(
  work: (copy: Remote<CopyWork>) => Promise<unknown>,
  queue: keyof typeof queues = 'records',
): Promise<void> {
  const mine = queues[queue].then(async () => {
    try {
      const copy = await worker()
      if (!copy) return
      await work(copy)
      tell({ at: Date.now(), failure: '' })
    } catch (error) {
      tell({ failure: (error as Error).message })
    }
  })
  queues[queue] = mine
  return mine
}

/** Copies one record that the store has taken. */
export const copyRecord = <K extends CollectionName>(
  number: number,
  revision: number,
  collection: K,
  record: Records[K],
  trace?: Trace,
): Promise<void> =>
  copying(async (copy) => {
    await copy.put(number, collection, record, trace && (await handOver(copy, trace)))
    await copy.moveMark({ number, revision, at: new Date().toISOString() })
  })

export const dropCopy = (
  number: number,
  revision: number,
  collection: CollectionName,
  id: string,
): Promise<void> =>
  copying(async (copy) => {
    await copy.drop(number, collection, id)
    await copy.moveMark({ number, revision, at: new Date().toISOString() })
  })

/**
 * Brings the copy up to the logbook as it stands, unless it is there already. One tab at a time does.
 * @param now the logbook as this tab knows it: what another tab keeps while this one copies is not swept away
 */
export const copyAll = (now: () => OpenedLogbook): Promise<void> =>
  copying(async (copy) => {
    const logbook = now()
    const { number } = logbook.pointer
    const { revision } = logbook
    const mark = await copy.mark()
    if (mark?.number === number && mark.revision === revision) return
    const write = async () => {
      for (const collection of COLLECTION_NAMES) {
        for (const record of logbook.lists[collection]) await putOne(copy, logbook, collection, record)
        if (now().pointer.number !== number) return
        const ids = [...logbook.lists[collection], ...now().lists[collection]].map((r) => r.id)
        await copy.keepOnly(number, collection, ids)
      }
      await copy.setMark({ number, revision, at: new Date().toISOString() })
      await copy.prune(number - 1)
    }
    if (globalThis.navigator?.locks)
      await navigator.locks.request(LOCK, { ifAvailable: true }, (lock) => (lock ? write() : undefined))
    else await write()
  })

async function putOne(
  copy: Remote<CopyWork>,
  { pointer, traces }: OpenedLogbook,
  collection: CollectionName,
  record: Records[CollectionName],
): Promise<void> {
  const key = collection === 'runs' ? traces.get(record.id) : undefined
  const read = key === undefined ? undefined : await readTrace(key)
  // A run whose readings cannot be read here may be whole in the copy: its file is left as it is.
  if (collection === 'runs' && !(read && 'trace' in read)) return
  const trace = read && 'trace' in read ? read.trace : undefined
  await copy.put(pointer.number, collection, record, trace && (await handOver(copy, trace)))
}

/** Which edition and revision the copy holds; null where there is none. */
export const copyMark = async (): Promise<CopyMark | null> => (await (await worker())?.mark()) ?? null

/** What the copy holds of the logbook; what does not hold in it is counted and left out. */
export interface CopiedLogbook {
  logbook: Logbook
  left: number
  at: string
}

/** Reads the logbook back from the copy; null where there is none. */
export async function readCopy(): Promise<CopiedLogbook | null> {
  const copy = await worker()
  const mark: CopyMark | null = (await copy?.mark()) ?? null
  if (!copy || !mark) return null
  const texts = await copy.read(mark.number)
  const logbook = emptyLogbook()
  let left = 0
  for (const name of COLLECTION_NAMES)
    for (const text of texts[name] ?? []) {
      const item = parse(text)
      const record = checkRecord(name, item, name, [])
      if (!record) left++
      else if (name !== 'runs') (logbook[name] as object[]).push(record)
      else {
        const trace = traceIn(item)
        if (trace) logbook.runs.push({ run: record as Records['runs'], trace })
        else left++
      }
    }
  left += withoutDangling(logbook)
  return logbookProblems(logbook).length ? null : { logbook, left, at: mark.at }
}

function parse(text: string): { trace?: unknown } | null {
  try {
    return JSON.parse(text) as { trace?: unknown }
  } catch {
    return null
  }
}

function traceIn(item: { trace?: unknown } | null): Trace | null {
  try {
    return traceFromJson(item?.trace)
  } catch {
    return null
  }
}

function withoutDangling(logbook: Logbook): number {
  let left = 0
  for (;;) {
    const found = danglingIn({ ...logbook, runs: logbook.runs.map((r) => r.run) })
    if (found.length === 0) return left
    for (const name of COLLECTION_NAMES) {
      const bad = new Set(found.filter((d) => d.collection === name).map((d) => d.index))
      left += bad.size
      Object.assign(logbook, { [name]: (logbook[name] as object[]).filter((_, i) => !bad.has(i)) })
    }
  }
}

export const copySession = (session: Session): Promise<void> =>
  copying((copy) => copy.saveSession(JSON.stringify(session)), 'bench')

/** Hands a line of a lane's journal to the copy. Nobody waits for it. */
export const copyLine = (runId: string, number: number, line: JournalLine): void =>
  void copying((copy) => copy.addLine(runId, JSON.stringify([number, line])), 'bench')

export const dropJournalCopy = (runId: string): Promise<void> =>
  copying((copy) => copy.dropJournal(runId), 'bench')
export const leaveJournalCopies = (): Promise<void> => copying((copy) => copy.leaveBench(), 'bench')

/** The session as it was last copied; null where none was. */
export async function copiedSession(): Promise<Session | null> {
  const text = (await (await worker())?.readBench(null))?.session ?? null
  return text === null ? null : readSession(parse(text))
}

/** The bench as it was last copied. */
export async function readBenchCopy(): Promise<{
  session: Session
  journals: Map<string, ReadJournal>
} | null> {
  const copy = await worker()
  if (!copy) return null
  const { session: text } = await copy.readBench(null)
  const session = readSession(text === null ? null : parse(text))
  const { journals } = await copy.readBench(session.lanes.map((l) => l.runId))
  return {
    session,
    journals: new Map(
      Object.entries(journals).map(([runId, lines]) => [runId, journalFrom(numbered(lines))]),
    ),
  }
}

/** Lines as `[number, line]`, one a row. The last may be cut off: it was being written. */
function numbered(text: string): Map<number, unknown> {
  const lines = new Map<number, unknown>()
  for (const row of text.split('\n')) {
    const entry = parse(row) as [number, unknown] | null
    if (Array.isArray(entry)) lines.set(Number(entry[0]), entry[1])
  }
  return lines
}
