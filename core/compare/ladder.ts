/** One source on the ladder: what it brought, against what it is rated. */
export interface Rung {
  /** W, as printed. */
  ratedW: number
  /** Points gained by the agreed moment; NaN where unknown. */
  gain: number
  /** Standard uncertainty of it, points. */
  uncertainty: number
  /** So near full that a difference is hidden. */
  ceiling: boolean
}

export interface LadderStep extends Rung {
  /** Place in the list that was given. */
  index: number
  shareOfBest: number
}

export interface Ladder {
  /** By rated watts, the weakest first. */
  steps: LadderStep[]
  /** The weakest whose gain is within the share of the best; null where nothing was gained. */
  smallest: LadderStep | null
}

/** A source is as good as the best within this share. */
export const USUAL_SHARE = 0.9

/**
 * Results against rated watts, and the smallest source that will do.
 *
 * @param share of the best that is enough, above 0 and up to 1
 * @example ladder([{ ratedW: 5, gain: 1, … }, { ratedW: 35, gain: 44, … }]).smallest?.ratedW // 35
 */
export function ladder(rungs: readonly Rung[], share = USUAL_SHARE): Ladder {
  const best = rungs.reduce((top, { gain }) => (gain > top ? gain : top), 0)
  const steps = rungs
    .map((rung, index) => ({ ...rung, index, shareOfBest: best > 0 ? rung.gain / best : NaN }))
    .sort((a, b) => a.ratedW - b.ratedW || b.gain - a.gain)
  return { steps, smallest: steps.find((step) => step.shareOfBest >= share) ?? null }
}

/** What a source costs for each minute that it saves against what is owned already; Infinity where it saves none. */
export const pricePerMinute = (price: number, savedS: number): number =>
  savedS > 0 ? price / (savedS / 60) : Infinity

/**
 * Whether a source fills a device overnight.
 *
 * @param toFullS time to full, s; NaN where it was not reached
 * @returns null where it cannot be told
 */
export const isEnoughOvernight = (toFullS: number, hours: number): boolean | null =>
  Number.isNaN(toFullS) ? null : toFullS <= hours * 3600
