import type { Headline } from '@core/analysis/headline'
import { headlineDrawer } from './database'

/** Headline figures kept for a run, and everything they were worked out from. */
export interface KeptHeadline {
  basis: string
  figures: Headline
}

/** All that are kept, by run id. They are only ever a copy of what can be worked out. */
export async function readHeadlines(): Promise<Map<string, KeptHeadline>> {
  const kept = new Map<string, KeptHeadline>()
  await headlineDrawer.iterate<KeptHeadline, void>((headline, runId) => void kept.set(runId, headline))
  return kept
}

/** A refusal is no harm: they are worked out again. */
export const keepHeadline = (runId: string, headline: KeptHeadline): Promise<unknown> =>
  headlineDrawer.setItem(runId, headline).catch(() => undefined)

export async function dropHeadlinesBut(runIds: ReadonlySet<string>): Promise<void> {
  for (const runId of await headlineDrawer.keys())
    if (!runIds.has(runId)) await headlineDrawer.removeItem(runId).catch(() => undefined)
}
