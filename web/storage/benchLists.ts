import { readPreparing, type Preparing } from '@core/bench/preparing'
import { readStrip } from '@core/bench/session'
import type { RiggedLane } from '@core/bench/strip'
import { metaDrawer, writing } from './database'
import { holdingLock } from './writer'

/** A short list that the bench keeps in this browser. Everything is checked whenever it is read. */
export interface KeptList<T> {
  load: () => Promise<T[]>
  /**
   * Changes the list as it stands, whichever tab wrote it last, and gives it back as it is then.
   * @throws what `how` throws, and what the browser says when it refuses: then nothing was changed
   */
  change: (how: (now: T[]) => T[]) => Promise<T[]>
  /** Another tab changed it. */
  onChanged: (listener: () => void) => void
}

/** None of the writes of the logbook, which may take long. */
const LOCK = 'inkpath-log-bench-lists'
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(LOCK)
;(channel as { unref?: () => void } | undefined)?.unref?.()

function keptList<T>(key: string, read: (stored: unknown) => T[]): KeptList<T> {
  const load = async () => read(await metaDrawer.getItem(key))
  return {
    load,
    change: (how) =>
      holdingLock(async () => {
        const kept = JSON.parse(JSON.stringify(how(await load()))) as T[]
        await writing(() => metaDrawer.setItem(key, kept))
        channel?.postMessage(key)
        return kept
      }, LOCK),
    onChanged: (listener) =>
      channel?.addEventListener('message', ({ data }) => {
        if (data === key) listener()
      }),
  }
}

/** Lanes rigged but not yet powered on. */
export const keptStrip = keptList<RiggedLane>('strip', readStrip)
/** Devices that drain and rest. */
export const keptPreparing = keptList<Preparing>('preparing', readPreparing)
/** What must be put back after runs that are over. */
export const keptPutBack = keptList('put-back', (stored) =>
  Array.isArray(stored) ? stored.filter((t): t is string => typeof t === 'string') : [],
)
