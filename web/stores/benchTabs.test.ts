import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { NO_HEAT, type LaneChoice } from '@core/bench/setup'
import { readJournal } from '../storage/journal'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'

/** Locks as the browser keeps them for its tabs: one holder, the others in a queue. */
class Locks {
  private readonly queues = new Map<string, (() => void)[]>()
  private readonly held = new Set<string>()
  async request(name: string, ...rest: unknown[]): Promise<unknown> {
    const work = rest.at(-1) as (lock: object | null) => unknown
    const ifAvailable = (rest[0] as { ifAvailable?: boolean }).ifAvailable === true
    if (this.held.has(name)) {
      if (ifAvailable) return work(null)
      await new Promise<void>((go) => this.queues.set(name, [...(this.queues.get(name) ?? []), go]))
    }
    this.held.add(name)
    try {
      return await work({})
    } finally {
      this.free(name)
    }
  }
  /** Lets the next in the queue have it: also what happens when the holder's tab is gone. */
  free(name: string) {
    this.held.delete(name)
    const [next, ...others] = this.queues.get(name) ?? []
    this.queues.set(name, others)
    next?.()
  }
}

const machine = { page: 1000 }
let locks: Locks

/** A tab of its own: modules, stores and metronome are not shared with any other. */
async function openTab() {
  vi.resetModules()
  let tick: () => void = () => undefined
  class Metronome {
    set onmessage(strike: () => void) {
      tick = strike
    }
    terminate() {
      tick = () => undefined
    }
    postMessage() {}
    addEventListener() {}
  }
  vi.stubGlobal('Worker', Metronome)
  const { createPinia, setActivePinia } = await import('pinia')
  setActivePinia(createPinia())
  const { useLogbook } = await import('./logbook')
  const { useBench } = await import('./bench')
  await useLogbook().load()
  const bench = useBench()
  await bench.resume()
  return { bench, tick: () => tick() }
}

beforeEach(async () => {
  vi.restoreAllMocks()
  locks = new Locks()
  vi.stubGlobal('navigator', { locks })
  await emptyBrowser()
  await openLogbook()
  await importLogbook(demoLike(), 'replace')
  const wall = Date.parse('2026-03-02T19:00:00Z')
  vi.spyOn(Date, 'now').mockImplementation(() => wall + machine.page)
  vi.spyOn(performance, 'now').mockImplementation(() => machine.page)
  // The server is slow to tell its clock: what happens meanwhile must do no harm.
  vi.stubGlobal('fetch', async () => {
    await new Promise((resolve) => setTimeout(resolve, 60))
    return { ok: true, json: () => Promise.resolve({ uptimeS: 5000 + machine.page / 1000, bootId: 'b' }) }
  })
})

const choice = (feed: LaneChoice['feed']): LaneChoice => ({
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  start: { percent: 5, read: true },
  reading: { kind: 'meter', seconds: 1 },
  stop: { kind: 'shown-full' },
  feed,
  planned: null,
  checklist: [],
  heat: NO_HEAT,
})

it('a start that storage refuses lets the bench go: another tab may start', async () => {
  const first = await openTab()
  const { journalDrawer } = await import('../storage/database')
  const refuse = vi
    .spyOn(journalDrawer, 'setItem')
    .mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
  await expect(first.bench.start(choice({ kind: 'hand' }))).rejects.toThrow('storage is full')
  refuse.mockRestore()
  const second = await openTab()
  await expect(second.bench.start(choice({ kind: 'hand' }))).resolves.toBeDefined()
})

it('a tab that watched takes a simulated lane over without reading one second of it again', async () => {
  const first = await openTab()
  const lane = await first.bench.start(choice({ kind: 'simulated', seed: 1, speed: 60 }))
  const pass = (tab: { tick(): void }) => {
    machine.page += 250
    tab.tick()
  }
  for (let i = 0; i < 8; i++) pass(first)
  await vi.waitFor(() => expect(lane.pending).toHaveLength(0))
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
  await vi.waitFor(async () => expect((await times()).at(-1)).toBeGreaterThan(300))
  const read = await times()
  expect(new Set(read).size).toBe(read.length)
})
