import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { ColumnMeaning } from '@core/formats/columns'
import { readLogbook } from '@core/formats/logbookJson'
import { problemInWords, UnreadableFile, type Problem } from '@core/formats/problem'
import type { TraceReadResult } from '@core/formats/traceCsv'
import { nextInk, type Logbook } from '@core/logbook/logbook'
import { blankRun } from '@core/logbook/run'
import type { ReadingRule } from '@core/protocol/rules'
import { deviceConditions, noConditions } from '@core/protocol/runConditions'
import { usualStep } from '@core/trace/samples'
import { filesWork, stopFilesWork, toldByWorker } from '../workers/files'
import type { OpenedTable } from '../workers/files.worker'
import { useLogbook } from './logbook'

export interface Refusal {
  file: string
  message: string
  places: string[]
  /** How many faults there are, and all that are kept of them, as a file's text. */
  count: number
  all: string
}
type Opened =
  | { kind: 'logbook'; file: string; logbook: Logbook }
  | { kind: 'trace'; file: string; opened: OpenedTable; result: TraceReadResult | null; failure: string }

const MAX_BYTES = 400 * 1024 * 1024
const MOST_PLACES = 12
const STOPPED = Symbol('stopped')

/** No hand reads more often than once a second: that is a meter’s log. */
const readAt = (seconds: number): ReadingRule => ({ kind: seconds < 1 ? 'meter' : 'every', seconds })

/** Files on their way in: opened and looked at first, taken only when the reviewer says so. */
export const useFiles = defineStore('files', () => {
  const logbook = useLogbook()
  // Shallow: a trace's columns must reach storage as they are, not wrapped.
  const opened = shallowRef<Opened | null>(null)
  const refusal = ref<Refusal | null>(null)
  const busy = ref(false)

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

  /** Told by the worker, 0–1; null while nothing is read. */
  const progress = ref<number | null>(null)
  const onProgress = toldByWorker((share) => {
    if (busy.value) progress.value = share
  })
  let stop: (() => void) | undefined

  /** Work that can be stopped: the worker then goes, and what was asked of it stays unanswered. */
  async function stoppable<T>(work: () => Promise<T>): Promise<T | typeof STOPPED> {
    busy.value = true
    try {
      return await Promise.race([
        work(),
        new Promise<typeof STOPPED>((resolve) => (stop = () => resolve(STOPPED))),
      ])
    } finally {
      busy.value = false
      progress.value = null
      stop = undefined
    }
  }
  /** Stops reading; nothing of the file is kept. */
  function cancel() {
    stopFilesWork()
    opened.value = null
    stop?.()
  }

  async function open(file: File) {
    if (busy.value) cancel()
    opened.value = null
    refusal.value = null
    if (file.size > MAX_BYTES) return refuse(file.name, 'The file is larger than any logbook of ours.')
    try {
      const read = await stoppable(async () => filesWork().open(file, /\.json$/i.test(file.name), onProgress))
      if (read === STOPPED) return
      if ('logbook' in read) openLogbook(file.name, read.logbook)
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

  function openLogbook(file: string, text: string) {
    try {
      opened.value = { kind: 'logbook', file, logbook: readLogbook(text) }
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
    return true
  }

  /** Puts the opened trace into the logbook as a run of the pair it belongs to. */
  async function takeTrace(pair: {
    deviceId: string
    sourceId: string
    cableId: string | null
  }): Promise<string | undefined> {
    const current = opened.value
    if (current?.kind !== 'trace' || !current.result) return undefined
    const { trace, startedAt } = current.result
    const id = crypto.randomUUID()
    const first = trace.percent?.find((p) => !Number.isNaN(p))
    const device = logbook.device(pair.deviceId)
    const run = blankRun({
      id,
      ...pair,
      ink: nextInk(logbook.runs.filter((r) => r.deviceId === pair.deviceId).map((r) => r.ink)),
      startedAt: startedAt ?? new Date().toISOString(),
      startPercent: first ?? null,
      reading: readAt(usualStep(trace)),
      provenance: 'import',
      notes: `Read from ${current.file}.`,
      conditions: { ...noConditions(), ...(device && deviceConditions(device)) },
    })
    await once(current, () => logbook.putRun(run, trace))
    void filesWork().close()
    return id
  }

  return { opened, refusal, busy, progress, open, cancel, readColumns, takeLogbook, takeTrace }
})
