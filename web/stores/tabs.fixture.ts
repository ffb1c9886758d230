import { vi } from 'vitest'
import { noConditions } from '@core/protocol/runConditions'
import { NO_HEAT, type LaneChoice } from '@core/bench/setup'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'

// One test a file opens tabs: a tab of one test would wake in the next, and take its bench.

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

export const machine = { page: 1000 }
export const locks = new Locks()

/** A metronome that is struck by hand: `given` what strikes it, and what does nothing once it stands still. */
export function stubMetronome(given: (strike: () => void) => void): void {
  class Metronome {
    set onmessage(strike: () => void) {
      given(strike)
    }
    terminate() {
      given(() => undefined)
    }
    postMessage() {}
    addEventListener() {}
  }
  vi.stubGlobal('Worker', Metronome)
}

/** A tab of its own: modules, stores and metronome are not shared with any other. */
export async function openTab() {
  vi.resetModules()
  let tick: () => void = () => undefined
  stubMetronome((strike) => (tick = strike))
  const { createPinia, setActivePinia } = await import('pinia')
  setActivePinia(createPinia())
  const { useLogbook } = await import('./logbook')
  const { useBench } = await import('./bench')
  await useLogbook().load()
  const bench = useBench()
  await bench.resume()
  return { bench, tick: () => tick() }
}

/** A browser with a logbook in it, clocks that only {@link machine} moves, and a slow server. */
export async function prepareBrowser() {
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
}

export const choice = (feed: LaneChoice['feed'], over: Partial<LaneChoice> = {}): LaneChoice => ({
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
  conditions: noConditions(),
  ...over,
})
/** A lane that is read by hand every five minutes. */
export const byHand = (over: Partial<LaneChoice> = {}): LaneChoice =>
  choice({ kind: 'hand' }, { reading: { kind: 'every', seconds: 300 }, ...over })
