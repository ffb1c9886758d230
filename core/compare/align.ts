import { milestones } from '../analysis/milestones'
import { samplesOf } from '../trace/samples'
import type { Trace } from '../trace/trace'

/** How the clocks of compared runs are set. */
export interface Alignment {
  /** The level at which all clocks begin, %; null where they run from power-on. */
  percent: number | null
  /** What is taken off each run's clock, s, in the order of the runs; NaN where a run never reached the level. */
  shiftS: number[]
}

/** As logged: every clock from power-on. */
export const fromPowerOn = (traces: readonly Trace[]): Alignment => ({
  percent: null,
  shiftS: traces.map(() => 0),
})

/**
 * From a common level: the highest of the start levels. Each clock is shifted to its own first crossing of it; a run
 * that starts there begins at its first reading of it. Without a level in every run, as logged.
 */
export function fromCommonLevel(traces: readonly Trace[]): Alignment {
  const starts = traces.map((trace) => samplesOf(trace.time, trace.percent))
  if (starts.some(({ v }) => v.length === 0)) return fromPowerOn(traces)
  const percent = starts.reduce((top, { v }) => Math.max(top, v[0]), 0)
  return {
    percent,
    shiftS: traces.map((trace, i) => {
      const { t, v } = starts[i]
      if (v[0] >= percent) return t[0]
      const [crossing] = milestones(trace, [percent])
      return crossing.reason ? NaN : crossing.timeS
    }),
  }
}
