import { range } from 'd3-array'
import { decimal } from '../trace/decimal'
import { MOST_PLACES } from '../trace/places'
import { atCellSide } from './cellSide'
import { withoutNames, withoutPercents } from './calledLike'
import { withCellUnits } from './cellUnit'
import type { Channel } from '../trace/channels'
import { pacedStyle } from './clockPace'
import { countedStyle } from './countPace'
import { withoutMains } from './mains'
import { keyOf, meaningOf, ownChannel, SHARE, type ColumnMeaning } from './columns'
import { holdsClocks, holdsRising } from './dateColumn'
import { hasTimeUnit, isTimeUnit } from './headingUnit'
import { holdsLevels, lookLikeLevels } from './levels'
import { quantityMeaning } from './quantityUnit'
import type { Table } from './table'
import { inSmallerUnit } from './thousandths'
import type { TimeStyle } from './timeCell'
import { guessTimeStyle } from './timeStyle'
import { areShares, valueOf } from './valueCell'

const LEVEL: ColumnMeaning = { kind: 'channel', channel: 'percent', divisor: 1 }
/** Names of the level, unless it is the battery's volts that stand under them. */
const MAYBE_LEVEL =
  /^(battery|batt?|charge|capacity|akku(stand)?|ladestand|batterie|bater[ií]a|batteria|accu|niveau( de charge)?|nivel( de carga)?|livello( di carica)?|carga|carica|f[uü]llstand|ladezustand|(phone|tablet|laptop|device)[ _]battery|(shown|display(ed)?)( level)?|anzeige)$/i
/** "T" beside another column of times is a temperature, if its numbers can be one. */
function withT(
  headers: readonly string[],
  meanings: readonly ColumnMeaning[],
  samples: readonly (readonly string[])[],
): ColumnMeaning[] {
  if (meanings.filter((m) => m.kind === 'time').length < 2) return [...meanings]
  return meanings.map((m, i) =>
    headers[i].trim() === 'T' && m.kind === 'time' && samples[i].every(mayBeDegrees)
      ? { kind: 'temperature', place: '', fahrenheit: false }
      : m,
  )
}

const mayBeDegrees = (cell: string): boolean => cell.trim() === '' || Math.abs(decimal(cell)) < 100

/** Names of the battery's charge too, which a meter counts from nothing. */
const MAYBE_COUNT = /^(charge|capacity)$/i
const maybeLevel = (name: string, cells: readonly string[]): boolean =>
  MAYBE_LEVEL.test(name) &&
  lookLikeLevels(cells) &&
  !(MAYBE_COUNT.test(name) && cells.some((cell) => /^0[.,]/.test(cell.trim())))

/** Columns of chargers, by position, that hold levels which rise: two of them at least. */
function likeLevels(table: Table, meanings: readonly ColumnMeaning[]): number[] {
  const found = meanings.flatMap((m, i) => (m.kind === 'ignore' && holdsLevels(table.rows, i) ? [i] : []))
  return found.length > 1 ? found : []
}
/** A heading that says where it was read: at a source, a bus, a meter. */
const NAMES_SIDE = /bus|source|input|meter|usb|charger|\bin\b/i

/** A best guess for every column; a meaning is given once, to the first column of what was read. */
export function guessColumns(table: Table): ColumnMeaning[] {
  const samples = table.headers.map((_, i) => sampleOf(table, i))
  const plainly = withT(
    table.headers,
    table.headers.map((header, i) => meaningOf(header, samples[i])),
    samples,
  )
  const hasLevel = plainly.some((m) => m.kind === 'channel' && m.channel === 'percent')
  const byName = table.headers.map((header, i) => {
    const isLevel = !hasLevel && maybeLevel(header.trim(), samples[i])
    return inSmallerUnit(isLevel ? LEVEL : plainly[i], header, samples[i])
  })
  const namesSide = (i: number) =>
    ownChannel(table.headers[i].toLowerCase()) !== undefined ||
    quantityMeaning(table.headers[i]) !== undefined ||
    NAMES_SIDE.test(table.headers[i])
  const named = withTime(
    withoutNames(withCellUnits(withoutPercents(byName, table.rows), table.rows), table),
    table,
  )
  const told = withoutMains(named, table.headers, (i) => sampleOf(table, i))
  const ofOwn = (i: number) => /_now$/i.test(table.headers[i].trim())
  const meanings = [...atCellSide(told, namesSide, ofOwn, (i) => sampleOf(table, i))]
  const time = meanings.findIndex((m) => m.kind === 'time')
  const level = meanings.findIndex((m) => m.kind === 'channel' && m.channel === 'percent')
  const timed = meanings[time]
  if (timed?.kind === 'time') {
    const watts = wattsAt(meanings)
    const styles = (level >= 0 ? [level] : likeLevels(table, meanings)).map((column) => {
      const shares = asShares(meanings[column], table, column)
      const points = shares.kind === 'channel' && shares.divisor < 1 ? 1 / SHARE : 1
      return pacedStyle(timed.style, table.headers[time], table.rows, { time, level: column, points, watts })
    })
    const [paced = timed.style] = styles
    const style = styles.every((other) => other === paced) ? paced : timed.style
    meanings[time] = { kind: 'time', style: byCount(timed.style, table, meanings, time) ?? style }
  }
  const shown = meanings.map((as, i) => asShares(as, table, i))
  const taken = new Map<string, number>()
  shown.forEach((meaning, i) => {
    const before = taken.get(keyOf(meaning))
    const isBetter = (at: number) => isAside(table.headers[at]) && !isAside(table.headers[i])
    if (before === undefined || (meaning.kind !== 'time' && isBetter(before))) taken.set(keyOf(meaning), i)
  })
  let places = 0
  return shown.map((meaning, i) => {
    const isTaken = taken.get(keyOf(meaning)) === i
    const isTooMany = isTaken && meaning.kind === 'temperature' && ++places > MOST_PLACES
    return isTaken && !isTooMany ? meaning : { kind: 'ignore' }
  })
}

