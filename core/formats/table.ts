import Papa from 'papaparse'
import { MOST_READINGS } from '../trace/bounds'
import { spacedToTabs } from './spaced'
import { pairedTable } from './paired'
import { cutOf, isFilled, type Delimiter, type IsHeader } from './cutting'
import { ProblemList, quoted, UnreadableFile } from './problem'
import { headingRows, headsBelow, onlyCell } from './headerRows'

/** A delimited table as found in a file: nothing interpreted yet. */
export interface Table {
  headers: string[]
  rows: { line: number; cells: string[] }[]
  delimiter: string
  assumed: string[]
  /** The row above the header, where there is one: its cells may head groups of columns. */
  above?: string[]
  /** What stands in the lines before the header. */
  before?: string[]
  /** What the reviewer wrote above the readings of a page of notes. */
  words?: string
  /** When its record began, seconds since 1970, where a line before the header tells it. */
  begun?: number
  /** The day of its first row, as it is written, where that stands beside the times or before the header. */
  day?: string
  /** What the table is called where it is one of several: the line above it, or the sheet. */
  title?: string
  /** Rows that do not have the header's shape. */
  problems: ProblemList
}

/** Told how much of a long work is done, 0–1. */
export type Progress = (share: number) => void

/** A longer text is cut into cells piece by piece, so that it can be told how far that is, characters. */
const PIECE_CHARS = 4 * 1024 * 1024

/**
 * Reads a log whose lines name their values, or delimited text (RFC 4180, forgiving of BOM, CRLF, `;`, tab or `|` for
 * `,`, and of lines before the header, which `isHeader` knows): its tables, one below the other, each with a header of its own.
 * @throws UnreadableFile when it is empty, binary, has no rows of cells, a quote that never closes, or rows that are
 * mostly longer than the header.
 */
export function readTables(text: string, isHeader: IsHeader = () => false, onProgress?: Progress): Table[] {
  const clean = text.replace(/^\uFEFF/, '')
  if (clean.trim() === '') throw new UnreadableFile('The file is empty.')
  // eslint-disable-next-line no-control-regex
  if (/[\u0000-\u0008\u000E-\u001A]/.test(clean.slice(0, 4096)))
    throw new UnreadableFile('This is not a text file; a trace is a table saved as CSV.')
  const paired = pairedTable(clean)
  if (paired) return [paired]
  const spaced = spacedToTabs(clean)
  const tabled = spaced ?? clean
  const knows: IsHeader = (cells) => isHeader(uncommented(cells))
  const { delimiter, headerRow } = cutOf(tabled, knows)
  // Without its last line break: an empty last row would be a row too short.
  const parsed = cellsOf(withoutEnd(tabled, delimiter), delimiter, onProgress)
  const lines = numbered(parsed.data, tabled.includes('"'))
  refuseOpenQuotes(parsed.errors, lines)
  const filled = lines.filter(({ cells }) => isFilled(cells) && !(delimiter === '|' && isRule(cells)))
  if (filled.length === 0) throw new UnreadableFile('The file holds no rows.')
  if (filled.length - 1 - headerRow > MOST_READINGS)
    throw new UnreadableFile(`The file holds more than ${MOST_READINGS} rows.`)
  const said = spaced === undefined ? PARTED[delimiter] : ['Cells are parted by spaces.']
  if (headerRow < 0) {
    const assumed = ['No line names the columns.', ...said]
    return [tableOf([unnamed(filled[0]), ...filled], delimiter, assumed)]
  }
  const heads = [headerRow, ...headsBelow(filled, headerRow, knows)]
  return heads.map((head, i) => {
    const until =
      i + 1 < heads.length ? heads[i + 1] - headingRows(filled, heads[i + 1], head) : filled.length
    const above = i > 0 && headingRows(filled, head, heads[i - 1]) > 0 ? filled[head - 1].cells : undefined
    const sort =
      i === 0 && head > 0
        ? [`The header is in line ${filled[head].line}; what stands before it was left out.`]
        : []
    const before = i === 0 ? filled.slice(0, head).map(({ cells }) => cells) : above ? [above] : []
    return tableOf(filled.slice(head, until), delimiter, [...sort, ...said], before)
  })
}

/** The first of the tables that a text holds. */
export const readTable = (...of: Parameters<typeof readTables>): Table => readTables(...of)[0]

/** What is said of the sign that parts cells. */
const PARTED: Record<Delimiter, string[]> = {
  ',': [],
  ';': ['Cells are parted by semicolons.'],
  '\t': ['Cells are parted by tabs.'],
  '|': ['Cells are parted by bars.'],
}

/** A text without the blank lines at its end; tabs that part empty cells of its last row stay. */
function withoutEnd(text: string, delimiter: string): string {
  const kept = text.trimEnd()
  return delimiter === '\t' ? kept + /^\t*/.exec(text.slice(kept.length))![0] : kept
}

