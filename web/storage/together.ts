import { editionDrawers, metaDrawer, writing, type EditionName } from './database'
import type { Envelope } from './envelope'
import { storeRevision } from './writer'

/** What comes to lie under a drawer's key; null where the key goes. */
export interface Step {
  key: string
  envelope: Envelope | null
}
/** Steps that are one change. */
interface Together {
  edition: EditionName
  revision: number
  steps: Step[]
}

const UNDER = 'together'

/**
 * Takes steps that belong together: all of them or none. They are written down before the first is taken; one refused
 * takes back those before it. Where the page is killed in between, or even that is refused, what was written down is
 * carried out by whoever holds the lock next.
 */
export async function takeTogether(together: Together): Promise<void> {
  const { edition, steps } = together
  // A single step is whole by itself.
  if (steps.length === 1) return carryOut(together)
  const before: Step[] = []
  for (const { key } of steps) before.push({ key, envelope: await editionDrawers[edition].getItem(key) })
  await writing(() => metaDrawer.setItem(UNDER, together))
  try {
    await carryOut(together)
    await writing(() => metaDrawer.removeItem(UNDER))
  } catch (refusal) {
    await takeBack({ ...together, steps: before }).catch(() => undefined)
    throw refusal
  }
}

async function takeBack(back: Together): Promise<void> {
  await metaDrawer.setItem(UNDER, back)
  await carryOut(back)
  await metaDrawer.removeItem(UNDER)
}

/** Carries out what a page that was killed had written down; under the lock, before anything else is written. */
export async function finishTogether(): Promise<void> {
  const left: unknown = await metaDrawer.getItem(UNDER)
  if (left === null) return
  // What cannot be carried out must not stand in the way for ever.
  if (isTogether(left)) await carryOut(left)
  await writing(() => metaDrawer.removeItem(UNDER))
}

const isTogether = (left: unknown): left is Together => {
  const { edition, revision, steps } = left as Partial<Together>
  return Object.hasOwn(editionDrawers, String(edition)) && Number.isInteger(revision) && Array.isArray(steps)
}

async function carryOut({ edition, revision, steps }: Together): Promise<void> {
  const drawer = editionDrawers[edition]
  // The number goes up first: another tab that sees it reads anew, and finds the change or what stood before.
  await storeRevision(revision)
  for (const { key, envelope } of steps)
    await writing<unknown>(() => (envelope ? drawer.setItem(key, envelope) : drawer.removeItem(key)))
}
