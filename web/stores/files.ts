import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { problemInWords } from '@core/formats/problem'
import { shapeOf } from '@core/formats/shape'
import type { WideRun } from '@core/formats/wide'
import type { Run } from '@core/logbook/run'
import { cut } from '@core/trace/cut'
import { movedBy } from '@core/words/moments'
import { useOpenCells } from './openCells'
import { keepShape } from '../storage/shapes'
import { filesWork } from '../workers/files'
import type { Outcome, WidePreview } from '../workers/files.worker'
import { importedRun, type Given, type OneEnd } from './importedRun'
import { useLogbook } from './logbook'
import { openingFiles, withoutCharge, type Opened, type OpenedTrace } from './openingFiles'

/** Files on their way in: opened and looked at first, taken only when the reviewer says so. */
export const useFiles = defineStore('files', () => {
  const logbook = useLogbook()
  const cellsFor = useOpenCells()
  const { opened, openNext, leaveRest, ...opening } = openingFiles()
  /** The end of a run that was opened before, to be joined by the file that is open now or comes next. */
  const otherEnd = shallowRef<OneEnd | null>(null)
  /** What was said of the file before: it holds for the next one too. */
  const lastGiven = shallowRef<Given | null>(null)

  /** Keeps the opened file as one end of a run, or its first part, or what it makes with those before it; the next completes it. */
  async function joinNext(end: OneEnd, charge?: number) {
    if (opened.value?.kind !== 'trace') return
    if (charge !== undefined) leaveRest(charge)
    otherEnd.value = end
    await openNext()
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
    const { trace: whole, startedAt } = current.result
    const { joined, charge, ...plain } = given
    const isPart = given.fromS !== 0 || charge !== undefined
    const trace = joined?.trace ?? (isPart ? cut(whole, given.fromS, charge?.untilS) : whole)
    const began = joined ? joined.startedAt : movedBy(startedAt, given.fromS)
    const file = charge ? `${current.file}, charge ${charge.at + 1}` : current.file
    const run = importedRun(plain, trace, began, joined?.files ?? file, logbook, cellsFor)
    await once(current, () => logbook.putRun(run, trace))
    otherEnd.value = null
    const rest = charge ? withoutCharge(current, charge.at, run, joined ? NaN : given.fromS) : null
    await remember(plain, current, rest)
    return run.id
  }

  const partsOf = (runs: readonly WideRun[]) => runs.map((run) => run.parts.map((part) => ({ ...part })))

  /** What those runs would be; null once the file is no longer open. */
  async function previewWide(runs: readonly WideRun[]): Promise<Outcome<WidePreview[]> | null> {
    const current = opened.value
    if (current?.kind !== 'trace') return null
    return filesWork().previewWide(current.opened.meanings, partsOf(runs))
  }

  /** The runs of a table with columns of several chargers or devices: all of them, or none. */
  async function takeWide(given: Given, runs: readonly WideRun[]): Promise<string[]> {
    const current = opened.value
    if (current?.kind !== 'trace') return []
    const { meanings } = current.opened
    const read = await filesWork().readWide(meanings, partsOf(runs))
    if (!read.ok) throw new Error([read.message, ...read.problems.slice(0, 3).map(problemInWords)].join(' '))
    // All or none: one kept alone would be there twice once the file is taken again.
    const made: Run[] = []
    await once(current, () =>
      logbook.change(() =>
        read.value.map(({ trace, startedAt }, i) => {
          const { gearId } = runs[i]
          const own = logbook.device(gearId) ? { deviceId: gearId } : { sourceId: gearId }
          const known = [...logbook.runs, ...made]
          const run = importedRun(
            { ...given, ...own },
            trace,
            startedAt,
            current.file,
            logbook,
            cellsFor,
            known,
          )
          made.push(run)
          return { put: 'runs' as const, record: run, trace }
        }),
      ),
    )
    await remember(given, current)
    return made.map(({ id }) => id)
  }

  /** What of the file is left to be taken stays open; else the next one comes. */
  async function remember(
    given: Given,
    { opened: { headers, meanings, own, words } }: OpenedTrace,
    rest?: Opened | null,
  ) {
    // What a page says above its readings is of that page alone.
    lastGiven.value = words.startsWith(given.notes) ? { ...given, notes: '' } : given
    if (!own) await keepShape(shapeOf(headers), meanings)
    if (rest) {
      opened.value = rest
      return
    }
    void filesWork().close()
    await openNext()
  }

  return {
    ...opening,
    opened,
    openNext,
    otherEnd,
    joinNext,
    lastGiven,
    takeLogbook,
    takeTrace,
    previewWide,
    takeWide,
  }
})
