import Papa from 'papaparse'
import { UnreadableFile } from './problem'

/** A delimited table as found in a file: nothing interpreted yet. */
export interface Table {
  headers: string[]
  rows: { line: number; cells: string[] }[]
  delimiter: string
  assumed: string[]
}

/** Beyond this a file is not a trace of a charging run: a day at ten readings a second is a third of it. */
export const MAX_ROWS = 3_000_000

/**
 * Reads delimited text (RFC 4180, forgiving of BOM, CRLF, and `;` or tab for `,`).
 * @throws UnreadableFile when it is empty, binary, or has no rows of cells.
 */
export function readTable(text: string): Table {
  const clean = text.replace(/^\uFEFF/, '')
  if (clean.trim() === '') throw new UnreadableFile('The file is empty.')
  // eslint-disable-next-line no-control-regex
  if (/[\u0000-\u0008\u000E-\u001A]/.test(clean.slice(0, 4096)))
    throw new UnreadableFile('This is not a text file; a trace is a table saved as CSV.')
  // Without its last line break: an empty last row would spoil the guess at the delimiter.
  const parsed = Papa.parse<string[]>(clean.trimEnd(), {
    delimitersToGuess: [';', '\t', ',', '|'],
    skipEmptyLines: false,
  })
  const filled = numbered(parsed.data).filter(({ cells }) => cells.some((cell) => cell.trim() !== ''))
  if (filled.length === 0) throw new UnreadableFile('The file holds no rows.')
  if (filled.length > MAX_ROWS) throw new UnreadableFile(`The file holds more than ${MAX_ROWS} rows.`)
  const [head, ...rows] = filled
  const assumed: string[] = []
  const { delimiter } = parsed.meta
  if (delimiter === ';') assumed.push('Cells are parted by semicolons.')
  if (delimiter === '\t') assumed.push('Cells are parted by tabs.')
  return { headers: head.cells.map((h) => h.trim()), rows, delimiter, assumed }
}

/** Gives each row the line it starts on: a quoted cell may hold line breaks of its own. */
function numbered(data: string[][]): Table['rows'] {
  let line = 1
  return data.map((cells) => {
    const start = line
    line += 1 + cells.reduce((n, cell) => n + (cell.includes('\n') ? cell.split('\n').length - 1 : 0), 0)
    return { line: start, cells }
  })
}
