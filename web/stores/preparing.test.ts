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

it('lets a rest begin as the key is pressed, however long the write has to wait', async () => {
  vi.useFakeTimers({ now: 1_000_000 })
  setActivePinia(createPinia())
  const preparing = usePreparing()
  await preparing.begin({ deviceId: 'd', fromPercent: 85, toPercent: 1, drainFromMs: 0, restFromMs: null, restMinutes: 21 }) // prettier-ignore
  let go!: () => void
  wait = new Promise((resolve) => (go = resolve))
  const reached = preparing.reached('d')
  vi.setSystemTime(1_000_000 + 90_000)
  go()
  await reached
  expect(kept[0].restFromMs).toBe(1_000_000)
  vi.useRealTimers()
})
