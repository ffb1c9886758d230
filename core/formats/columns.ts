import { CHANNELS, channel, scalesOf, type Channel } from '../trace/channels'
import { isPlainKey } from '../trace/fields'
import { quantityMeaning } from './quantityUnit'
import { atBattery, hasTimeUnit, heldToUnit, unitMeaning } from './headingUnit'
import type { TimeStyle } from './timeCell'
import { guessTimeStyle } from './timeStyle'
import type { Table } from './table'

/** What a column of a foreign table means to us. */
export type ColumnMeaning =
  | { kind: 'time'; style: TimeStyle }
  | { kind: 'channel'; channel: Channel; divisor: number }
  | { kind: 'temperature'; place: string; fahrenheit: boolean; divisor?: number }
  | { kind: 'note' }
  | { kind: 'ignore' }

/** What no two columns may hold both. */
export const keyOf = (meaning: ColumnMeaning): string =>
  meaning.kind === 'channel'
    ? meaning.channel
    : meaning.kind === 'temperature'
      ? `t:${meaning.place}`
      : meaning.kind

/** Levels of a spreadsheet may be shares of one: what is divided by this is percent. */
export const SHARE = 0.01

/** The channel of the contract that a header names; undefined when it names none. */
export const ownChannel = (header: string): Channel | undefined =>
  CHANNELS.find((c) => channel(c).header === header)

const OWN_TEMPERATURE = /^temperature(?:_(.+))?_c$/i

/** Looser names seen on meters' and spreadsheets' tables, in a few languages; first match wins. */
const LOOSE: [RegExp, (header: string) => ColumnMeaning][] = [
  // A plug at the wall tells of the alternating current: no watts of these.
  [
    /(fa[ck]tor|facteur|fattore|apparent|r[eé]acti|schein|blind|\(vars?\)|\(va\)|\bcos\b)/i,
    () => ({ kind: 'ignore' }),
  ],
  // The room's is no temperature of the device.
  [/(ambient|\broom\b|raumtemp|umgebung)/i, () => ({ kind: 'ignore' })],
  // What was asked for, the lines beside the power, and what is left over it: no volts of the supply.
  [
    /(^set[ _]|set ?point|\b(target|requested|nominal|rated)\b|ripple|^d ?[+\-−pm](?![a-z])|\bcc ?[12]\b|\bdrop\b)/i,
    () => ({ kind: 'ignore' }),
  ],
  // Shares of something else than the battery's charge.
  [
    /(humid|feucht|brightness|backlight|\bduty\b|\bcpu\b|\bgpu\b|\bram\b|memory|\brh\b|efficien|wirkungsgrad|health|\bwear\b|\bsoh\b|\bsignal\b|\b(load|error|accuracy|volume|fan|speed)\b.*%)/i,
    () => ({ kind: 'ignore' }),
  ],
  // What is still to come, as the device guesses.
  [
    /(\btime (to|left|until|remaining)\b|\bremaining time\b|\bto full\b|\beta\b)/i,
    () => ({ kind: 'ignore' }),
  ],
  [
    /^t[ _-](°?[cf]$|bat|cell|case|back|front|surface|device|board|lid|screen|rear|top|bottom|skin|pad|coil|port|charger)/i,
    (h) => ({ kind: 'temperature', place: placeIn(h), fahrenheit: isFahrenheit(h) }),
  ],
  [
    /^(elapsed|(?:test|run|charg(?:e|ing)|total|record(?:ing)?|log|local|system|device|current) time|(?:recorded|logged|measured|sampled|taken|created)(?: (?:at|on)|$)|when|moment|duration|dauer|dur[eé]e|duraci[oó]n|durata|time|zeit|laufzeit|ladezeit|ladedauer|uhrzeit|temps|heure|tiempo|hora|tempo|ora|tijd|t|time ?stamp|time ?code|clock|seconds?|mins?(?![ .-]*(power|watt|volt|current|amp|temp|level|soc))|minutes?|date|date ?time|uptime|epoch|unix|millis|ms)\b/i,
    () => ({ kind: 'time', style: 'seconds' }),
  ],
  [
    /(%|percent|\blevel\b|\bsoc\b|charge level|state of charge)/i,
    () => ({ kind: 'channel', channel: 'percent', divisor: 1 }),
  ],
  [
    /(\b[kmu]?wh\b|watt.?hour)/i,
    (h) => ({ kind: 'channel', channel: 'counterWh', divisor: divisorOf(h, 'wh') }),
  ],
  [
    /(\b[mu]?ah\b|ampere?.?hour)/i,
    (h) => ({ kind: 'channel', channel: 'counterAh', divisor: divisorOf(h, 'ah') }),
  ],
  [
    /(volt|\b[uv] ?(bus|in|out|usb|dc)\b|spannung|tensi[oó]n|spanning|\bu\b|\([muµμ]?v\)|_[muµμ]?v$|^[muµμ]?v$)/i,
    (h) => ({ kind: 'channel', channel: 'voltage', divisor: divisorOf(h, 'v') }),
  ],
  [
    /(\b(milli|micro|[mu])?amp|current(?![ _](time|power|watt|temp|mode|state))|\bi ?(bus|in|out|usb|dc)\b|strom(?!verb)|intensi(t[eé]|dad)|courant|corriente|corrente|stroom|\bi\b|\([muµμ]?a\)|_[muµμ]?a$|^[muµμ]?a$)/i,
    (h) => ({ kind: 'channel', channel: 'current', divisor: divisorOf(h, 'a') }),
  ],
  [
    /(watt|power|\bp ?(bus|in|out|usb|dc)\b|leistung|puissance|potencia|potenza|vermogen|\bp\b|\([kmuµμ]?w\)|_[kmuµμ]?w$|^[kmuµμ]?w$)/i,
    (h) => ({ kind: 'channel', channel: 'power', divisor: divisorOf(h, 'w') }),
  ],
  [/(temp(?!s\b)|°c|°f)/i, (h) => ({ kind: 'temperature', place: placeIn(h), fahrenheit: isFahrenheit(h) })],
  [/(note|comment|remark|remarque|bemerkung|notiz|event)/i, () => ({ kind: 'note' })],
]

