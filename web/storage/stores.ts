import localforage from 'localforage'

/** The browser's stores. Small things each under a key of their own, so that nothing is ever rewritten whole. */
const store = (storeName: string) => localforage.createInstance({ name: 'inkpath-log', storeName })

export const gearStore = store('gear')
export const runStore = store('runs')
export const traceStore = store('traces')
export const journalStore = store('journal')
export const metaStore = store('meta')

/** The version of the layout of these stores; raised together with a migration. */
export const STORAGE_VERSION = 2

/** A write that the browser refused, in words a reviewer can act on. */
export class StorageFailure extends Error {
  constructor(cause: unknown) {
    const full = cause instanceof Error && /quota|full/i.test(`${cause.name} ${cause.message}`)
    super(
      full
        ? 'The browser’s storage is full. Nothing already stored is lost: export the logbook, then free some space.'
        : `The browser refused to store it (${cause instanceof Error ? cause.message : String(cause)}).`,
    )
    this.name = 'StorageFailure'
  }
}

/** Runs a write and turns any refusal into a {@link StorageFailure}. */
export async function writing<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (cause) {
    throw new StorageFailure(cause)
  }
}