/** The watts of a row by what its columns hold; undefined where they hold none. */
function wattsAt(meanings: readonly ColumnMeaning[]): ((cells: readonly string[]) => number) | undefined {
  const [power, volts, amps] = (['power', 'voltage', 'current'] as const).map((channel) =>
    meanings.findIndex((m) => m.kind === 'channel' && m.channel === channel),
  )
  const valueIn = (cells: readonly string[], column: number) =>
    valueOf(cells[column] ?? '', meanings[column], '')
  if (power >= 0) return (cells) => Math.abs(valueIn(cells, power))
  return volts < 0 || amps < 0 ? undefined : (cells) => Math.abs(valueIn(cells, volts) * valueIn(cells, amps))
}

/** The style in which what a meter counted agrees with what it read; undefined where it tells none. */
function byCount(
  style: TimeStyle,
  { headers, rows }: Table,
  meanings: readonly ColumnMeaning[],
  time: number,
): TimeStyle | undefined {
  const at = (channel: Channel) => meanings.findIndex((m) => m.kind === 'channel' && m.channel === channel)
  const pairs = [
    [at('counterWh'), at('power')],
    [at('counterAh'), at('current')],
  ]
  const [total, rate] = pairs.find((pair) => pair.every((column) => column >= 0)) ?? []
  return total === undefined
    ? undefined
    : countedStyle(style, headers[time], rows, meanings, { time, total, rate: rate! })
}

/** A heading of what was set, or of the least and the most of a stretch: what was read stands beside it. */
const isAside = (heading: string): boolean =>
  /(^|[^a-z])(set|target|limit|rated|nominal|requested|min|max|minimum|maximum|peak)([^a-z]|$)/i.test(
    heading.replace(/_/g, ' '),
  )

/**
 * Where no name says which column is the time: the first whose heading has a unit of time, else that holds clocks, else,
 * beside a level, that holds numbers which rise.
 */
function withTime(meanings: ColumnMeaning[], table: Table): ColumnMeaning[] {
  if (meanings.some((m) => m.kind === 'time')) return meanings
  const { headers, rows } = table
  const hasLevel = meanings.some((m) => m.kind === 'channel' && m.channel === 'percent')
  const signs = [
    (i: number) =>
      hasTimeUnit(headers[i]) || (i === 0 && isTimeUnit(headers[0].trim()) && holdsRising(rows, 0)),
    (i: number) => holdsClocks(rows, i),
    (i: number) => hasLevel && holdsRising(rows, i),
  ]
  const unknown = meanings.flatMap((m, i) => (m.kind === 'ignore' ? [i] : []))
  const at = signs.map((sign) => unknown.find(sign)).find((i) => i !== undefined)
  if (at === undefined) return meanings
  const saysUnit = hasTimeUnit(headers[at]) || isTimeUnit(headers[at].trim())
  const style = guessTimeStyle(saysUnit ? headers[at] : '', sampleOf(table, at))
  return meanings.with(at, { kind: 'time', style })
}

/** A column that names its unit as we write it is in percent, whatever stands in it. */
const asShares = (meaning: ColumnMeaning, { headers, rows }: Table, column: number): ColumnMeaning =>
  meaning.kind === 'channel' &&
  meaning.channel === 'percent' &&
  !ownChannel(headers[column].toLowerCase()) &&
  !quantityMeaning(headers[column]) &&
  areShares(rows, column)
    ? { ...meaning, divisor: SHARE }
    : meaning

/** Cells to judge a column by: its first, and a few from all the way down, where midnight may be passed. */
function sampleOf({ rows }: Table, column: number): string[] {
  const step = Math.max(1, Math.floor(rows.length / 100))
  const further = range(Math.ceil(FIRST / step) * step, rows.length, step).map((i) => rows[i])
  return [...rows.slice(0, FIRST), ...further].map((row) => row.cells[column] ?? '')
}
const FIRST = 50
