import { repeatedColumns } from './columns'
import { areUnits } from './headerRows'
import type { Table } from './table'

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

/**
 * The table with the unit of a charger's watts set off from its name, where its levels stand beside them: "12 W W" beside
 * "12 W %" are the watts of "12 W", which alone could be a charger called by its watts.
 */
export function withPairs(table: Table): Table {
  const { headers } = table
  const stems = new Set(headers.flatMap((header) => /^(.+?)\s*[([]?%[)\]]?$/.exec(header)?.[1] ?? []))
  if (stems.size < 2) return table
  return {
    ...table,
    headers: headers.map((header) => {
      const [, stem, unit] = /^(.+?)\s+(m?W|watts?)$/i.exec(header) ?? []
      return stem && stems.has(stem) ? `${stem} (${unit})` : header
    }),
  }
}

/** The table with the units of its headings in them, where they stand in a row of their own below. */
export function withUnits(table: Table): Table {
  const [first] = table.rows
  const units = first?.cells.map((cell) => cell.trim()) ?? []
  if (!areUnits(units)) return table
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
