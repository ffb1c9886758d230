import type { ColumnMeaning } from './columns'
import { OF_UNIT, TIME_UNITS } from './units'

/** The unit at the end of a heading: "Zeit (min)", "Leistung [W]", "Strom mA". */
const LAST = /(?:[[(]\s*([^\])]+?)\s*[\])]|[\s,/_]([^\s()[\]]+))\s*$/

const unitOf = (heading: string): string => {
  const found = LAST.exec(heading.trim())
  return found?.[1] ?? found?.[2] ?? ''
}

/** What a heading means by its unit alone, in whatever language the rest of it is; undefined where it has none. */
export const unitMeaning = (heading: string): ColumnMeaning | undefined => OF_UNIT[unitOf(heading)]

/** Whether a heading's unit is one of time. A name that is known says more: "Temp min" is no time. */
export const hasTimeUnit = (heading: string): boolean =>
  /^\p{L}/u.test(heading.trim()) && TIME_UNITS.includes(unitOf(heading))

/** Whether a heading names a unit of its own. */
export const namesUnit = (heading: string): boolean =>
  /(^|[^a-z])([kmuµμ]?[vaw]|[kmuµμ]?[aw]h|c|f)([^a-z]|$)|volts|ampere|amps|watts|celsius|fahrenheit|milli|(kilo|micro)(volt|amp|watt)/i.test(
    heading.replace(/_/g, ' '),
  )
