import { tabLock } from './tabLock'

/** Only one tab may hold the bench: two would write the same lanes twice. */
const lock = tabLock('inkpath-log-bench')
export const takeBench = lock.take
export const waitForBench = (then: () => void): void => void lock.waitFor(then)
export const leaveBench = lock.leave
export const benchHeldAnywhere = lock.heldAnywhere

const CHANNEL = 'inkpath-log-bench'
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)
;(channel as { unref?: () => void } | undefined)?.unref?.()

/** Tells other tabs that lanes came or went, so that an idle one never takes the bench for empty. */
export const tellBenchChanged = (): void => channel?.postMessage('lanes')
export const onBenchChanged = (listener: () => void): void =>
  channel?.addEventListener('message', () => listener())
