import localforage from 'localforage'

/**
 * The browser's database, as drawers of records each under a key of its own, so that nothing is ever rewritten whole.
 * IndexedDB is the only driver: a logbook in any other store would look like one and be lost.
 */
const drawer = (storeName: string) =>
  localforage.createInstance({ name: 'inkpath-log', storeName, driver: localforage.INDEXEDDB })
export type Drawer = ReturnType<typeof drawer>

/**
 * Editions of the logbook's records: the pointer in `meta` says which is the current one and which the one before. The
 * third is for the next one, so that building it harms neither.
 */
export const editionDrawers = { a: drawer('edition-a'), b: drawer('edition-b'), c: drawer('edition-c') }
export type EditionName = keyof typeof editionDrawers
/** Traces of both editions, each under a key that is written once and never changed. */
export const traceDrawer = drawer('traces')
/** Headline figures of runs: worked out, so that they can always be worked out anew. */
export const headlineDrawer = drawer('headlines')
/** What was drawn of long runs as a whole: drawn anew whenever it is not there. */
export const pictureDrawer = drawer('pictures')
export const journalDrawer = drawer('journal')
export const metaDrawer = drawer('meta')
/** Where versions 1 and 2 of the program kept gear and runs. */
export const oldGearDrawer = drawer('gear')
export const oldRunDrawer = drawer('runs')

const DRAWERS = [
  ...Object.values(editionDrawers),
  traceDrawer,
  headlineDrawer,
  pictureDrawer,
  journalDrawer,
  metaDrawer,
  oldGearDrawer,
  oldRunDrawer,
]

/** No test and no reviewer waits longer than this for a database that does not answer, ms. */
const OPEN_WITHIN_MS = 20_000

/** The browser's database cannot be opened: nothing can be kept here. */
export class StorageUnavailable extends Error {
  constructor(reason: string) {
    super(
      `This browser does not open its database (${reason}). Nothing can be kept here, so the program stops; nothing stored was changed. Leave private browsing, free some space or restart the browser, then try again.`,
    )
    this.name = 'StorageUnavailable'
  }
}

/** Opens every drawer, or says why none can be. There is no other place to fall back on. */
export async function openDatabase(): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('it does not answer')), OPEN_WITHIN_MS)
  })
  try {
    // One after the other: each drawer that is not there yet raises the database's version.
    for (const one of DRAWERS) await Promise.race([one.ready(), late])
  } catch (cause) {
    throw new StorageUnavailable(cause instanceof Error ? cause.message : String(cause))
  } finally {
    clearTimeout(timer)
  }
}

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
    if (cause instanceof StorageFailure) throw cause
    throw new StorageFailure(cause)
  }
}
