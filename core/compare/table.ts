import type { Analysis } from '../analysis/analyse'
import { timeDifference, type TimeDifference } from './times'

/** One run's figures beside the baseline's. Seconds, points, W, Wh; NaN where unknown. */
export interface ComparisonRow {
  id: string
  startPercent: number
  times: { percent: number; timeS: number; uncertaintyS: number; against: TimeDifference }[]
  levels: { atS: number; percent: number }[]
  peakW: number
  heldPeakW: number
  energyWh: number
}

/** Levels whose times are set against each other, %. */
export const COMPARED_PERCENTS = [50, 80, 100] as const
/** Moments whose levels are set against each other, s. */
export const COMPARED_MARKS = [15, 30, 60].map((minutes) => minutes * 60)

/** Sets runs side by side, each against the baseline, whose own differences are zero. As logged, from the switch. */
export function compareRuns(
  runs: readonly { id: string; analysis: Analysis }[],
  baselineId: string,
): ComparisonRow[] {
  const baseline = runs.find((r) => r.id === baselineId)?.analysis
  const timeOf = (a: Analysis | undefined, percent: number) =>
    a?.milestones.find((m) => m.percent === percent)
  return runs.map(({ id, analysis }) => ({
    id,
    startPercent: analysis.startPercent,
    times: COMPARED_PERCENTS.map((percent) => {
      const m = timeOf(analysis, percent)
      const timeS = m?.timeS ?? NaN
      return {
        percent,
        timeS,
        uncertaintyS: m?.uncertaintyS ?? NaN,
        against: timeDifference(timeS, timeOf(baseline, percent)?.timeS ?? NaN),
      }
    }),
    levels: COMPARED_MARKS.map((atS) => ({
      atS,
      percent: analysis.marks.find((m) => m.atS === atS)?.percent ?? NaN,
    })),
    peakW: analysis.power.peakW,
    heldPeakW: analysis.power.heldPeakW,
    energyWh: analysis.energy.energyWh + analysis.energy.bridgedWh,
  }))
}
