import type { Analysis } from '../analysis/analyse'
import { marks } from '../analysis/marks'
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

export const NEVER = 'The run never was at the level at which the clocks begin.'

export const BEFORE = 'The clocks begin there, or above it.'

/**
 * A run's figures on the clock of an alignment: times count from where it begins, gains from its level. Figures of the
 * whole run, such as watts, energy and heat, stay as they are.
 */
export function onAlignedClock(
  analysis: Analysis,
  trace: Trace,
  percent: number | null,
  shiftS: number,
): Analysis {
  if (percent === null) return analysis
  const lies = Number.isNaN(shiftS)
  const moved = marks(
    trace,
    analysis.marks.map(({ atS }) => atS + (lies ? 0 : shiftS)),
  )
  // By the same reading of the display as the marks: half a point would be lost against the level itself.
  const base = lies ? NaN : marks(trace, [shiftS])[0].percent
  return {
    ...analysis,
    taperEndS: analysis.taperEndS - shiftS,
    milestones: analysis.milestones.map((m) => {
      const reason =
        m.reason ?? (lies ? NEVER : m.percent <= percent ? BEFORE : undefined)
      return reason === undefined
        ? {
            ...m,
            timeS: m.timeS - shiftS,
            earliestS: m.earliestS - shiftS,
            latestS: m.latestS - shiftS,
            firstSeenS: m.firstSeenS - shiftS,
          }
        : { ...m, timeS: NaN, uncertaintyS: NaN, reason, brief: m.brief ?? (lies ? 'not reached' : 'started there') }
    }), // prettier-ignore
    marks: moved.map((m, i) => ({
      ...m,
      atS: analysis.marks[i].atS,
      ...(lies
        ? { percent: NaN, gain: NaN, uncertainty: NaN, ceiling: false, reason: NEVER }
        : { gain: m.percent - base }),
    })),
  }
}
