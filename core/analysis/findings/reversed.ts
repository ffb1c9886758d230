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
  const flows = samplesOf(trace.time, column).v.filter((flow) => flow !== 0)
  return flows.length > 1 && flows.filter((flow) => flow < 0).length >= MOST * flows.length
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
