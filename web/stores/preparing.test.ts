import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { expect, it, vi } from 'vitest'
import type { Preparing } from '@core/bench/preparing'
import { usePreparing } from './preparing'

let kept: Preparing[] = []
/** Another tab holds the lock for a while. */
let wait: Promise<void> = Promise.resolve()
vi.mock('../storage/benchLists', () => ({
  keptPreparing: {
    load: () => Promise.resolve(kept),
    change: async (next: (now: Preparing[]) => Preparing[]) => {
      await wait
      return (kept = next(kept))
    },
    onChanged: () => undefined,
  },
}))

/** The machine's clocks: the wall can be set. */
const machine = { wall: 1e12, page: 1000 }
/** Resolves once the server answers. */
let answers: Promise<void> = Promise.resolve()
vi.stubGlobal('fetch', async () => {
  await answers
  return { ok: true, json: () => Promise.resolve({ uptimeS: machine.page / 1000, bootId: 'b' }) }
})
vi.mock('./logbook', () => ({ useLogbook: () => ({ device: () => ({ drainHours: 6 }) }) }))

it('counts what was rested, and calls for it, by how long it was, though the clock is set meanwhile', async () => {
  vi.spyOn(Date, 'now').mockImplementation(() => machine.wall)
  vi.spyOn(performance, 'now').mockImplementation(() => machine.page)
  const pass = (minutes: number) => {
    machine.wall += minutes * 60_000
    machine.page += minutes * 60_000
  }
  setActivePinia(createPinia())
  const preparing = usePreparing()
  await preparing.begin({ deviceId: 'd', fromPercent: 5, toPercent: 1, drainFromMs: machine.wall, restFromMs: null, restMinutes: 21, seen: null }) // prettier-ignore
  await preparing.reached('d')
  await vi.waitFor(() => expect(preparing.list[0].seen).not.toBeNull())
  pass(4)
  machine.wall += 3_600_000
  let answer!: () => void
  answers = new Promise((resolve) => (answer = resolve))
  const following = preparing.tick()
  // The next second comes before the server's answer.
  pass(1 / 60)
  await preparing.tick()
  expect(preparing.rows[0].due).toBeUndefined()
  answer()
  await following
  expect(preparing.restedNow('d')).toBe('4')
  pass(17)
  await preparing.tick()
  expect(preparing.rows[0].due).toBe('rested')
  // Set back while the program was closed.
  machine.wall -= 7_200_000
  setActivePinia(createPinia())
  const again = usePreparing()
  await again.load()
  await again.follow()
  await again.tick()
  expect(again.restedNow('d')).toBe('21')
  vi.restoreAllMocks()
})

it('lets a rest begin as the key is pressed, however long the write has to wait', async () => {
  vi.useFakeTimers({ now: 1_000_000 })
  setActivePinia(createPinia())
  const preparing = usePreparing()
  await preparing.begin({ deviceId: 'd', fromPercent: 85, toPercent: 1, drainFromMs: 0, restFromMs: null, restMinutes: 21, seen: null }) // prettier-ignore
  let go!: () => void
  wait = new Promise((resolve) => (go = resolve))
  const reached = preparing.reached('d')
  vi.setSystemTime(1_000_000 + 90_000)
  go()
  await reached
  expect(kept[0].restFromMs).toBe(1_000_000)
  vi.useRealTimers()
})
