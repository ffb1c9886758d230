import { repeatedColumns } from './columns'
import type { Table } from './table'
import { ANY_UNIT } from './units'

/**
 * The table with the names of groups in its headings, where a row above the header names them: "%" and "W" below
 * "Hawser 30" become "Hawser 30 (%)" and "Hawser 30 (W)".
 */
export function withGroups(table: Table): Table {
  const { headers, above = [] } = table
  const repeated = new Set(repeatedColumns(headers).map((i) => headers[i].toLowerCase()))
  if (repeated.size === 0 || above.filter(Boolean).length < 2) return table
  let group = ''
  const grouped = headers.map((header, i) => {
    group = above[i] || group
    return group && repeated.has(header.toLowerCase()) ? `${group} (${header})` : header
  })
  const said = 'The line above the header names groups of its columns.'
  return { ...table, headers: grouped, assumed: [...table.assumed, said] }
}

/** A unit by itself, in brackets or not; a column may have none. */
const UNIT = new RegExp(
  `^[[(]?(${ANY_UNIT}|secs|seconds?|mins|minutes?|volts?|amps?|amperes?|watts?|-?)[\\])]?$`,
  'i',
)

/** The table with the units of its headings in them, where they stand in a row of their own below. */
export function withUnits(table: Table): Table {
  const [first] = table.rows
  const units = first?.cells.map((cell) => cell.trim()) ?? []
  const said = units.filter((unit) => /[^-]/.test(unit))
  if (said.length < 2 || !units.every((unit) => UNIT.test(unit))) return table
  const withUnit = (header: string, i: number) => {
    const unit = (units[i] ?? '').replace(/[[\]()-]/g, '')
    return unit === '' || header.toLowerCase().endsWith(`(${unit.toLowerCase()})`)
      ? header
      : `${header} (${unit})`
  }
  return {
    ...table,
    headers: table.headers.map(withUnit),
    rows: table.rows.slice(1),
    assumed: [...table.assumed, `Line ${first.line} holds the units.`],
  }
}
