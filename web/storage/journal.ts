import type { Offsets } from '@core/trace/clocks'
import type { Reading, TraceEvent } from '@core/trace/trace'
import { journalStore, metaStore, writing } from './stores'

/** One line of a lane's journal. Lines are only ever added; taking a reading back is a line of its own. */
export type JournalLine =
  | { kind: 'readings'; readings: Reading[] }
  | { kind: 'take-back' }
  | { kind: 'event'; event: TraceEvent }
  /** Where the streams' clocks stand against the lane's, s. */
  | { kind: 'offsets'; offsets: Offsets }

const lineKey = (runId: string, line: number) => `${runId}/${String(line).padStart(8, '0')}`

export const appendLine = (runId: string, line: number, content: JournalLine): Promise<unknown> =>
  writing(() => journalStore.setItem(lineKey(runId, line), content))

/** The lines of one lane in order. */
export async function readJournal(runId: string): Promise<JournalLine[]> {
  const keys = (await journalStore.keys()).filter((k) => k.startsWith(`${runId}/`)).sort()
  const lines = await Promise.all(keys.map((k) => journalStore.getItem<JournalLine>(k)))
  return lines.filter((line) => line !== null)
}

export async function dropJournal(runId: string): Promise<void> {
  const keys = (await journalStore.keys()).filter((k) => k.startsWith(`${runId}/`))
  await Promise.all(keys.map((k) => journalStore.removeItem(k)))
}

/** Lines from one on, without looking through the others: what a tab that watches needs. */
export async function readJournalFrom(runId: string, from: number): Promise<JournalLine[]> {
  const lines: JournalLine[] = []
  for (;;) {
    const line = await journalStore.getItem<JournalLine>(lineKey(runId, from + lines.length))
    if (line === null) return lines
    lines.push(line)
  }
}

export const loadSession = <T>(): Promise<T | null> => metaStore.getItem<T>('bench')
export const saveSession = (session: object): Promise<unknown> =>
  writing(() => metaStore.setItem('bench', session))
export const dropSession = (): Promise<void> => metaStore.removeItem('bench')

/** Last moment at which the bench was known to be alive: tells a clock set back from time that passed. */
export const saveBeat = (wallMs: number): Promise<unknown> =>
  metaStore.setItem('bench-beat', wallMs).catch(() => undefined)
export const loadBeat = (): Promise<number | null> => metaStore.getItem<number>('bench-beat')

/** Lanes rigged but not yet powered on. */
export const saveStrip = (strip: object[]): Promise<unknown> =>
  writing(() => metaStore.setItem('strip', strip))
export const loadStrip = async <T>(): Promise<T[]> => (await metaStore.getItem<T[]>('strip')) ?? []

/** What must be put back after runs that are over. */
export const savePutBack = (texts: string[]): Promise<unknown> =>
  writing(() => metaStore.setItem('put-back', [...texts]))
export const loadPutBack = async (): Promise<string[]> =>
  (await metaStore.getItem<string[]>('put-back')) ?? []
