import { isLine, type JournalLine } from '@core/bench/line'
import { journalDrawer, writing } from './database'

export type { JournalLine }

/**
 * A lane's journal: one record a line, so that a line is safe as soon as it is written. Every so many lines are folded
 * into one record, or reading back the journal of a long evening would take longer than anybody waits.
 */
const FOLD = 256
const BLOCK = 'block'

const lineKey = (runId: string, line: number): string => `${runId}/${String(line).padStart(8, '0')}`
const blockKey = (runId: string, block: number): string =>
  `${runId}/${BLOCK}-${String(block).padStart(6, '0')}`
const runOf = (key: string): string => key.slice(0, key.lastIndexOf('/'))

/** Adds a line. @throws StorageFailure; Error where the line could not be read again. */
export async function appendLine(runId: string, line: number, content: JournalLine): Promise<void> {
  if (!isLine(content))
    throw new Error('This line of the journal could not be read again; it is not written.')
  await writing(() => journalDrawer.setItem(lineKey(runId, line), content))
  if ((line + 1) % FOLD === 0) await fold(runId, (line + 1) / FOLD - 1).catch(() => undefined)
}

/** The block first, then its lines go: cut off in between, the lines are there twice and are read once. */
async function fold(runId: string, block: number): Promise<void> {
  const numbers = Array.from({ length: FOLD }, (_, i) => block * FOLD + i)
  const lines = await Promise.all(numbers.map((n) => journalDrawer.getItem<JournalLine>(lineKey(runId, n))))
  if (lines.some((line) => line === null)) return
  await journalDrawer.setItem(blockKey(runId, block), lines)
  await Promise.all(numbers.map((n) => journalDrawer.removeItem(lineKey(runId, n))))
}

/** A journal as read: its lines by number, and how many could not be read. */
export interface ReadJournal {
  lines: JournalLine[]
  /** The number of each of these lines. */
  numbers: number[]
  /** The number the next line gets. */
  next: number
  unread: number
}

/** The journals of all lanes, by run. A line that does not hold is counted and left where it is. */
export async function readJournals(): Promise<Map<string, ReadJournal>> {
  const found = new Map<string, Map<number, unknown>>()
  await journalDrawer.iterate<unknown, void>((value, key) => {
    const runId = runOf(key)
    const name = key.slice(runId.length + 1)
    const lines = found.get(runId) ?? new Map<number, unknown>()
    found.set(runId, lines)
    if (!name.startsWith(BLOCK)) return void lines.set(Number(name), value)
    const first = Number(name.slice(BLOCK.length + 1)) * FOLD
    if (Array.isArray(value)) value.forEach((line: unknown, i) => lines.set(first + i, line))
  })
  return new Map([...found].map(([runId, lines]) => [runId, journalFrom(lines)]))
}

/** Puts numbered lines in order. Numbers may be missing; none is used twice. */
export function journalFrom(numbered: ReadonlyMap<number, unknown>): ReadJournal {
  const numbers = [...numbered.keys()].filter((n) => Number.isInteger(n) && n >= 0).sort((a, b) => a - b)
  const held = numbers.filter((n) => isLine(numbered.get(n)))
  const lines = held.map((n) => numbered.get(n) as JournalLine)
  return { lines, numbers: held, next: (numbers.at(-1) ?? -1) + 1, unread: numbers.length - lines.length }
}

/**
 * Removes journals that no lane goes on with: of runs that are in the logbook, and of starts that were cut off before
 * anything but the start level was in them. Journals with readings that nobody claims stay, and are named.
 */
export async function sweepJournals(claimed: (runId: string) => boolean, isRun: (runId: string) => boolean) {
  const unclaimed: { runId: string; lines: JournalLine[] }[] = []
  for (const [runId, { lines, unread }] of await readJournals()) {
    if (claimed(runId)) continue
    if (isRun(runId) || (unread === 0 && lines.every(isStart))) await dropJournal(runId)
    else unclaimed.push({ runId, lines })
  }
  return unclaimed
}

/** Removes the journals of runs that are in the logbook. Whoever holds the bench would do the same. */
export async function dropFinishedJournals(isRun: (runId: string) => boolean): Promise<void> {
  const runs = new Set((await journalDrawer.keys()).map(runOf))
  for (const runId of runs) if (isRun(runId)) await dropJournal(runId)
}

const isStart = (line: JournalLine): boolean =>
  line.kind === 'readings' && line.readings.every((r) => r.t === 0)

export const readJournal = async (runId: string): Promise<ReadJournal> =>
  (await readJournals()).get(runId) ?? { lines: [], numbers: [], next: 0, unread: 0 }

/** Lines from one on, without looking through the others, and the number after them: what a tab that watches needs. */
export async function readJournalFrom(
  runId: string,
  from: number,
): Promise<Pick<ReadJournal, 'lines' | 'next'>> {
  const lines: JournalLine[] = []
  for (let n = from; ; n++) {
    const line = await lineAt(runId, n)
    if (line === undefined) return { lines, next: n }
    if (isLine(line)) lines.push(line)
  }
}

async function lineAt(runId: string, n: number): Promise<unknown> {
  const single = await journalDrawer.getItem(lineKey(runId, n))
  if (single !== null) return single
  const block = await journalDrawer.getItem<unknown[]>(blockKey(runId, Math.floor(n / FOLD)))
  return block?.[n % FOLD]
}

export async function dropJournal(runId: string): Promise<void> {
  const keys = (await journalDrawer.keys()).filter((key) => runOf(key) === runId)
  await Promise.all(keys.map((key) => journalDrawer.removeItem(key)))
}
