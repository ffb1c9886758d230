import type { ColumnMeaning } from './columns'
import { channel, type Channel } from '../trace/channels'
import { ofUnit, TIME_UNITS } from './units'

/** The unit at the end of a heading: "Zeit (min)", "Leistung [W]", "Strom mA". */
const LAST = /(?:[[(]\s*([^\])]+?)\s*[\])]|[\s,/_]([^\s()[\]]+))\s*$/

/** A unit that its capital alone parts from the name: "busV", "loadmA". */
const BY_CAPITAL = /(?<=[a-z])(m?[VAW]h?)$/

const unitOf = (heading: string): string => {
  const found = LAST.exec(heading.trim())
  return found?.[1] ?? found?.[2] ?? BY_CAPITAL.exec(heading.trim())?.[1] ?? ''
}

/** What a heading means by its unit alone, in whatever language the rest of it is; undefined where it has none. */
export const unitMeaning = (heading: string): ColumnMeaning | undefined => ofUnit(unitOf(heading))

/** A unit that is set off from the name: in brackets, or behind a comma or a stroke. */
const SET_OFF = /(?:[[(]\s*([^\])]+?)\s*[\])]|[,/]\s*([^\s()[\]]+))\s*$/
/** Of what nothing here is measured in. */
const FOREIGN = /^([mk]?(ohms?|Ω)|[km]?hz|dbm?|lux|lx|rpm|va|vars?|ppm|hpa|[km]j|[kmg]i?b)$/i
/** What is measured at the battery's side, by what is measured at the source's. */
const AT_BATTERY: Partial<Record<Channel, Channel>> = {
  voltage: 'batteryVoltage',
  current: 'batteryCurrent',
  power: 'batteryPower',
}

/**
 * A name's meaning, unless the heading's unit says otherwise: "Battery level (V)" are volts, "T (°C)" is no time, and
 * "Level (dB)" nothing that is known here.
 */
export function heldToUnit(meaning: ColumnMeaning, heading: string): ColumnMeaning {
  const found = SET_OFF.exec(heading.trim())
  const unit = found?.[1] ?? found?.[2] ?? ''
  if (FOREIGN.test(unit)) return { kind: 'ignore' }
  if (meaning.kind === 'time' && /^[CF]$/.test(unit))
    return { kind: 'temperature', place: '', fahrenheit: unit === 'F' }
  const byUnit = ofUnit(unit)
  if (!byUnit || (meaning.kind !== 'channel' && meaning.kind !== 'temperature' && meaning.kind !== 'time'))
    return meaning
  if (byUnit.kind !== 'channel') return meaning.kind === 'temperature' ? meaning : byUnit
  const isSame = meaning.kind === 'channel' && channel(meaning.channel).unit === channel(byUnit.channel).unit
  return isSame ? meaning : byUnit
}

const BATTERY = /batt|akku|\baccu|\bbater[ií]a|\bbat\b|\bzell|\bcell\b|\bpack\b/i
const OTHER_END =
  /charger|source|(?<!batt(?:ery)?[ _])input|\busb\b|\bbus\b|eingang|ladeger[aä]t|chargeur|cargador|caricator/i

/** Volts, amperes and watts whose heading names the battery are those of its side, in a few languages. */
export function atBattery(meaning: ColumnMeaning, heading: string): ColumnMeaning {
  if (meaning.kind !== 'channel') return meaning
  const name = heading.replace(/_/g, ' ')
  const there = BATTERY.test(name) && !OTHER_END.test(name) ? AT_BATTERY[meaning.channel] : undefined
  return there ? { ...meaning, channel: there } : meaning
}

/** Whether a heading's unit is one of time. A name that is known says more: "Temp min" is no time. */
export const hasTimeUnit = (heading: string): boolean =>
  /^\p{L}/u.test(heading.trim()) && isTimeUnit(unitOf(heading))

/** Words of time may begin with a capital; "H" and "S" are other units. */
export const isTimeUnit = (unit: string): boolean =>
  TIME_UNITS.includes(unit.length > 2 ? unit.toLowerCase() : unit)

/** Whether a heading names a unit of its own. */
export const namesUnit = (heading: string): boolean =>
  /(^|[^a-z])([kmuµμ]?[vaw]|[kmuµμ]?[aw]h|c|f)([^a-z]|$)|volts|ampere|amps|watts|celsius|fahrenheit|milli|(kilo|micro)(volt|amp|watt)/i.test(
    heading.replace(/_/g, ' '),
  )
