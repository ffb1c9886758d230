import { quantile } from '../stats/quantile'

/** Over fewer points the whole points of a display leave too much open. */
const LEAST_GAIN = 50
/** Above one is a wrong input, not an efficiency. */
const MOST = 1

/**
 * A device's own charging efficiency, 0–1: the median of its runs over half the battery or more; undefined without one.
 *
 * @example ownEfficiency([{ efficiency: 0.77, efficiencyGain: 95 }]) // 0.77
 */
export function ownEfficiency(
  runs: readonly { efficiency: number; efficiencyGain: number }[],
): number | undefined {
  const told = runs.filter((r) => r.efficiency > 0 && r.efficiency <= MOST && r.efficiencyGain >= LEAST_GAIN)
  return told.length
    ? quantile(
        told.map((r) => r.efficiency),
        0.5,
      )
    : undefined
}
