import { durationOf } from '../../trace/trace'
import type { Finding, Rule } from './finding'

/** A stretch at either end of the run is named from this length on, s; one within it always is. */
const NAMED_FROM_S = 60

/** Stretches in which no power was read: within the record, before the first watts and after the last. */
export const clockGap: Rule = ({ trace, energy }) =>
  energy.gaps.flatMap(({ startS, endS }): Finding[] => {
    const seconds = Math.round(endS - startS)
    const inner = startS > 0 && endS < durationOf(trace)
    if (!inner && seconds <= NAMED_FROM_S) return []
    return [
      {
        code: 'clock-gap',
        severity: inner ? 'warning' : 'notice',
        atS: startS,
        message: `No power was read for ${seconds} s; the energy across it is bridged, not measured.`,
        advice: inner
          ? 'Check the meter’s lead and the recording app; repeat the run if the gap covers the peak.'
          : 'Read the watts at the start and at the end too.',
      },
    ]
  })
