/** A time set against a baseline's, each way of saying "faster by" under its own name. */
export interface TimeDifference {
  /** baseline − time, seconds; negative when slower. */
  savedS: number
  /** Share of the baseline's time that is saved, 0–1. */
  savedShare: number
  /** baseline ÷ time: how many times as fast. */
  speedRatio: number
}

/**
 * Compares `timeS` with `baselineS`. The three figures give different percentages for the same pair, so they
 * are always given together. NaN where either time is unknown.
 */
export const timeDifference = (timeS: number, baselineS: number): TimeDifference => ({
  savedS: baselineS - timeS,
  savedShare: baselineS > 0 ? (baselineS - timeS) / baselineS : NaN,
  speedRatio: timeS > 0 ? baselineS / timeS : NaN,
})
