import type { Protocol } from './protocol'
import {
  numbersIn,
  openReading,
  openStop,
  readingOf,
  stopOf,
  wordsIn,
  type TypedReading,
  type TypedStop,
} from './typedRules'

type AsText = 'startPercent' | 'restMinutes' | 'temperatureMinutes' | 'temperaturePlaces' | 'stopLimitC'

/** A protocol as a form has it: rules opened into fields, lists into lines of text. */
export interface TypedProtocol
  extends
    Omit<Protocol, 'id' | 'reading' | 'stop' | AsText>,
    Record<AsText, string>,
    TypedReading,
    TypedStop {}

/** Opens a protocol into the fields of a form. */
export function openProtocol(protocol: Protocol): TypedProtocol {
  const { id: _id, reading, stop, ...rest } = protocol
  return {
    ...rest,
    ...openReading(reading),
    ...openStop(stop),
    startPercent: String(rest.startPercent),
    restMinutes: String(rest.restMinutes),
    temperatureMinutes: rest.temperatureMinutes.join(' '),
    temperaturePlaces: rest.temperaturePlaces.join(', '),
    stopLimitC: String(rest.stopLimitC),
    conditions: rest.conditions.map((c) => ({ ...c })),
  }
}

/** What the schema of a protocol is to check; it refuses what does not hold. */
export const closeProtocol = (id: string, typed: TypedProtocol): Record<string, unknown> => ({
  id,
  name: typed.name,
  goodFor: typed.goodFor,
  hides: typed.hides,
  startPercent: typed.startPercent,
  startWay: typed.startWay,
  restMinutes: typed.restMinutes,
  reading: readingOf(typed),
  temperatureMinutes: numbersIn(typed.temperatureMinutes),
  temperaturePlaces: wordsIn(typed.temperaturePlaces),
  stopLimitC: typed.stopLimitC,
  stop: stopOf(typed),
  conditions: typed.conditions,
})

/** The field under which a fault at a path of the schema stands. */
export function protocolField(path: string): string {
  if (path === 'reading') return 'readingKind'
  if (path === 'stop') return 'stopKind'
  return path.startsWith('temperature') ? path.replace(/\[\d+\]$/, '') : path
}
