import { deviceSchema } from '../gear/deviceFields'
import { deviceConditions, noConditions } from '../protocol/runConditions'
import { mendRun } from './mend'
import { SHELF_NAMES } from './logbook'

/** The version of the logbook's layout; raised together with a step in {@link STEPS}. */
export const LOGBOOK_SCHEMA_VERSION = 9

type Raw = Record<string, unknown>
/** A logbook as its collections stand in a file or in storage, unchecked. A run may carry its `trace`. */
export type RawLogbook = Record<string, unknown>

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null
const eachOf = (list: unknown, change: (record: Raw) => Raw): unknown =>
  Array.isArray(list) ? list.map((record: unknown) => (isRaw(record) ? change(record) : record)) : list

/** What each version changed in the one before it, one step at a time. */
const STEPS: Record<number, (logbook: RawLogbook) => RawLogbook> = {
  // 2: meters, observations, protocols and campaigns; runs know their place in a campaign and their checklist.
  1: (logbook) => ({
    meters: [],
    observations: [],
    protocols: [],
    campaigns: [],
    ...logbook,
    runs: eachOf(logbook.runs, (run) => ({ planned: null, checklist: [], ...run })),
  }),
  // 3: a rating's corrections stand in the item they correct, so that both are one write; every value lies within
  // its channel's bounds and times never fall, which earlier versions did not see to.
  2: ({ gearCorrections, ...logbook }) => ({
    ...Object.fromEntries(
      Object.entries(logbook).map(([name, list]) => [
        name,
        (SHELF_NAMES as string[]).includes(name)
          ? eachOf(list, (item) => withCorrections(item, gearCorrections))
          : list,
      ]),
    ),
    runs: eachOf(logbook.runs, mendRun),
  }),
  // 4: a run carries what it was made under. What the shelf says of its device now is the best that is known.
  3: (logbook) => ({
    ...logbook,
    runs: eachOf(logbook.runs, (run) => ({ ...run, conditions: conditionsOf(run, logbook.devices) })),
  }),
  // 5: write-ups; what a survey read stands in its observation.
  4: (logbook) => ({ writeUps: [], ...logbook }),
  // 6: stretches left out of a run, with their readings; an earlier program would drop them without a word.
  5: (logbook) => ({ ...logbook, runs: eachOf(logbook.runs, (run) => ({ leftOut: [], ...run })) }),
  // 7: a run whose moment nobody knew says so. Of earlier ones that cannot be told any more.
  6: (logbook) => ({ ...logbook, runs: eachOf(logbook.runs, (run) => ({ dated: true, ...run })) }),
  // 8: a write-up may have blocks of power and of what was measured under load, which an earlier program would refuse.
  7: (logbook) => logbook,
  // 9: one of what some minutes bring as well.
  8: (logbook) => logbook,
}

function conditionsOf(run: Raw, devices: unknown): unknown {
  if (isRaw(run.conditions)) return run.conditions
  const device: unknown = Array.isArray(devices)
    ? devices.find((d: unknown) => isRaw(d) && d.id === run.deviceId)
    : undefined
  try {
    return { ...noConditions(), ...deviceConditions(deviceSchema.validateSync(device)) }
  } catch {
    // A device that does not hold is refused or set apart by its own check; the run knows nothing of it then.
    return noConditions()
  }
}

function withCorrections(item: Raw, all: unknown): Raw {
  const mine = Array.isArray(all)
    ? all.filter((c: unknown): c is Raw => isRaw(c) && c.itemId === item.id)
    : []
  if (mine.length === 0) return item
  const before = Array.isArray(item.corrections) ? item.corrections : []
  return { ...item, corrections: [...before, ...mine.map(({ itemId: _, ...correction }) => correction)] }
}

/** Brings a logbook of an older version forward, one step at a time. */
export function migrate(logbook: RawLogbook, from: number): RawLogbook {
  let current = logbook
  for (let version = from; version < LOGBOOK_SCHEMA_VERSION; version++) current = STEPS[version](current)
  return current
}
