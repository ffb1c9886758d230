import { sum } from 'd3-array'
import { meaningOf, type ColumnMeaning } from './columns'
import { guessColumns } from './guessColumns'
import { isValue } from './headerRows'
import { holdsLevels, lookLikeLevels } from './levels'
import { isReading } from './notebook'
import { isNotRead } from './notRead'
import { NAMES_VALUES } from './paired'
import type { Table } from './table'
import { valueOf } from './valueCell'

/** A page of notes has a title and a remark among its readings. */
const MOST_LINES = 0.7
/** The first rows of a table tell what it is. */
const LOOKED_AT = 200

/**
 * The page of notes that a text is read as rather than as tables, where it says more so; undefined where it is a table.
 * What has no time is no table of readings, what is headed by a reading has no heading, and a page's title is none either.
 *
 * @param notes the text as a page of notes; none where it is no such page
 */
export function readsBetter(tables: readonly Table[], notes: () => Table[]): Table[] | undefined {
  const [first] = tables
  const kinds = meaningsIn(first).map(({ kind }) => kind)
  const hasTime = kinds.includes('time')
  if (hasTime && isWide(first, kinds)) return undefined
  const isTable = hasTime && !isReading(first.headers.join(' '))
  const isSure = isTable && (isNameless(first) ? kinds.some(isRead) : first.headers.some(isKnown))
  // Without a row of names above its lines, values that have none there would be passed over.
  if (isSure && !isNameless(first) && !first.assumed.includes(NAMES_VALUES)) return undefined
  const page = notes()
  if (page.length === 0) return undefined
  if (!isTable) return page
  const [ofTables, ofPage] = [rowsOf(tables), rowsOf(page)]
  if (ofPage < MOST_LINES * ofTables) return undefined
  const more = toldBy(page) - toldBy(tables)
  const readsMore = more > 0 || (more === 0 && passesOver(first, kinds))
  return !isSure || readsMore ? page : undefined
}

/** How many values tables tell, of quantities that are known and at times that stand beside them. */
const toldBy = (tables: readonly Table[]): number =>
  sum(tables, (table) => {
    const meanings = meaningsIn(table)
    const time = meanings.findIndex((m) => m.kind === 'time')
    const isTold = (cell: string, m: ColumnMeaning) => isRead(m.kind) && !Number.isNaN(valueOf(cell, m, ''))
    return sum(table.rows, ({ cells }) =>
      isNotRead(cells[time] ?? '') ? 0 : meanings.filter((m, i) => isTold(cells[i] ?? '', m)).length,
    )
  })
const rowsOf = (tables: readonly Table[]): number => sum(tables, ({ rows }) => rows.length)
const meaningsIn = (table: Table): ColumnMeaning[] =>
  guessColumns({ ...table, rows: table.rows.slice(0, LOOKED_AT) })
const isRead = (kind: ColumnMeaning['kind']): boolean => kind === 'channel' || kind === 'temperature'
/** A name: a value is none. */
const isKnown = (header: string): boolean => !isValue(header) && meaningOf(header, []).kind !== 'ignore'
const isNameless = ({ headers }: Table): boolean => headers.every((header) => /^column \d+$/.test(header))

/** Whether names, which are no levels, stand above two columns of levels that rise: "5V 1A" is a charger there. */
function isWide(table: Table, kinds: readonly ColumnMeaning['kind'][]): boolean {
  const first = table.rows.slice(0, LOOKED_AT)
  const isCharger = (name: string, i: number) =>
    kinds[i] !== 'time' && !lookLikeLevels([name]) && holdsLevels(first, i)
  return !isNameless(table) && table.headers.filter(isCharger).length > 1
}

/** Whether figures of a table without names stand in no column that was known: "18,5 W" cut at its comma. */
const passesOver = (table: Table, kinds: readonly ColumnMeaning['kind'][]): boolean =>
  isNameless(table) && kinds.some((kind, i) => kind === 'ignore' && /\d/.test(table.rows[0].cells[i] ?? ''))
