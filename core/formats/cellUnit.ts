import { keyOf, type ColumnMeaning } from './columns'
import type { Table } from './table'
import { ofUnit } from './units'

/** A number with a unit behind it. */
const WITH_UNIT = /^[+\-−]?[\d.,]*\d\s*(\D+)$/
/** So many of a column's cells must carry its unit. */
const MOST = 0.9
/** A million rows of bare numbers are not gone through to the end. */
const LOOKED_AT = 100

/** What nearly all of a column's cells say by their unit; undefined where they say nothing. */
function saidByCells(rows: Table['rows'], column: number): ColumnMeaning | undefined {
  const cells = rows.slice(0, LOOKED_AT).flatMap((row) => row.cells[column]?.trim() || [])
  const said = cells.flatMap((cell) => ofUnit(WITH_UNIT.exec(cell)?.[1] ?? '') ?? [])
  const [first] = said
  const alike = said.filter((meaning) => keyOf(meaning) === keyOf(first))
  return alike.length > MOST * cells.length ? first : undefined
}

/**
 * The meanings of columns whose heading says nothing, by the units in their cells. Where two columns carry one unit, or
 * a heading names that quantity already, none of them is it.
 */
export function withCellUnits(meanings: readonly ColumnMeaning[], rows: Table['rows']): ColumnMeaning[] {
  const said = meanings.map((m, i) => (m.kind === 'ignore' ? saidByCells(rows, i) : undefined))
  const keys = [...meanings, ...said].flatMap((m) => (m && m.kind !== 'ignore' ? keyOf(m) : []))
  const isOnly = (meaning: ColumnMeaning) => keys.filter((key) => key === keyOf(meaning)).length === 1
  return meanings.map((m, i) => {
    const meaning = said[i]
    return meaning && isOnly(meaning) ? meaning : m
  })
}
