import { array, mixed, object, string, type ObjectSchema } from 'yup'
import { firstAfter, firstAtOrAfter } from '../trace/samples'
import { mergeRows, rowsOf } from '../trace/rows'
import { LONGEST_S } from '../trace/bounds'
import { bounded, moment } from '../trace/fields'
import type { Correction } from '../trace/trace'
import type { Because } from './corrections'
import type { RunWithTrace } from './run'
import { traceFromJson, traceToJson, type JsonTrace } from './traceColumns'

/** A spoilt stretch of a run that is not counted. Its readings, and what was put right in them, stay here. */
export interface LeftOut {
  /** s */
  fromS: number
  toS: number
  why: string
  /** ISO 8601. */
  when: string
  readings: JsonTrace
  corrections: Correction[]
}

const MOST_STRETCHES = 100

/**
 * Takes a stretch out of a run, both ends included. What remains is a gap like any other: bridged, and said to be so.
 *
 * @throws RangeError where nothing lies in the stretch, or nothing would remain
 */
export function leaveOut(
  { run, trace }: RunWithTrace,
  { fromS, toS }: { fromS: number; toS: number },
  because: Because,
): RunWithTrace {
  const [first, end] = [firstAtOrAfter(trace.time, fromS), firstAfter(trace.time, toS)]
  const isIn = (row: number) => row >= first && row < end
  if (end <= first) throw new RangeError('No reading lies in this stretch.')
  if (end - first === trace.time.length)
    throw new RangeError('That is the whole run: keep it as spoilt instead.')
  if (run.leftOut.length >= MOST_STRETCHES) throw new RangeError('A run cannot be cut into more pieces.')
  const stretch: LeftOut = {
    fromS,
    toS,
    ...because,
    readings: traceToJson(rowsOf(trace, isIn)),
    corrections: run.corrections.filter((c) => isIn(c.row)).map((c) => ({ ...c, row: c.row - first })),
  }
  const corrections = run.corrections
    .filter((c) => !isIn(c.row))
    .map((c) => (c.row >= end ? { ...c, row: c.row - (end - first) } : c))
  return {
    run: { ...run, corrections, leftOut: [...run.leftOut, stretch] },
    trace: rowsOf(trace, (row) => !isIn(row)),
  }
}

/**
 * Takes the stretch that was left out at a moment back in, where it was, with what was put right in it.
 * @throws RangeError where there is no such stretch
 */
export function takeBackIn({ run, trace }: RunWithTrace, when: string): RunWithTrace {
  const index = run.leftOut.findLastIndex((stretch) => stretch.when === when)
  const stretch = run.leftOut[index]
  if (!stretch) throw new RangeError('This stretch is counted already.')
  const { trace: whole, ofFirst, ofSecond } = mergeRows(trace, traceFromJson(stretch.readings))
  const placed = (corrections: readonly Correction[], rows: number[]) =>
    corrections.map((c) => ({ ...c, row: rows[c.row] }))
  const corrections = [...placed(run.corrections, ofFirst), ...placed(stretch.corrections, ofSecond)]
  return {
    run: { ...run, corrections, leftOut: run.leftOut.filter((_, i) => i !== index) },
    trace: whole,
  }
}

const isTrace = (json: unknown): boolean => {
  try {
    return traceFromJson(json).time.length > 0
  } catch {
    return false
  }
}

/** Stretches of a run as they are kept. */
export const leftOutField = (correction: ObjectSchema<Correction>) =>
  array(
    object({
      fromS: bounded(0, LONGEST_S),
      toS: bounded(0, LONGEST_S),
      why: string().required('is missing').max(400),
      when: moment(),
      readings: mixed<JsonTrace>()
        .required('is missing')
        .test('trace', 'is no trace', (v) => v === undefined || isTrace(v)),
      corrections: array(correction).defined().default([]).max(20_000),
    }) as unknown as ObjectSchema<LeftOut>,
  )
    .defined()
    .default([])
    .max(MOST_STRETCHES)
