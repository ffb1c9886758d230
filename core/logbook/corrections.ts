import { RUN_CONDITIONS, type RunCondition, type RunConditionName } from '../protocol/runConditions'
import { withReading, withTime, withValue, type Reading } from '../trace/trace'
import { valuesOf, type ValueColumn } from '../trace/valueColumn'
import type { Run, RunWithTrace } from './run'
import { RUN_RULES, type RuleName } from './runRules'

/** Why something is put right, and when (ISO 8601). */
export interface Because {
  why: string
  when: string
}

/** What of a run can be put right besides its readings. */
export type Correctable = RunConditionName | keyof typeof RUN_GEAR

/** What of the shelf a run was made with, which the run itself names. */
export const RUN_GEAR = { deviceId: 'Device', sourceId: 'Source', cableId: 'Cable' } as const
export const isRunGear = (field: string): field is keyof typeof RUN_GEAR => Object.hasOwn(RUN_GEAR, field)

/** What a correctable, or a rule that was put right, is called. */
export const correctableLabel = (field: string): string => {
  const entry = RUN_CONDITIONS[field as RunConditionName] as RunCondition | undefined
  if (isRunGear(field)) return RUN_GEAR[field]
  if (field === 'startedAt') return 'Power-on'
  return entry?.label ?? RUN_RULES[field as RuleName] ?? field
}

/** A reading as it was looked at: which row it stood in, and its time, s. */
export interface ReadingPlace {
  row: number
  t: number
}

/**
 * That the reading that was looked at stands where it stood.
 * @throws Error where readings were put before it, or its time was put right, since then
 */
export function checkPlace({ trace }: RunWithTrace, { row, t }: ReadingPlace): void {
  if (trace.time[row] !== t)
    throw new Error('The readings of this run were changed in another tab. Look at them again first.')
}

/** One value of a reading put right; `to` in the channel's unit, NaN for "not read". The old one stays on record. */
export function correctValue(
  { run, trace }: RunWithTrace,
  row: number,
  what: ValueColumn,
  to: number,
  because: Because,
): RunWithTrace {
  const entry = {
    row,
    t: trace.time[row],
    what,
    from: known(valuesOf(trace, what)?.[row] ?? NaN),
    to: known(to),
    ...because,
  }
  return {
    run: { ...run, corrections: [...run.corrections, entry] },
    trace: withValue(trace, row, what, to),
  }
}

/**
 * The time of a reading put right, s.
 * @throws RangeError where it would pass a neighbour: times never fall.
 */
export function correctTime(
  { run, trace }: RunWithTrace,
  row: number,
  to: number,
  because: Because,
): RunWithTrace {
  const from = trace.time[row]
  const entry = { row, t: to, what: 'time' as const, from, to, ...because }
  return {
    run: { ...run, corrections: [...run.corrections, entry] },
    trace: withTime(trace, row, to),
  }
}

/** A reading that was taken and not written down, put in its place. Corrections of later readings follow them. */
export function addReading({ run, trace }: RunWithTrace, reading: Reading, because: Because): RunWithTrace {
  const { trace: grown, row } = withReading(trace, reading)
  const moved = run.corrections.map((c) => (c.row >= row ? { ...c, row: c.row + 1 } : c))
  const entry = {
    row,
    t: reading.t,
    what: 'reading' as const,
    from: null,
    to: known(reading.percent ?? NaN),
    ...because,
  }
  return { run: { ...run, corrections: [...moved, entry] }, trace: grown }
}

/** A condition put right; `said` has both values in words, as they stay on record. */
export function correctCondition(
  run: Run,
  field: Correctable,
  to: Run['conditions'][RunConditionName],
  said: { from: string; to: string },
  because: Because,
): Run {
  const conditionCorrections = [...run.conditionCorrections, { field, ...said, ...because }]
  if (isRunGear(field)) return { ...run, [field]: to, conditionCorrections }
  // A capacity that is typed is no longer one that was worked out with an assumed voltage.
  const assumed = field === 'ratedWh' ? { voltsAssumed: false } : {}
  return { ...run, conditions: { ...run.conditions, ...assumed, [field]: to }, conditionCorrections }
}

/** The moment of power-on put right; `said` has both moments in words. */
export const correctStart = (
  run: Run,
  startedAt: string,
  said: { from: string; to: string },
  because: Because,
): Run => ({
  ...run,
  startedAt,
  dated: true,
  conditionCorrections: [...run.conditionCorrections, { field: 'startedAt', ...said, ...because }],
})

/** What a device brought to a run, put right backwards because it was always so: one correction for each that differs. */
export function correctBackwards(run: Run, now: Partial<Run['conditions']>, because: Because): Run {
  return (Object.keys(now) as RunConditionName[]).reduce((corrected, field) => {
    const [from, to] = [run.conditions[field], now[field]!]
    if (from === to || !(RUN_CONDITIONS[field] as RunCondition).label) return corrected
    const done = correctCondition(corrected, field, to, { from: inWords(from), to: inWords(to) }, because)
    return {
      ...done,
      conditions: { ...done.conditions, voltsAssumed: now.voltsAssumed ?? done.conditions.voltsAssumed },
    }
  }, run)
}

/** A condition's value as it stays on record. */
export const inWords = (value: string | number | boolean | null | undefined): string =>
  value === null || value === undefined || value === '' ? 'not known' : String(value)

const known = (value: number): number | null => (Number.isNaN(value) ? null : value)
