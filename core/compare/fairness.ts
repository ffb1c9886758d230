import { besideWords } from './spells'
import { itemsOf } from '../words/names'
import type { RunConditions } from '../protocol/runConditions'

/** What of a run decides whether it may be compared. */
export interface FairSide {
  /** %; NaN where it was not read. */
  startPercent: number
  conditions: Pick<
    RunConditions,
    'deviceState' | 'healthPercent' | 'ambientC' | 'unitLabel' | 'software' | 'protocol'
  >
  /** Made by a charge model, and no bench. */
  simulated: boolean
  /** Names of the loads that it was put under. */
  loads: readonly string[]
  /** By name; '' where it is not known. */
  cable: string
  meter: string
  /** How it was read, in words. */
  reading: string
  /** Whether readings were put right later. */
  corrected: boolean
  /** Other runs that the same source fed meanwhile; see `fedBeside`. */
  fedBeside: number
}

export interface FairnessRow {
  label: string
  /** One for each run, as it is shown; '' where nobody noted it. */
  values: string[]
  state: 'equal' | 'different' | 'unknown'
  /** A blocking difference stops a verdict until it is accepted. */
  weight: 'blocking' | 'warning'
}

/** Health may differ by three points, the room by three degrees, a start level by what a display rounds. */
const HEALTH_POINTS = 3
const ROOM_C = 3
const START_POINTS = 1

const text = (value: string | number | null): string =>
  value === null || Number.isNaN(value) ? '' : String(value)

/** Numbers within a tolerance of each other are equal. */
function numbers(
  label: string,
  weight: FairnessRow['weight'],
  values: (number | null)[],
  within: number,
): FairnessRow {
  const known = values.filter((v): v is number => v !== null && !Number.isNaN(v))
  const widest = Math.max(...known) - Math.min(...known)
  const isUnknown = known.length < values.length
  return {
    label,
    values: values.map(text),
    state: known.length > 1 && widest > within ? 'different' : isUnknown ? 'unknown' : 'equal',
    weight,
  }
}

function words(
  label: string,
  weight: FairnessRow['weight'],
  values: string[],
  spelt = (value: string): string => value.trim().toLowerCase(),
): FairnessRow {
  const known = values.filter((v) => v.trim() !== '')
  const kinds = new Set(known.map(spelt))
  const isUnknown = known.length < values.length
  return { label, values, state: kinds.size > 1 ? 'different' : isUnknown ? 'unknown' : 'equal', weight }
}

/** "asleep, case off" is "case off; asleep". */
const anyOrder = (value: string): string => itemsOf(value).join('; ')

/**
 * Every condition of the runs beside each other. Unknown is not equal.
 *
 * @param isAligned true where the clocks begin at a common level: a start level then blocks nothing
 */
export function fairness(sides: readonly FairSide[], isAligned: boolean): FairnessRow[] {
  const of = <T>(what: (side: FairSide) => T): T[] => sides.map(what)
  return [
    numbers('Start level', isAligned ? 'warning' : 'blocking', of((s) => s.startPercent), START_POINTS), // prettier-ignore
    numbers('Battery health', 'blocking', of((s) => s.conditions.healthPercent), HEALTH_POINTS), // prettier-ignore
    words('State of the device', 'blocking', of((s) => s.conditions.deviceState), anyOrder), // prettier-ignore
    words('Made by', 'blocking', of((s) => (s.simulated ? 'a charge model' : 'a bench'))), // prettier-ignore
    words('Load', 'blocking', of((s) => s.loads.join(', ') || 'none')), // prettier-ignore
    words('Cable', 'warning', of((s) => s.cable)), // prettier-ignore
    words('On its source', 'warning', of((s) => besideWords(s.fedBeside))), // prettier-ignore
    numbers('Room temperature', 'warning', of((s) => s.conditions.ambientC), ROOM_C), // prettier-ignore
    words('How it was read', 'warning', of((s) => s.reading)), // prettier-ignore
    words('Unit', 'warning', of((s) => s.conditions.unitLabel)), // prettier-ignore
    words('Software', 'warning', of((s) => s.conditions.software)), // prettier-ignore
    words('Protocol', 'warning', of((s) => s.conditions.protocol)), // prettier-ignore
    words('Meter', 'warning', of((s) => s.meter)), // prettier-ignore
    words('Put right later', 'warning', of((s) => (s.corrected ? 'yes' : 'no'))), // prettier-ignore
  ]
}
