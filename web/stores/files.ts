import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { ColumnMeaning } from '@core/formats/columns'
import { readLogbook } from '@core/formats/logbookJson'
import { problemInWords, UnreadableFile, type Problem } from '@core/formats/problem'
import type { ReadPackage } from '@core/formats/dataPackage'
import { shapeOf } from '@core/formats/shape'
import type { WideRun } from '@core/formats/wide'
import type { Logbook } from '@core/logbook/logbook'
import { cutBefore } from '@core/trace/cut'
import { movedBy } from '@core/words/moments'
import { keepShape, loadShapes } from '../storage/shapes'
import { filesWork, stopFilesWork } from '../workers/files'
import type { OpenedTable, ReadRecord, Outcome, WidePreview } from '../workers/files.worker'
import { importedRun, type Given, type OneEnd } from './importedRun'
import { useLogbook } from './logbook'
import { STOPPED, stoppableWork } from './stoppableWork'

export interface Refusal {
  file: string
  message: string
  places: string[]
  /** How many faults there are, and all that are kept of them, as a file's text. */
  count: number
  all: string
}
type Opened =
  | {
      kind: 'logbook'
      file: string
      logbook: Logbook
      /** Of a data package: which of its files are not as they were written. */
      from?: Pick<ReadPackage, 'changed' | 'checked'>
    }
  | { kind: 'trace'; file: string; opened: OpenedTable; result: ReadRecord | null; failure: string }

const MAX_BYTES = 400 * 1024 * 1024
const MOST_PLACES = 12

