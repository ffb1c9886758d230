import type { KeptPicture } from '@core/analysis/runPicture'
import { pictureDrawer } from './database'

/** What was drawn of a run, and everything it was drawn from. */
interface Kept {
  basis: string
  whole: KeptPicture
}

/** The run's picture, if it was drawn from the same; it is only ever a copy of what can be drawn anew. */
export async function readPicture(runId: string, basis: string): Promise<KeptPicture | undefined> {
  const kept = await pictureDrawer.getItem<Kept>(runId).catch(() => null)
  return kept?.basis === basis ? kept.whole : undefined
}

/** A refusal is no harm: it is drawn again. */
export const keepPicture = (runId: string, basis: string, whole: KeptPicture): Promise<unknown> =>
  pictureDrawer.setItem<Kept>(runId, { basis, whole }).catch(() => undefined)

export async function dropPicturesBut(runIds: ReadonlySet<string>): Promise<void> {
  for (const runId of await pictureDrawer.keys())
    if (!runIds.has(runId)) await pictureDrawer.removeItem(runId).catch(() => undefined)
}
