import { CHANNELS, channel, plainUnit, scalesOf, type Channel } from '../trace/channels'
import type { Trace } from '../trace/trace'
import type { ColumnMeaning } from './columns'
import { writeTraceCsv } from './traceCsvOut'

/**
 * Columns headed "Quantity / unit", as open data of battery tests have them ("Test Time / s", "Voltage / V"). Volts,
 * amperes and watts without a word before them are those of the meter at the source.
 */
const QUANTITIES: Record<Channel, string> = {
  percent: 'Shown Level',
  voltage: 'Voltage',
  current: 'Current',
  power: 'Power',
  batteryPower: 'Battery Power',
  batteryVoltage: 'Battery Voltage',
  batteryCurrent: 'Battery Current',
  counterWh: 'Cumulative Energy',
  counterAh: 'Cumulative Capacity',
  watched: 'Watched',
}
const TIME = 'Test Time / s'
const NOTE = 'Note'
/** A quantity without a unit. */
const ONE = '1'
const DEGREES = 'degC'
const TEMPERATURE = /^temperature(?: (.+))?$/i

/** The heading of a channel's column. */
export const quantityTitle = (name: Channel): string => `${QUANTITIES[name]} / ${channel(name).unit || ONE}`

/** What a heading of this style means; undefined for another style, a unit of another kind, or an unknown quantity. */
export function quantityMeaning(heading: string): ColumnMeaning | undefined {
  const [, quantity, unit] = /^(.+?) ?\/ ?(\S+)$/.exec(heading.trim()) ?? []
  if (!quantity) return undefined
  const name = quantity.toLowerCase()
  if ((name === 'test time' || name === 'time') && unit === 's') return { kind: 'time', style: 'seconds' }
  if (name === 'unix time' && unit === 's') return { kind: 'time', style: 'epoch-seconds' }
  const place = TEMPERATURE.exec(quantity)
  if (place && unit === DEGREES) return { kind: 'temperature', place: place[1] ?? '', fahrenheit: false }
  const found = CHANNELS.find((c) => QUANTITIES[c].toLowerCase() === name)
  if (!found) return undefined
  const own = channel(found).unit || ONE
  const divisor = unit === own ? 1 : scalesOf(found).find((s) => s.unit === plainUnit(unit))?.divisor
  return divisor ? { kind: 'channel', channel: found, divisor } : undefined
}

/** Writes a trace in this style. */
export const writeQuantityUnit = (trace: Trace): string =>
  writeTraceCsv(trace, {
    time: TIME,
    channel: quantityTitle,
    temperature: (place) => `${['Temperature', place].filter(Boolean).join(' ')} / ${DEGREES}`,
    note: NOTE,
  })
