import type { Campaign } from './campaign'
import { stateOf, type MadeRun } from './progress'

/** A planned run that waits to be made. */
export interface OpenCell {
  campaignId: string
  plannedId: string
  /** Of the campaign; and since when it is there, ISO 8601. */
  name: string
  since: string
  /** 1 for the first of its pair. */
  repeat: number
}

/** What was charged, from what and through which cable; null where no cable was noted. */
export interface RunPair {
  deviceId: string
  sourceId: string
  cableId: string | null
}

/**
 * The planned runs that a run made elsewhere may fill, such as one from a meter's file: of the same device and source,
 * and not of another cable, still to be made or spoilt. Those of its very cable first, then campaign by campaign.
 *
 * @param running planned runs that are on the bench now
 */
export function openCells(
  campaigns: readonly Campaign[],
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
  { deviceId, sourceId, cableId }: RunPair,
): OpenCell[] {
  const isOpen = (planned: Campaign['planned'][number]) =>
    ['planned', 'spoilt'].includes(stateOf(planned, runs, running))
  const cells = campaigns.flatMap(({ id, name, createdAt, planned }) =>
    planned
      .filter((p) => p.deviceId === deviceId && p.sourceId === sourceId)
      .filter((p) => p.cableId === cableId || p.cableId === null || cableId === null)
      .filter(isOpen)
      .map((p) => ({
        isSame: p.cableId === cableId,
        cell: { campaignId: id, plannedId: p.id, name, since: createdAt, repeat: p.repeat },
      })),
  )
  return cells.sort((a, b) => Number(b.isSame) - Number(a.isSame)).map(({ cell }) => cell)
}

/**
 * The first of them that a run may have been made for: one from before its campaign was not.
 *
 * @param begun ISO 8601; null where nobody knows when the run was made
 */
export const likeliestCell = (cells: readonly OpenCell[], begun: string | null): OpenCell | undefined =>
  cells.find(({ since }) => begun === null || Date.parse(begun) >= Date.parse(since))
