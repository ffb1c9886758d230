import { expose } from 'comlink'
import { traceToJson } from '@core/logbook/traceColumns'
import type { Trace } from '@core/trace/trace'
import { traceParts } from './traceParts'

/**
 * Writes the second copy into the browser's private file system, off the main thread. Records are files of their own,
 * written whole or not at all; journals are files that lines are added to and that are flushed twice a second.
 */
const ROOT = 'inkpath-log'
const FLUSH_EVERY_MS = 500

/** Which edition the copy holds, and up to which revision of the logbook. */
export interface CopyMark {
  number: number
  revision: number
  /** ISO 8601. */
  at: string
}

interface SyncHandle {
  getSize(): number
  truncate(size: number): void
  write(data: Uint8Array, options: { at: number }): number
  flush(): void
  close(): void
}
type FileHandle = FileSystemFileHandle & { createSyncAccessHandle?: () => Promise<SyncHandle> }
type Folder = FileSystemDirectoryHandle & { keys(): AsyncIterable<string> }

const folder = async (path: string[], create = true): Promise<Folder> => {
  let current = (await navigator.storage.getDirectory()) as Folder
  for (const name of [ROOT, ...path]) current = (await current.getDirectoryHandle(name, { create })) as Folder
  return current
}

/** A name that every file system takes; what is inside says the id. */
async function fileName(id: string): Promise<string> {
  if (/^[\w-]{1,80}$/.test(id)) return id
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(id)))
  return Array.from(hash, (byte) => byte.toString(16).padStart(2, '0')).join('')
}

async function writeFile(path: string[], name: string, text: string): Promise<void> {
  const file = await (await folder(path)).getFileHandle(name, { create: true })
  const stream = await file.createWritable()
  await stream.write(text)
  await stream.close()
}

async function readFile(path: string[], name: string): Promise<string | null> {
  try {
    const file = await (await folder(path, false)).getFileHandle(name)
    return await (await file.getFile()).text()
  } catch {
    return null
  }
}

async function namesIn(path: string[]): Promise<string[]> {
  const names: string[] = []
  try {
    for await (const name of (await folder(path, false)).keys()) names.push(name)
  } catch {
    // No such folder: nothing was copied yet.
  }
  return names
}

async function remove(path: string[], name: string): Promise<void> {
  try {
    await (await folder(path, false)).removeEntry(name, { recursive: true })
  } catch {
    // It is gone already.
  }
}

const EDITION = 'logbook-'
const edition = (number: number): string => EDITION + number
const BENCH = 'bench'
const MARK = 'current.json'
const SESSION = 'session.json'
const JOURNAL = '.jsonl'

const open = new Map<string, Promise<SyncHandle>>()
const waiting = new Map<string, string[]>()
let flushing: ReturnType<typeof setTimeout> | undefined

async function handleOf(runId: string): Promise<SyncHandle> {
  let handle = open.get(runId)
  if (!handle) {
    handle = (async () => {
      const name = (await fileName(runId)) + JOURNAL
      const file: FileHandle = await (await folder([BENCH])).getFileHandle(name, { create: true })
      if (!file.createSyncAccessHandle) throw new Error('this browser cannot add to a file of its own')
      return file.createSyncAccessHandle()
    })()
    open.set(runId, handle)
    handle.catch(() => open.delete(runId))
  }
  return handle
}

async function flushAll(): Promise<void> {
  flushing = undefined
  const batches = [...waiting]
  waiting.clear()
  let refusal: unknown
  for (const [runId, lines] of batches)
    try {
      addTo(await handleOf(runId), lines)
    } catch (error) {
      refusal = error
      // They go with the next ones; the other lanes' lines do not wait for them.
      waiting.set(runId, [...lines, ...(waiting.get(runId) ?? [])])
    }
  if (refusal) throw refusal
}

/** All of the lines or none: half a line would spoil the next. */
function addTo(handle: SyncHandle, lines: string[]): void {
  const data = new TextEncoder().encode(lines.map((line) => `${line}\n`).join(''))
  const at = handle.getSize()
  try {
    if (handle.write(data, { at }) < data.length) throw new Error('the private files are full')
    handle.flush()
  } catch (error) {
    handle.truncate(at)
    throw error
  }
}

