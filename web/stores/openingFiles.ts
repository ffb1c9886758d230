import { ref, shallowRef } from 'vue'
import type { ColumnMeaning } from '@core/formats/columns'
import type { ReadPackage } from '@core/formats/dataPackage'
import { readLogbook } from '@core/formats/logbookJson'
import { problemInWords, UnreadableFile, type Problem } from '@core/formats/problem'
import type { Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import { movedBy } from '@core/words/moments'
import { loadShapes } from '../storage/shapes'
import { filesWork, stopFilesWork } from '../workers/files'
import type { OpenedTable, ReadRecord } from '../workers/files.worker'
import { STOPPED, stoppableWork } from './stoppableWork'

export interface Refusal {
  file: string
  message: string
  places: string[]
  /** How many faults there are, and all that are kept of them, as a file's text. */
  count: number
  all: string
}
export interface OpenedTrace {
  kind: 'trace'
  file: string
  opened: OpenedTable
  result: ReadRecord | null
  failure: string
  /** The runs that were made of charges it holds, and which of them, from 0; null of one that waits to be joined. */
  taken?: readonly { charge: number; runId: string | null }[]
}
export type Opened =
  | {
      kind: 'logbook'
      file: string
      logbook: Logbook
      /** Of a data package: which of its files are not as they were written. */
      from?: Pick<ReadPackage, 'changed' | 'checked'>
    }
  | OpenedTrace

/**
 * A file of several charges once a run was made of one of them; null where that was the last.
 *
 * @param fromS where that run begins in it, s of its clock; NaN where another file's clock decided
 */
export function withoutCharge(
  before: OpenedTrace,
  charge: number,
  { id: runId, startedAt, dated }: { id: string | null } & Pick<Run, 'startedAt' | 'dated'>,
  fromS: number,
): OpenedTrace | null {
  const taken = [...(before.taken ?? []), { charge, runId }]
  const { result } = before
  if (!result || taken.length === result.preview.charges.length) return null
  // Once somebody said when one of them was made, it is known of the whole record.
  const said = dated && !Number.isNaN(fromS) ? movedBy(startedAt, -fromS) : null
  return { ...before, taken, result: { ...result, startedAt: result.startedAt ?? said } }
}

/** What has been made of an opened file of several charges. */
function madeOf(file: Opened | null): Waiting['made'] {
  if (file?.kind !== 'trace' || !file.taken) return undefined
  return { taken: file.taken, startedAt: file.result?.startedAt ?? null }
}
/** A file that was opened again, with it. */
function withMade(file: Opened | null, { taken, startedAt }: NonNullable<Waiting['made']>): Opened | null {
  if (file?.kind !== 'trace' || !file.result) return file
  return { ...file, taken, result: { ...file.result, startedAt: file.result.startedAt ?? startedAt } }
}

/** A file that was chosen and is not open yet, or a table of one that holds several. */
interface Waiting {
  file: File
  part: number
  /** It was open before: what else it holds waits already. */
  isAgain?: boolean
  /** What was made of it already, and when its record began. */
  made?: { taken: OpenedTrace['taken']; startedAt: string | null }
}

const MAX_BYTES = 400 * 1024 * 1024
const MOST_PLACES = 12

function refusalOf(file: string, message: string, problems: readonly Problem[]): Refusal {
  const all = problems.map(problemInWords)
  return { file, message, places: all.slice(0, MOST_PLACES), count: all.length, all: all.join('\n') }
}

/** Files on their way in, one looked at after the other: what is open, what waits, and what could not be opened. */
export function openingFiles() {
  // Shallow: a trace's columns must reach storage as they are, not wrapped.
  const opened = shallowRef<Opened | null>(null)
  /** Of the files that were chosen together. */
  const refusals = ref<Refusal[]>([])
  const waiting = shallowRef<Waiting[]>([])
  let current: Waiting | undefined

  const refuse = (file: string, message: string, problems: readonly Problem[] = []) =>
    refusals.value.push(refusalOf(file, message, problems))

  const { busy, progress, onProgress, stoppable, stop } = stoppableWork()
  /** Stops reading; nothing of the file is kept. */
  function cancel() {
    stopFilesWork()
    opened.value = null
    stop()
  }

  /** Several at once: one is looked at after the other, and nothing is taken unseen. */
  async function openAll(files: readonly File[]) {
    if (files.length === 0) return
    refusals.value = []
    // One that is being read, or could be read and was neither taken nor left, waits again.
    const isWanted = busy.value || opened.value?.kind === 'logbook' || opened.value?.result
    const isAgain = current?.isAgain === true || opened.value !== null
    const open =
      isWanted && current ? [{ ...current, isAgain, made: madeOf(opened.value) ?? current.made }] : []
    waiting.value = [...files.map((file) => ({ file, part: 0 })), ...open, ...waiting.value]
    await openNext()
  }
  /** The next of those that wait, once one was taken or left. One that cannot be opened keeps none of the others from it. */
  async function openNext() {
    opened.value = null
    for (;;) {
      const [next, ...rest] = waiting.value
      if (!next) return
      waiting.value = rest
      const before = refusals.value.length
      await openOne(next)
      if (refusals.value.length === before) return
    }
  }

  /** What else the open file holds waits behind the others while one of its charges waits to be joined. */
  function leaveRest(charge: number) {
    if (opened.value?.kind !== 'trace' || !current) return
    const rest = withoutCharge(opened.value, charge, { id: null, startedAt: '', dated: false }, NaN)
    if (rest) waiting.value = [...waiting.value, { ...current, isAgain: true, made: madeOf(rest) }]
  }

  /** Opens a file by itself. */
  const open = (file: File) => openAll([file])

  async function openOne(one: Waiting) {
    if (busy.value) cancel()
    opened.value = null
    current = one
    const { file, part } = one
    if (file.size > MAX_BYTES) return refuse(file.name, 'The file is larger than any logbook of ours.')
    try {
      const shapes = await loadShapes()
      const read = await stoppable(async () =>
        filesWork().open(file, /\.json$/i.test(file.name), shapes, part, onProgress),
      )
      if (read === STOPPED) return
      if ('logbook' in read) openLogbook(file.name, read.logbook)
      else if ('package' in read) openLogbook(file.name, read.package.logbook, read.package)
      else if (!read.table.ok) refuse(file.name, read.table.message, read.table.problems)
      else {
        if (part === 0 && !one.isAgain)
          waiting.value = [...read.parts.slice(1).map((_, i) => ({ file, part: i + 1 })), ...waiting.value]
        const table = read.table.value
        const name = [file.name, table.called].filter(Boolean).join(', ')
        opened.value = { kind: 'trace', file: name, opened: table, result: null, failure: '' }
        await readColumns(table.meanings)
        if (one.made) opened.value = withMade(opened.value, one.made)
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

  return {
    opened,
    refusals,
    waiting,
    busy,
    progress,
    open,
    openAll,
    openNext,
    leaveRest,
    cancel,
    readColumns,
  }
}
