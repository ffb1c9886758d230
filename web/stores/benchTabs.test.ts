import 'fake-indexeddb/auto'
import { beforeEach, expect, it } from 'vitest'
import { readJournal } from '../storage/journal'
import { choice, locks, machine, openTab, prepareBrowser } from './tabs.fixture'

beforeEach(prepareBrowser)

it('a tab that watched takes a simulated lane over without reading one second of it again', async () => {
  const first = await openTab()
  const lane = await first.bench.start(choice({ kind: 'simulated', seed: 1, speed: 60 }))
  const pass = (tab: { tick(): void }) => {
    machine.page += 250
    tab.tick()
  }
  for (let i = 0; i < 8; i++) pass(first)
  await expect.poll(() => lane.pending).toHaveLength(0)
  const second = await openTab()
  expect(second.bench.watching).toBe(true)
  for (let i = 0; i < 8; i++) pass(second)
  // The first tab is killed, and the second ticks on while it takes over.
  locks.free('inkpath-log-bench')
  for (let i = 0; i < 40 || second.bench.watching; i++) {
    pass(second)
    await new Promise((resolve) => setTimeout(resolve, 5))
  }
  pass(second)
  const times = async () =>
    (await readJournal(lane.setup.runId)).lines.flatMap((l) =>
      l.kind === 'readings' ? l.readings.map((r) => r.t) : [],
    )
  await expect.poll(async () => (await times()).at(-1)).toBeGreaterThan(300)
  const read = await times()
  expect(new Set(read).size).toBe(read.length)
})
