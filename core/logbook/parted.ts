import { endedBy } from '../bench/ended'
import { cut } from '../trace/cut'
import { firstAfter, firstAtOrAfter } from '../trace/samples'
import type { Correction, Trace, TraceEvent } from '../trace/trace'
import { movedBy } from '../words/moments'
import type { LeftOut } from './leftOut'
import { isSound, type RunWithTrace } from './run'
import { MOST_NAME, MOST_NOTES } from './schema'
import { traceFromJson, traceToJson } from './traceColumns'

/** A charge within a record: its first and last moment, s of the record's clock. */
export interface ChargeSpan {
  fromS: number
  /** Infinity of one that the record's end ends. */
  toS: number
}

/** What a run of a part has of its own. */
export interface PartOfItsOwn {
  id: string
  ink: number
}

/**
 * A run of each charge of a record that went on from one into the next. Each has the gear and the conditions of the whole,
 * what happened and what was put right while it lasted, and its state by its own readings; only the first had the rest
 * that was measured, and fills the place in the plan. What lies between two charges, and what the reviewer said to
 * findings, stays with the whole alone.
 *
 * @param charges as `chargesIn` tells them of the whole
 * @param own one of each charge
 * @example partRun(evening, chargesIn(evening.trace), [{ id: 'a', ink: 0 }, { id: 'b', ink: 1 }])
 */
export const partRun = (
  whole: RunWithTrace,
  charges: readonly ChargeSpan[],
  own: readonly PartOfItsOwn[],
): RunWithTrace[] => charges.map((_, i) => partOf(whole, charges, i, own[i]))

function partOf(
  { run, trace: all }: RunWithTrace,
  charges: readonly ChargeSpan[],
  i: number,
  own: PartOfItsOwn,
): RunWithTrace {
  const charge = charges[i]
  const trace = cut(all, charge.fromS, charge.toS)
  const isFirst = i === 0
  const called = `, charge ${i + 1}`
  const told = `Charge ${i + 1} of ${charges.length} of one record.`
  return {
    trace,
    run: {
      ...run,
      ...own,
      ...(isSound(run) ? endedBy(run.stop, trace) : {}),
      name: run.name && `${run.name.slice(0, MOST_NAME - called.length)}${called}`,
      startedAt: movedBy(run.startedAt, charge.fromS)!,
      startPercent:
        isFirst && charge.fromS === 0
          ? run.startPercent
          : (trace.percent?.find((p) => !Number.isNaN(p)) ?? null),
      events: eventsOf(run.events, charge),
      corrections: correctionsOf(run.corrections, all, charge),
      leftOut: run.leftOut.flatMap((stretch) => leftOutOf(stretch, charge)),
      notes: [told, run.notes].filter(Boolean).join(' ').slice(0, MOST_NOTES),
      planned: isFirst ? run.planned : null,
      conditions: isFirst ? run.conditions : { ...run.conditions, restMinutes: null },
      answers: [],
    },
  }
}

const isIn = ({ fromS, toS }: ChargeSpan, t: number): boolean => t >= fromS && t <= toS

/** What happened while it lasted; a load that was on as it began is on from its start. */
function eventsOf(events: readonly TraceEvent[], charge: ChargeSpan): TraceEvent[] {
  const load = events.findLast(
    ({ kind, t }) => t < charge.fromS && (kind === 'load-start' || kind === 'load-stop'),
  )
  const own = events.filter(({ t }) => isIn(charge, t)).map((e) => ({ ...e, t: e.t - charge.fromS }))
  return load?.kind === 'load-start' ? [{ ...load, t: 0 }, ...own] : own
}

/** What was put right in its readings, at their new places. A reading that was moved in from elsewhere says so in the whole. */
function correctionsOf(corrections: readonly Correction[], all: Trace, charge: ChargeSpan): Correction[] {
  const [first, end] = [firstAtOrAfter(all.time, charge.fromS), firstAfter(all.time, charge.toS)]
  const move = (t: number | null) => (t === null ? null : t - charge.fromS)
  return corrections.flatMap((c) => {
    const times = c.what === 'time' ? [c.from, c.to] : []
    if (c.row < first || c.row >= end || ![c.t, ...times].every((t) => t !== null && isIn(charge, t)))
      return []
    const moved = c.what === 'time' ? { from: move(c.from), to: move(c.to) } : {}
    return [{ ...c, ...moved, row: c.row - first, t: c.t - charge.fromS }]
  })
}

/** A stretch that was left out within it. */
function leftOutOf(stretch: LeftOut, charge: ChargeSpan): LeftOut[] {
  if (!isIn(charge, stretch.fromS) || !isIn(charge, stretch.toS)) return []
  const readings = traceFromJson(stretch.readings)
  return [
    {
      ...stretch,
      fromS: stretch.fromS - charge.fromS,
      toS: stretch.toS - charge.fromS,
      readings: traceToJson(cut(readings, charge.fromS, charge.toS)),
      corrections: correctionsOf(stretch.corrections, readings, charge),
    },
  ]
}
