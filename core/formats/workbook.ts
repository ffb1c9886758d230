import { isDate } from './dateColumn'
import { guessColumns } from './guessColumns'
import { UnreadableFile } from './problem'
import { sheetText, type SheetCell } from './sheetCells'
import type { Progress, Table } from './table'
import { readTraceTables } from './traceCsv'
import { wideColumns } from './wide'

/** A sheet of a spreadsheet, as it is read. */
export interface Sheet {
  sheet: string
  data: readonly (readonly SheetCell[])[]
}

/** Whether a table has a time and something that was read at it, without anybody naming its columns. */
function holdsReadings(table: Table): boolean {
  const meanings = guessColumns(table)
  const isRead = meanings.some((m) => m.kind === 'channel' || m.kind === 'temperature')
  return meanings.some((m) => m.kind === 'time') && (isRead || wideColumns(table, meanings).length > 1)
}

/** A table's title with its sheet's before it: "Phone, Hawser 20". A sheet may be called by its day. */
const inSheet = (sheet: string, table: Table): Table => ({
  ...table,
  ...(table.day === undefined && isDate(sheet) ? { day: sheet } : {}),
  title: [sheet, table.title].filter(Boolean).join(', '),
})

/** The tables of one sheet that hold readings; none where it cannot be read. */
function readingsOf({ sheet, data }: Sheet): Table[] {
  try {
    return readTraceTables(sheetText(data))
      .filter(holdsReadings)
      .map((table) => inSheet(sheet, table))
  } catch (error) {
    if (error instanceof UnreadableFile) return []
    throw error
  }
}

/**
 * The tables of a spreadsheet's sheets, those alone that hold readings where there are several sheets; the others are
 * named in what was assumed. Where none holds any, the first is given as it is, for its columns to be named by hand.
 *
 * @throws UnreadableFile where nothing can be read in any
 */
export function workbookTables(sheets: readonly Sheet[], onProgress?: Progress): Table[] {
  const filled = sheets.filter(({ data }) =>
    data.some((row) => row.some((cell) => cell !== null && cell !== '')),
  )
  const [first = sheets[0]] = filled
  if (filled.length < 2) return readTraceTables(sheetText(first?.data ?? []), onProgress)
  const read = filled.map((sheet, i) => {
    onProgress?.((i + 1) / filled.length)
    return { sheet, tables: readingsOf(sheet) }
  })
  const without = read.filter(({ tables }) => tables.length === 0).map(({ sheet }) => `“${sheet.sheet}”`)
  const found = read.flatMap(({ tables }) => tables)
  if (found.length === 0)
    return readTraceTables(sheetText(first.data)).map((table) => inSheet(first.sheet, table))
  if (without.length === 0) return found
  const said = `No readings were found in ${without.join(', ')}: save such a sheet as a file of its own to name its columns by hand.`
  return found.map((table) => ({ ...table, assumed: [...table.assumed, said] }))
}
