import Papa from 'papaparse'

/** A cell of a spreadsheet: a date or a time of day comes as a moment in UTC. */
export type SheetCell = string | number | boolean | Date | null | undefined

/** Spreadsheets count days from here: a time without a date lies on the first of them. */
const DAY_ZERO_BEFORE = Date.UTC(1901, 0, 1)
const DAY_ZERO = Date.UTC(1899, 11, 30)
const HOUR_MS = 3_600_000

/** A time without a date as `h:mm:ss`, hours going on past 24; a moment as ISO 8601 without a zone. */
function cellText(cell: SheetCell): string {
  // A line break within a cell would make a line of its own: faults are named by the sheet's rows.
  if (!(cell instanceof Date))
    return cell === null || cell === undefined ? '' : String(cell).replace(/\s*\n\s*/g, ' ')
  const at = cell.getTime()
  if (Number.isNaN(at)) return ''
  if (at >= DAY_ZERO_BEFORE) return cell.toISOString().slice(0, 19)
  const seconds = Math.round((at - DAY_ZERO) / 1000)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${Math.floor((seconds * 1000) / HOUR_MS)}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`
}

/** A spreadsheet's rows as CSV text, which is then read as any table is. Each row is a line, empty ones too. */
export const sheetText = (rows: readonly (readonly SheetCell[])[]): string =>
  Papa.unparse(
    rows.map((row) => row.map(cellText)),
    { newline: '\n' },
  )
