import type { ColumnMeaning } from './columns'

/** The unit at the end of a heading: "Zeit (min)", "Leistung [W]", "Strom mA". */
const LAST = /(?:[[(]\s*([^\])]+?)\s*[\])]|[\s,/_]([^\s()[\]]+))\s*$/

/** Units as they are written, capitals included: "Messwert A" may be one of amperes, "Kanal a" is none. */
const OF_UNIT: Record<string, ColumnMeaning> = {
  V: { kind: 'channel', channel: 'voltage', divisor: 1 },
  mV: { kind: 'channel', channel: 'voltage', divisor: 1000 },
  A: { kind: 'channel', channel: 'current', divisor: 1 },
  mA: { kind: 'channel', channel: 'current', divisor: 1000 },
  W: { kind: 'channel', channel: 'power', divisor: 1 },
  mW: { kind: 'channel', channel: 'power', divisor: 1000 },
}

const unitOf = (heading: string): string => {
  const [, inBrackets, bare] = LAST.exec(heading.trim()) ?? []
  return inBrackets ?? bare ?? ''
}

/** What a heading means by its unit alone, in whatever language the rest of it is; undefined where it has none. */
export const unitMeaning = (heading: string): ColumnMeaning | undefined => OF_UNIT[unitOf(heading)]

/** Whether a heading's unit is one of time. A name that is known says more: "Temp min" is no time. */
export const hasTimeUnit = (heading: string): boolean =>
  /^\s*\p{L}/u.test(heading) && /^(ms|s|sec|min|h|h+:mm(:ss)?|mm:ss)$/.test(unitOf(heading))

/** Whether a heading names a unit of its own. */
export const namesUnit = (heading: string): boolean =>
  /(^|[^a-z])(m?[vaw]h?|m?ah|°?[cf])([^a-z]|$)|volts|amperes?|amps|watts|celsius|fahrenheit|milli/i.test(
    heading.replace(/_/g, ' '),
  )
