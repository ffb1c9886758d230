import type { Channel } from '../trace/channels'
import type { ColumnMeaning } from './columns'

/** The unit at the end of a heading: "Zeit (min)", "Leistung [W]", "Strom mA". */
const LAST = /(?:[[(]\s*([^\])]+?)\s*[\])]|[\s,/_]([^\s()[\]]+))\s*$/

const of = (channel: Channel, divisor = 1): ColumnMeaning => ({ kind: 'channel', channel, divisor })
/** What a unit tells by itself, written as it is, capitals included: "Messwert A" may be of amperes, "Kanal a" is not. */
export const OF_UNIT: Readonly<Record<string, ColumnMeaning>> = {
  '%': of('percent'),
  V: of('voltage'),
  mV: of('voltage', 1000),
  A: of('current'),
  mA: of('current', 1000),
  W: of('power'),
  mW: of('power', 1000),
  Wh: of('counterWh'),
  mWh: of('counterWh', 1000),
  Ah: of('counterAh'),
  mAh: of('counterAh', 1000),
  '°C': { kind: 'temperature', place: '', fahrenheit: false },
  '°F': { kind: 'temperature', place: '', fahrenheit: true },
}

const unitOf = (heading: string): string => {
  const found = LAST.exec(heading.trim())
  return found?.[1] ?? found?.[2] ?? ''
}

/** What a heading means by its unit alone, in whatever language the rest of it is; undefined where it has none. */
export const unitMeaning = (heading: string): ColumnMeaning | undefined => OF_UNIT[unitOf(heading)]

const TIME_UNITS = ['ms', 's', 'sec', 'min', 'h', 'h:mm', 'hh:mm', 'h:mm:ss', 'hh:mm:ss', 'mm:ss']
/** Whether a heading's unit is one of time. A name that is known says more: "Temp min" is no time. */
export const hasTimeUnit = (heading: string): boolean =>
  /^\p{L}/u.test(heading.trim()) && TIME_UNITS.includes(unitOf(heading))

/** Whether a heading names a unit of its own. */
export const namesUnit = (heading: string): boolean =>
  /(^|[^a-z])(m?[vaw]|m?[aw]h|c|f)([^a-z]|$)|volts|ampere|amps|watts|celsius|fahrenheit|milli/i.test(
    heading.replace(/_/g, ' '),
  )
