import { batteryPowerColumn, currentColumn, powerColumn, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import { onset } from './joining/onset'

/** A record that begins so soon before power-on has no idle time to speak of, s. */
const SHORT_S = 15

/**
 * Where a record should begin: the last reading before current flows for good, s. Zero where it flows from the start, or
 * nearly so, or where nothing says when it began.
 */
export function idleBefore(trace: Trace): number {
  const source = powerColumn(trace) ?? currentColumn(trace)
  const flowing = source ?? batteryPowerColumn(trace) ?? trace.batteryCurrent
  const flows = onset(samplesOf(trace.time, flowing))
  const at = flows && !Number.isNaN(flows.earliestS) ? flows.earliestS : 0
  return at > SHORT_S ? at : 0
}
