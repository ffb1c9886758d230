import { duration } from '../../words/figures'
import { powerColumn } from '../../trace/trace'
import { samplesOf } from '../../trace/samples'
import type { Rule } from './finding'

/** A level read later than this after power began to flow, s, came late. */
const LATE_S = 30

/** Power flowed before a level could be read: a dead device takes its time to wake. */
export const startDelay: Rule = ({ trace, power }) => {
  const shown = samplesOf(trace.time, trace.percent)
  const watts = samplesOf(trace.time, powerColumn(trace))
  const flows = watts.v.findIndex((w) => w > 0.05 * power.heldPeakW)
  const seconds = shown.t[0] - watts.t[flows]
  if (!(seconds > LATE_S)) return []
  return [
    {
      code: 'start-delay',
      severity: 'notice',
      atS: shown.t[0],
      message: `The first level was read ${duration(seconds)} after power began to flow, at ${shown.v[0]} %.`,
      advice: 'The clock began at the switch: times count from there, gains from this level.',
    },
  ]
}
