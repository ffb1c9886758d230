import { channel, scalesOf, type Channel } from '../trace/channels'
import { signOf } from '../trace/spelledUnits'
import type { ColumnMeaning } from './columns'

const SOURCE_SIDE = ['percent', 'voltage', 'current', 'power', 'counterWh', 'counterAh'] as const

/** A channel's unit and its other sizes, and what a column in them holds. */
const unitsOf = (of: Channel): [unit: string, meaning: ColumnMeaning][] =>
  [{ unit: channel(of).unit, divisor: 1 }, ...scalesOf(of)].flatMap(({ unit, divisor }) =>
    spellings(unit).map((as): [string, ColumnMeaning] => [as, { kind: 'channel', channel: of, divisor }]),
  )
/** The micro sign has a Greek twin, and is typed as a u. */
const spellings = (unit: string): string[] =>
  unit.startsWith('µ') ? ['µ', 'μ', 'u'].map((sign) => sign + unit.slice(1)) : [unit]

/**
 * The units of what is read, and what each tells by itself, written as it is, capitals included: "Messwert A" may be of
 * amperes, "Kanal a" is not.
 */
export const OF_UNIT: Readonly<Record<string, ColumnMeaning>> = {
  ...Object.fromEntries(SOURCE_SIDE.flatMap(unitsOf)),
  '°C': { kind: 'temperature', place: '', fahrenheit: false },
  '°F': { kind: 'temperature', place: '', fahrenheit: true },
}

/** What a unit tells by itself, as a sign or a word; undefined for one that is not known. */
export function ofUnit(unit: string): ColumnMeaning | undefined {
  const sign = signOf(unit)
  // Not what every object has by nature.
  return Object.hasOwn(OF_UNIT, sign) ? OF_UNIT[sign] : undefined
}

/** The units of time as a heading carries them. */
export const TIME_UNITS: readonly string[] = [
  ...['ms', 's', 'sec', 'secs', 'second', 'seconds', 'min', 'mins', 'minute', 'minutes'],
  ...['h', 'hr', 'hrs', 'hour', 'hours'],
  ...['h:mm', 'hh:mm', 'h:mm:ss', 'hh:mm:ss', 'mm:ss'],
]

/** Degrees are often written without their sign. */
const BARE = ['C', 'F', 'degC']

const oneOf = (units: readonly string[]): string => [...units].sort((a, b) => b.length - a.length).join('|')

/** A pattern's piece for a unit of what is read, written as it is. */
export const QUANTITY_UNIT = oneOf([...Object.keys(OF_UNIT), ...BARE])
/** A pattern's piece for any unit, those of time too. */
export const ANY_UNIT = oneOf([...Object.keys(OF_UNIT), ...BARE, ...TIME_UNITS])