/** A table of the row that names its columns and those below it. */
function tableOf(
  filled: Table['rows'],
  delimiter: Delimiter,
  assumed: readonly string[],
  before: readonly (readonly string[])[] = [],
): Table {
  const [head] = filled
  const headers = uncommented(head.cells).map((h) => h.trim())
  while (headers.length > 1 && headers[headers.length - 1] === '') headers.pop()
  const problems = new ProblemList()
  const above = before.at(-1)
  const title = above && onlyCell(above)
  return {
    headers,
    above: above?.map((cell) => cell.trim()),
    before: before.map((cells) => cells.join(' ').trim()),
    ...(title ? { title } : {}),
    // Not as the rest of a pattern, which asks an iterator for each of a million.
    rows: shaped(filled.slice(1), headers.length, delimiter, problems),
    delimiter,
    assumed: [...assumed],
    problems,
  }
}

/** The line under the head of a Markdown table. */
const isRule = (cells: readonly string[]): boolean => cells.every((cell) => /^\s*(:?-+:?)?\s*$/.test(cell))

/** A header that stands in a comment. A sign alone may be a column's name. */
const uncommented = (cells: readonly string[]): string[] =>
  cells.map((cell, i) => (i === 0 ? cell.replace(/^\s*#+\s*(?=[^\s#])/, '') : cell))

/** Names for the columns of a table that begins with its values. */
const unnamed = ({ line, cells }: Table['rows'][number]): Table['rows'][number] => ({
  line,
  cells: cells.map((_, i) => `column ${i + 1}`),
})

/** Rows of cells, and what was odd about them by the row's place in the whole. */
function cellsOf(
  text: string,
  delimiter: string,
  onProgress?: Progress,
): Pick<Papa.ParseResult<string[]>, 'data' | 'errors'> {
  if (text.length <= PIECE_CHARS) return Papa.parse<string[]>(text, { delimiter, skipEmptyLines: false })
  const data: string[][] = []
  const errors: Papa.ParseError[] = []
  Papa.parse<string[]>(text, {
    delimiter,
    skipEmptyLines: false,
    chunkSize: PIECE_CHARS,
    chunk: (piece: Papa.ParseResult<string[]>) => {
      for (const error of piece.errors) errors.push({ ...error, row: data.length + (error.row ?? 0) })
      for (const row of piece.data) data.push(row)
      onProgress?.(Math.min(1, piece.meta.cursor / text.length))
    },
  } as Papa.ParseConfig<string[]>)
  return { data, errors }
}

/** A quote that never closes swallows the rest of the file: nothing after it can be trusted. */
function refuseOpenQuotes(errors: readonly Papa.ParseError[], lines: Table['rows']): void {
  const open = errors.find((e) => e.code === 'MissingQuotes')
  if (!open) return
  const line = lines[open.row ?? lines.length - 1]?.line ?? null
  throw new UnreadableFile('A quote is opened and never closed; nothing after it can be read.', [
    { line, where: '', message: 'here the quote begins.' },
  ])
}

/** Gives each row the line it starts on: a quoted cell may hold line breaks of its own. */
function numbered(data: string[][], anyQuoted: boolean): Table['rows'] {
  if (!anyQuoted) return data.map((cells, i) => ({ line: i + 1, cells }))
  let line = 1
  return data.map((cells) => {
    const start = line
    line += 1 + cells.reduce((n, cell) => n + (cell.includes('\n') ? cell.split('\n').length - 1 : 0), 0)
    return { line: start, cells }
  })
}

/**
 * Rows with the header's number of cells. A longer one is left out: its cells stand under the wrong names, as decimal
 * commas in a comma-parted file make them. A shorter one keeps what it has.
 */
function shaped(rows: Table['rows'], width: number, delimiter: string, problems: ProblemList): Table['rows'] {
  // As nearly every file is.
  if (rows.every(({ cells }) => cells.length === width)) return rows
  const isLong = ({ cells }: Table['rows'][number]) =>
    cells.length > width && cells.slice(width).some((cell) => cell.trim() !== '')
  const long = rows.filter(isLong)
  if (long.length > rows.length / 2 && width > 0) {
    const decimals = delimiter === ',' ? ' Are there decimal commas in it? Save it with semicolons.' : ''
    throw new UnreadableFile(`Most rows have more cells than the header.${decimals}`, [
      { line: long[0].line, where: '', message: `${long[0].cells.length} cells, the header has ${width}.` },
    ])
  }
  return rows.filter((row) => {
    const { line, cells } = row
    if (isLong(row)) {
      const more = quoted(cells.slice(width).join(delimiter))
      problems.add(
        line,
        '',
        `${cells.length} cells, the header has ${width} (${more} is too much); the row is left out.`,
      )
      return false
    }
    if (cells.length < width)
      problems.add(
        line,
        '',
        `${cells.length} cells, the header has ${width}; the missing ones count as not read.`,
      )
    return true
  })
}
