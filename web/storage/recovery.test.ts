import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { emptySession } from '@core/bench/session'
import type { LaneSetup } from '@core/bench/setup'
import { appendLine, readJournal, type JournalLine } from './journal'
import { saveSession } from './benchSession'
import { bringBenchBack } from './recovery'
import { readBenchCopy } from './secondCopy'
import { emptyBrowser } from './storage.fixture'

vi.mock('./secondCopy', () => ({ readBenchCopy: vi.fn(), readCopy: vi.fn() }))

const read = (t: number): JournalLine => ({ kind: 'readings', readings: [{ t, percent: 5 }] })
const lane = { runId: 'x' } as LaneSetup

beforeEach(emptyBrowser)

it('brings lines back under their own numbers, into gaps of either side, and writes over none that is here', async () => {
  await saveSession({ ...emptySession(), lanes: [lane] })
  for (const n of [0, 1, 3]) await appendLine('x', n, read(n * 10))
  // The copy missed line 1 and has three that the store lost.
  const numbers = [0, 2, 3, 4, 5]
  vi.mocked(readBenchCopy).mockResolvedValue({
    session: { ...emptySession(), lanes: [lane] },
    journals: new Map([
      ['x', { numbers, lines: numbers.map((n) => read(n * 10 + (n === 3 ? 999 : 0))), next: 6, unread: 0 }],
    ]),
  })
  await bringBenchBack(() => false)
  const { lines, numbers: now } = await readJournal('x')
  expect(now).toEqual([0, 1, 2, 3, 4, 5])
  expect(lines).toEqual([0, 10, 20, 30, 40, 50].map(read))
})