/** A place is a name, no sentence. */
const PLACE_CHARS = 40
/** What is left of a heading besides the word for temperature, its unit, and whether it is a mean or a highest. */
export function placeIn(heading: string): string {
  const place = loosen(heading.toLowerCase())
    .replace(/temp(eratur[ae]?|[eé]rature)?\b\.?|°?[cf]\b(?=[\s)]*$)|°c|°f|celsius|fahrenheit|\bt\b/g, ' ')
    .replace(/\b(max|min|mean|avg|average|maximum|minimum|sensor|of|the|in|at)\b/g, ' ')
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim()
    .slice(0, PLACE_CHARS)
    .trim()
  return isPlainKey(place) ? place : ''
}

const isFahrenheit = (header: string): boolean => /(°f|\(f\)|fahrenheit|_f$)/i.test(header)

const SIZES = { m: 1000, u: 1e6, k: 0.001 } as const
/** 1000 for a header in thousandths ("mA", "current_ma", "milliamps"), and so on for "µA" and "kWh". */
function divisorOf(header: string, unit: string): number {
  const found = new RegExp(
    `(?:^|[^a-z])([kmuµμ])${unit}(?:[^a-z]|$)|(kilo|milli|micro)(?:volt|amp|watt)`,
    'i',
  ).exec(header)
  if (!found) return 1
  const sign = (found[1] ?? { kilo: 'k', milli: 'm', micro: 'u' }[found[2].toLowerCase()]!).toLowerCase()
  return SIZES[sign === 'k' || sign === 'm' ? sign : 'u']
}

/** Underscores part words in headers, and a regular expression does not know it. */
const loosen = (header: string): string => header.replace(/_/g, ' ')

