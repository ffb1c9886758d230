import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { journalDrawer } from './database'
import {
  appendLine,
  dropJournal,
  readJournal,
  readJournalFrom,
  sweepJournals,
  type JournalLine,
} from './journal'
import { emptyBrowser } from './storage.fixture'

const read = (t: number): JournalLine => ({ kind: 'readings', readings: [{ t, percent: 5 }] })
const times = (lines: JournalLine[]) =>
  lines.flatMap((l) => (l.kind === 'readings' ? l.readings.map((r) => r.t) : []))

beforeEach(emptyBrowser)

describe('the journal', () => {
  it('comes back in its order, however long, and leaves other lanes alone', async () => {
    await appendLine('y', 0, read(90))
    for (let i = 0; i < 600; i++) await appendLine('x', i, read(i))
    const { lines, next } = await readJournal('x')
    expect(times(lines)).toEqual(Array.from({ length: 600 }, (_, i) => i))
    expect(next).toBe(600)
    // Folded, or a long evening could not be read back in time.
    expect((await journalDrawer.keys()).length).toBeLessThan(120)
    expect(times((await readJournalFrom('x', 250)).lines)).toEqual(
      Array.from({ length: 350 }, (_, i) => 250 + i),
    )
    await dropJournal('x')
    expect(await readJournal('x')).toEqual({ lines: [], numbers: [], next: 0, unread: 0 })
    expect((await readJournal('y')).lines).toHaveLength(1)
  })

  it('reads no line twice when folding was cut off between the block and its lines', async () => {
    for (let i = 0; i < 256; i++) await appendLine('x', i, read(i))
    await journalDrawer.setItem('x/00000255', read(255))
    await journalDrawer.setItem('x/00000007', read(7))
    expect(times((await readJournal('x')).lines)).toHaveLength(256)
  })

  it('is swept when its run is kept or its start was cut off, and named when nobody claims its readings', async () => {
    for (const [runId, lines] of [
      ['lane', 3],
      ['kept', 3],
      ['cut-off', 1],
      ['lost', 2],
    ] as const)
      // prettier-ignore
      for (let i = 0; i < lines; i++) await appendLine(runId, i, read(i))
    // One reading typed at minute five on a lane whose start nobody read: a reading all the same.
    await appendLine('single', 0, read(300))
    const unclaimed = await sweepJournals(
      (id) => id === 'lane',
      (id) => id === 'kept',
    )
    expect(unclaimed.map((j) => [j.runId, j.lines.length])).toEqual([
      ['lost', 2],
      ['single', 1],
    ])
    const left = new Set((await journalDrawer.keys()).map((key) => key.split('/')[0]))
    expect([...left].sort()).toEqual(['lane', 'lost', 'single'])
  })

  it('refuses a line that it could not read again, and reads past one that is there', async () => {
    await expect(appendLine('x', 0, read(Infinity))).rejects.toThrow(/could not be read again/)
    await appendLine('x', 0, read(0))
    await journalDrawer.setItem('x/00000001', { kind: 'readings', readings: [{ t: 'later' }] })
    await appendLine('x', 2, read(2))
    expect(await readJournal('x')).toMatchObject({ next: 3, unread: 1 })
    expect(times((await readJournal('x')).lines)).toEqual([0, 2])
  })
})
