import { samplesOf } from '../../trace/samples'
import { durationOf } from '../../trace/trace'
import { missedMarks, nominalMark, ON_TIME_S } from '../../protocol/schedule'
import { duration } from '../../words/figures'
import type { Finding, Rule } from './finding'

/** So late, as a share of the step, is worth a word; seconds of it always are not. */
const LATE_S = 60

/** Readings by hand that came late for their minute, or not at all. Their real time counts in every figure. */
export const offSchedule: Rule = ({ trace, context: { reading } }) => {
  if (!reading || reading.kind === 'meter') return []
  const { t, v } = samplesOf(trace.time, trace.percent)
  const closing = reading.kind === 'closing-in' ? t[v.findIndex((p) => p >= reading.abovePercent)] : undefined
  const closingInFrom = closing ?? null
  const answered = new Set<number>()
  const found: Finding[] = []
  for (const at of t) {
    const mark = nominalMark(reading, at, answered, closingInFrom)
    if (mark === undefined) continue
    answered.add(mark)
    if (at - mark <= Math.max(LATE_S, ON_TIME_S)) continue
    found.push({
      code: 'late-reading',
      severity: 'notice',
      atS: at,
      message: `The reading due at ${duration(mark)} was taken at ${duration(at)}.`,
      advice: 'Its real time is kept and used; nothing to do.',
    })
  }
  const missed = missedMarks(reading, durationOf(trace), answered, closingInFrom)
  if (missed.length)
    found.push({
      code: 'missed-reading',
      severity: 'notice',
      atS: missed[0],
      message: `${missed.length} ${missed.length === 1 ? 'reading was' : 'readings were'} due and not taken, the first at ${duration(missed[0])}.`,
      advice: 'Times between the readings beside it are less certain by as much.',
    })
  return found
}
