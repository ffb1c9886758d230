import { samplesOf } from '../../trace/samples'
import { batteryPowerColumn, powerColumn, type Trace } from '../../trace/trace'
import type { Rule } from './finding'

/** A display may rise by a point or two while the device drains; it does not by more. */
const GAIN_POINTS = 5
/** So many of the readings that are not nothing must flow out. */
const MOST = 0.9

/** Whether a column's watts or amperes flow out of the device while its level rises: it counts the other way round. */
export function isReversed(trace: Trace, column: Float64Array | undefined): boolean {
  const levels = samplesOf(trace.time, trace.percent).v
  if (levels.length < 2 || levels[levels.length - 1] - levels[0] < GAIN_POINTS) return false
  // Counted, not picked out: it is asked of every column of a long log, and again while the run goes on.
  let out = 0
  let flows = 0
  for (const flow of column ?? []) {
    if (flow < 0) out++
    if (flow < 0 || flow > 0) flows++
  }
  return flows > 1 && out >= MOST * flows
}

/** A log that counts what flows into the device below zero. */
export const reversed: Rule = ({ trace }) => {
  const sides = [
    { side: 'source', columns: [powerColumn(trace), trace.current] },
    { side: 'battery', columns: [batteryPowerColumn(trace), trace.batteryCurrent] },
  ]
  return sides
    .filter(({ columns }) => columns.some((column) => isReversed(trace, column)))
    .map(({ side }) => ({
      code: 'reversed',
      severity: 'warning' as const,
      atS: NaN,
      message: `The level rose while what was read at the ${side} flowed out of the device.`,
      advice:
        'The log or the meter counts the other way round: bring the file in again, and choose “counted outwards” for that column.',
    }))
}
