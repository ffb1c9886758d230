import type { Analysis } from './analyse'

/** Raised whenever the same trace would give other headline figures: those that are kept are then made anew. */
export const ANALYSIS_VERSION = 12

/** What a list shows of a run. Percent, s, W, Wh; NaN where it cannot be known. */
export interface Headline {
  startPercent: number
  endPercent: number
  durationS: number
  /** Time to a shown percentage, s, by percentage. */
  times: { percent: number; timeS: number; uncertaintyS: number }[]
  peakW: number
  heldPeakW: number
  energyWh: number
  /** Of what the meter saw, what the battery gained, 0–1; and over how many points. */
  efficiency: number
  efficiencyGain: number
  findings: { blocking: number; warning: number; notice: number }
}

/** The headline figures of an analysis. */
export function headlineOf(a: Analysis): Headline {
  const count = (severity: string) => a.findings.filter((f) => f.severity === severity).length
  return {
    startPercent: a.startPercent,
    endPercent: a.endPercent,
    durationS: a.durationS,
    times: a.milestones.map((m) => ({
      percent: m.percent,
      timeS: m.reason ? NaN : m.timeS,
      uncertaintyS: m.reason ? NaN : m.uncertaintyS,
    })),
    peakW: a.power.peakW,
    heldPeakW: a.power.heldPeakW,
    energyWh: a.energy.energyWh + a.energy.bridgedWh,
    efficiency: a.efficiency.reason ? NaN : a.efficiency.value,
    efficiencyGain: a.efficiency.gain,
    findings: { blocking: count('blocking'), warning: count('warning'), notice: count('notice') },
  }
}

/** Time to a percentage, s; NaN where it was not reached. */
export const timeTo = (headline: Headline | undefined, percent: number): number =>
  headline?.times.find((t) => t.percent === percent)?.timeS ?? NaN