async function closeJournal(runId: string): Promise<void> {
  const handle = await open.get(runId)?.catch(() => undefined)
  open.delete(runId)
  handle?.close()
}

let failed: (reason: string) => void = () => undefined

const parts = traceParts()

const work = {
  part: parts.part,
  /** Whether this browser has a private file system at all; `onFailure` hears of journals that could not be flushed. */
  async begin(onFailure: (reason: string) => void): Promise<boolean> {
    failed = onFailure
    try {
      await folder([])
      return true
    } catch {
      return false
    }
  },

  async mark(): Promise<CopyMark | null> {
    const text = await readFile([], MARK)
    try {
      return text === null ? null : (JSON.parse(text) as CopyMark)
    } catch {
      return null
    }
  },
  setMark: (mark: CopyMark): Promise<void> => writeFile([], MARK, JSON.stringify(mark)),
  /**
   * Moves the mark by one revision. Where the copy missed the one before, the mark stays, so that the next start sees
   * that the copy is behind and brings it up whole.
   */
  async moveMark(mark: CopyMark): Promise<void> {
    const now = await work.mark()
    if (now?.number === mark.number && now.revision === mark.revision - 1) await work.setMark(mark)
  },

  /** Writes a record just as it stands in an exported logbook: a million readings become text here. */
  async put(
    number: number,
    collection: string,
    record: { id: string },
    trace?: Trace | string,
  ): Promise<void> {
    const readings = trace === undefined ? {} : { trace: traceToJson(parts.whole(trace)) }
    const text = JSON.stringify({ ...record, ...readings })
    await writeFile([edition(number), collection], await fileName(record.id), text)
  },
  async drop(number: number, collection: string, id: string): Promise<void> {
    await remove([edition(number), collection], await fileName(id))
  },
  /** Removes files of an edition that are none of these ids. */
  async keepOnly(number: number, collection: string, ids: string[]): Promise<void> {
    const wanted = new Set(await Promise.all(ids.map(fileName)))
    for (const name of await namesIn([edition(number), collection]))
      if (!wanted.has(name)) await remove([edition(number), collection], name)
  },
  /** Removes editions older than one. A newer one belongs to a database that was lost, and stays. */
  async prune(oldest: number): Promise<void> {
    for (const name of await namesIn([]))
      if (name.startsWith(EDITION) && Number(name.slice(EDITION.length)) < oldest) await remove([], name)
  },
  /** The records of an edition as texts, by collection. */
  async read(number: number): Promise<Record<string, string[]>> {
    const found: Record<string, string[]> = {}
    for (const collection of await namesIn([edition(number)])) {
      found[collection] = []
      for (const name of await namesIn([edition(number), collection])) {
        const text = await readFile([edition(number), collection], name)
        if (text) found[collection].push(text)
      }
    }
    return found
  },

  saveSession: (text: string): Promise<void> => writeFile([BENCH], SESSION, text),
  /** Adds a line; it is on the disk within half a second. */
  addLine(runId: string, line: string): void {
    waiting.set(runId, [...(waiting.get(runId) ?? []), line])
    flushing ??= setTimeout(
      () => void flushAll().catch((error: Error) => failed(error.message)),
      FLUSH_EVERY_MS,
    )
  },
  async dropJournal(runId: string): Promise<void> {
    waiting.delete(runId)
    await closeJournal(runId)
    await remove([BENCH], (await fileName(runId)) + JOURNAL)
  },
  /** Lets another tab add to the journals. */
  async leaveBench(): Promise<void> {
    await flushAll().catch(() => undefined)
    for (const runId of [...open.keys()]) await closeJournal(runId)
  },
  /** The bench as it was last copied: its session, and the journals' lines by run. */
  async readBench(
    runIds: string[] | null,
  ): Promise<{ session: string | null; journals: Record<string, string> }> {
    const session = await readFile([BENCH], SESSION)
    const journals: Record<string, string> = {}
    for (const runId of runIds ?? []) {
      const text = await readFile([BENCH], (await fileName(runId)) + JOURNAL)
      if (text !== null) journals[runId] = text
    }
    return { session, journals }
  },
}

export type CopyWork = typeof work
expose(work)