/** Files on their way in: opened and looked at first, taken only when the reviewer says so. */
export const useFiles = defineStore('files', () => {
  const logbook = useLogbook()
  // Shallow: a trace's columns must reach storage as they are, not wrapped.
  const opened = shallowRef<Opened | null>(null)
  const refusal = ref<Refusal | null>(null)
  /** Files that were chosen together with the one that is open. */
  const waiting = shallowRef<File[]>([])
  /** The end of a run that was opened before, to be joined by the file that is open now or comes next. */
  const otherEnd = shallowRef<OneEnd | null>(null)
  /** What was said of the file before: it holds for the next one too. */
  const lastGiven = shallowRef<Given | null>(null)

  const refuse = (file: string, message: string, problems: Problem[] = []) => {
    const all = problems.map(problemInWords)
    refusal.value = {
      file,
      message,
      places: all.slice(0, MOST_PLACES),
      count: all.length,
      all: all.join('\n'),
    }
  }

  const { busy, progress, onProgress, stoppable, stop } = stoppableWork()
  /** Stops reading; nothing of the file is kept. */
  function cancel() {
    stopFilesWork()
    opened.value = null
    stop()
  }

  /** Several at once: one is looked at after the other, and nothing is taken unseen. */
  async function openAll(files: readonly File[]) {
    const [first, ...rest] = files
    if (!first) return
    waiting.value = [...rest, ...waiting.value]
    await open(first)
  }
  /** The next of those that wait, once one was taken or left. */
  async function openNext() {
    const [next, ...rest] = waiting.value
    opened.value = null
    waiting.value = rest
    if (next) await open(next)
  }

  /** Keeps the opened file as one end of a run; the next one that is opened is its other end. */
  async function joinNext() {
    const current = opened.value
    if (current?.kind !== 'trace' || !current.result) return
    const { trace, startedAt } = current.result
    otherEnd.value = { file: current.file, trace, startedAt }
    await openNext()
  }

  async function open(file: File) {
    if (busy.value) cancel()
    opened.value = null
    refusal.value = null
    if (file.size > MAX_BYTES) return refuse(file.name, 'The file is larger than any logbook of ours.')
    try {
      const shapes = await loadShapes()
      const read = await stoppable(async () =>
        filesWork().open(file, /\.json$/i.test(file.name), shapes, onProgress),
      )
      if (read === STOPPED) return
      if ('logbook' in read) openLogbook(file.name, read.logbook)
      else if ('package' in read) openLogbook(file.name, read.package.logbook, read.package)
      else if (!read.table.ok) refuse(file.name, read.table.message, read.table.problems)
      else {
        const table = read.table.value
        opened.value = { kind: 'trace', file: file.name, opened: table, result: null, failure: '' }
        await readColumns(table.meanings)
      }
    } catch (error) {
      refuse(file.name, (error as Error).message)
    }
  }

  function openLogbook(file: string, text: string, from?: Pick<ReadPackage, 'changed' | 'checked'>) {
    try {
      opened.value = { kind: 'logbook', file, logbook: readLogbook(text), ...(from ? { from } : {}) }
    } catch (error) {
      refuse(file, (error as Error).message, error instanceof UnreadableFile ? error.problems : [])
    }
  }

  /** Reads the table again with the columns as named now. */
  async function readColumns(meanings: ColumnMeaning[]) {
    const current = opened.value
    if (current?.kind !== 'trace') return
    const outcome = await stoppable(async () => filesWork().readTrace(meanings, onProgress))
    if (outcome === STOPPED) return
    const places = outcome.ok ? '' : outcome.problems.slice(0, 3).map(problemInWords).join(' ')
    opened.value = {
      ...current,
      opened: { ...current.opened, meanings },
      result: outcome.ok ? outcome.value : null,
      failure: outcome.ok ? '' : `${outcome.message} ${places}`.trim(),
    }
  }

  /** An opened file is taken once, however often the button is pressed; what is refused stays open. */
  async function once<T>(file: Opened, work: () => Promise<T>): Promise<T> {
    opened.value = null
    try {
      return await work()
    } catch (error) {
      opened.value ??= file
      throw error
    }
  }

  /** Whether there was a file to take. */
  async function takeLogbook(mode: 'merge' | 'replace'): Promise<boolean> {
    const current = opened.value
    if (current?.kind !== 'logbook') return false
    await once(current, () => logbook.takeLogbook(current.logbook, mode))
    await openNext()
    return true
  }

  /** Puts the opened trace into the logbook as a run of what it belongs to. */
  async function takeTrace(given: Given): Promise<string | undefined> {
    const current = opened.value
    if (current?.kind !== 'trace' || !current.result) return undefined
    const { startedAt } = current.result
    const { joined, ...plain } = given
    const own = given.fromS !== 0 ? cutBefore(current.result.trace, given.fromS) : current.result.trace
    const trace = joined?.trace ?? own
    const began = joined ? joined.startedAt : movedBy(startedAt, given.fromS)
    const run = importedRun(plain, trace, began, joined?.files ?? current.file, logbook)
    await once(current, () => logbook.putRun(run, trace))
    otherEnd.value = null
    await remember(plain, current)
    return run.id
  }

  const partsOf = (runs: readonly WideRun[]) => runs.map((run) => run.parts.map((part) => ({ ...part })))

  /** What those runs would be; null once the file is no longer open. */
  async function previewWide(runs: readonly WideRun[]): Promise<Outcome<WidePreview[]> | null> {
    const current = opened.value
    if (current?.kind !== 'trace') return null
    return filesWork().previewWide(current.opened.meanings, partsOf(runs))
  }

  /** The runs of a table with columns of several chargers: all of them, or none. */
  async function takeWide(given: Given, runs: readonly WideRun[]): Promise<string[]> {
    const current = opened.value
    if (current?.kind !== 'trace') return []
    const { meanings } = current.opened
    const read = await filesWork().readWide(meanings, partsOf(runs))
    if (!read.ok) throw new Error([read.message, ...read.problems.slice(0, 3).map(problemInWords)].join(' '))
    const ids: string[] = []
    await once(current, async () => {
      for (const [i, { trace, startedAt }] of read.value.entries()) {
        const run = importedRun(
          { ...given, sourceId: runs[i].sourceId },
          trace,
          startedAt,
          current.file,
          logbook,
        )
        await logbook.putRun(run, trace)
        ids.push(run.id)
      }
    }).catch(async (refusal: unknown) => {
      // All or none: what was kept before the refusal would be there twice once the file is taken again.
      for (const id of ids) await logbook.remove('runs', id).catch(() => undefined)
      throw refusal
    })
    await remember(given, current)
    return ids
  }

  async function remember(given: Given, { opened: { headers, meanings, own } }: { opened: OpenedTable }) {
    lastGiven.value = given
    if (!own) await keepShape(shapeOf(headers), meanings)
    void filesWork().close()
    await openNext()
  }

  return {
    opened,
    refusal,
    busy,
    waiting,
    otherEnd,
    joinNext,
    lastGiven,
    progress,
    open,
    openAll,
    openNext,
    cancel,
    readColumns,
    takeLogbook,
    takeTrace,
    previewWide,
    takeWide,
  }
})