/** What a heading means by its name, with cells of its column where they tell how a time is written. */
export function meaningOf(header: string, cells: readonly string[]): ColumnMeaning {
  const name = header.trim().toLowerCase().replace(/\[/g, '(').replace(/\]/g, ')')
  if (name === 'time_s') return { kind: 'time', style: ownTimeStyle(cells) }
  if (name === 'note') return { kind: 'note' }
  const own = ownChannel(name)
  if (own) return { kind: 'channel', channel: own, divisor: 1 }
  // A place keeps its capitals.
  const place = OWN_TEMPERATURE.exec(header.trim())
  if (place) return { kind: 'temperature', place: place[1] ?? '', fahrenheit: false }
  const quantity = quantityMeaning(header)
  if (quantity) return quantity
  const loose = LOOSE.find(([pattern]) => pattern.test(loosen(name)) || pattern.test(name))
  const byName = loose?.[1](name)
  const meaning = byName
    ? atBattery(heldToUnit(byName, header), header)
    : (unitMeaning(header) ?? { kind: 'ignore' })
  return meaning.kind === 'time' ? { kind: 'time', style: guessTimeStyle(name, cells) } : meaning
}

/** Our own column counts seconds from power-on, whatever they are; only a clock or a date in it is something else. */
function ownTimeStyle(cells: readonly string[]): TimeStyle {
  const style = guessTimeStyle('time_s', cells)
  return style === 'epoch-seconds' || style === 'epoch-milliseconds' ? 'seconds' : style
}

/** Whether a name is one of a time. */
export const isTimeName = (header: string): boolean => meaningOf(header, []).kind === 'time'

/** Whether a row of cells names a time and something that was read at it. */
export function isHeaderRow(cells: readonly string[]): boolean {
  const kinds = cells.map((cell) =>
    parsesAsValue(cell) || HOLDS_MOMENT.test(cell) ? 'ignore' : meaningOf(cell, []).kind,
  )
  return (
    (kinds.includes('time') || cells.some(hasTimeUnit)) &&
    kinds.some((k) => k === 'channel' || k === 'temperature')
  )
}
/** "Recorded at 19:00" is said before a table, and heads no column. */
const HOLDS_MOMENT = /\d{1,2}:\d{2}|\d{4}-\d{2}/
/** A number, a level or a time is a value, whatever words stand in it. */
const parsesAsValue = (cell: string): boolean => /^[\s\d.,:+-]*(\d\s*%)?$/.test(cell)

const nameOf = (header: string): string => (header === 'T' ? header : header.toLowerCase())

/** Columns that carry the name of one before them, by position from 0. */
export const repeatedColumns = (headers: readonly string[]): number[] =>
  headers.flatMap((header, i) => {
    // "t" is a time, and "T" a temperature.
    const name = nameOf(header)
    return name !== '' && headers.findIndex((h) => nameOf(h) === name) < i ? [i] : []
  })

/**
 * What a column may hold of the channels, to choose from: each in its unit, then in the other sizes of it; what flows
 * may be counted the other way round.
 */
export function channelChoices(): {
  value: string
  title: string
  meaning: ColumnMeaning & { kind: 'channel' }
}[] {
  const choice = (c: Channel, divisor: number, title: string) => ({
    value: `${c}-${divisor}`,
    title,
    meaning: { kind: 'channel' as const, channel: c, divisor },
  })
  const whole = CHANNELS.map((c) => choice(c, 1, `${channel(c).called}, ${channel(c).unit}`))
  const sized = CHANNELS.flatMap((c) =>
    scalesOf(c).map(({ unit, divisor }) => choice(c, divisor, `${channel(c).called}, ${unit}`)),
  )
  const turned = CHANNELS.filter((c) => channel(c).bounds[0] < -1).flatMap((c) => {
    const { called, unit } = channel(c)
    const outwards = (divisor: number, of: string) => choice(c, divisor, `${called}, ${of}, counted outwards`)
    return [outwards(-1, unit), outwards(-1000, `m${unit}`), outwards(-1e6, `µ${unit}`)]
  })
  return [...whole, choice('percent', SHARE, 'level, as a share of one'), ...sized, ...turned]
}

/** Whether the table is written by the contract, so that nothing needs asking. */
export const isOwnTable = (table: Table): boolean =>
  table.headers.some((h) => h.toLowerCase() === 'time_s') && table.headers.every(isOwnName)

/** Whether a heading is one of the contract's. */
export function isOwnName(header: string): boolean {
  const name = header.trim().toLowerCase()
  return name === 'time_s' || name === 'note' || ownChannel(name) !== undefined || OWN_TEMPERATURE.test(name)
}
