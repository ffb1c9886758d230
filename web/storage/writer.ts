import { metaDrawer, writing } from './database'

/** Every write to the logbook holds this lock, whichever tab makes it. */
const LOCK = 'inkpath-log-logbook'
const CHANNEL = 'inkpath-log'

/** What other tabs are told of a write: up to which revision, and what changed; null for everything. */
export interface Told {
  revision: number
  changed: { collection: string; id: string }[] | null
}

const chains = new Map<string, Promise<unknown>>()

/**
 * Runs `work` while no other write runs, in this tab or another. Without Web Locks there is no other tab.
 * @param name what is written: the logbook, unless told
 */
export function holdingLock<T>(work: () => Promise<T>, name = LOCK): Promise<T> {
  if (globalThis.navigator?.locks) return navigator.locks.request(name, work) as Promise<T>
  const mine = (chains.get(name) ?? Promise.resolve()).catch(() => undefined).then(work)
  chains.set(name, mine)
  return mine
}

/** How many writes the logbook has seen. A tab that knows a lower number knows an older logbook. */
export const readRevision = async (): Promise<number> => (await metaDrawer.getItem<number>('revision')) ?? 0
export const storeRevision = (revision: number): Promise<unknown> =>
  writing(() => metaDrawer.setItem('revision', revision))

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)
// In Node, where the tests run, an open channel would keep the process alive.
;(channel as { unref?: () => void } | undefined)?.unref?.()

export const tellOthers = (told: Told): void => channel?.postMessage(told)
export function onTold(listener: (told: Told) => void): void {
  channel?.addEventListener('message', ({ data }: MessageEvent<Told>) => listener(data))
}
