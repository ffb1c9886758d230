import { maxIndex, rollup, sum } from 'd3-array'
import Papa from 'papaparse'
import { MOST_READINGS } from '../trace/bounds'
import { spacedToTabs } from './spaced'
import { pairedTable } from './paired'
import { isTimecode } from './timeCell'
import { ProblemList, quoted, UnreadableFile } from './problem'
import { areUnits, headingRows, headsBelow, isNames, isValue, onlyCell } from './headerRows'

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
  /** When its record began, seconds since 1970, where a line before the header tells it. */
  begun?: number
  /** The day of its first row, as it is written, where that stands beside the times or before the header. */
  day?: string
  /** What the table is called where it is one of several: the line above it, or the sheet. */
  title?: string
  /** Rows that do not have the header's shape. */
  problems: ProblemList
}

const DELIMITERS = [';', '\t', ',', '|'] as const
type Delimiter = (typeof DELIMITERS)[number]
/** What is looked at to find the delimiter and the header. */
const SAMPLE_CHARS = 64 * 1024
/** The header is looked for in so many rows: what stands before it is the writing of a meter or an app. */
const HEADER_WITHIN = 40

/** Told how much of a long work is done, 0–1. */
export type Progress = (share: number) => void

/** A longer text is cut into cells piece by piece, so that it can be told how far that is, characters. */
const PIECE_CHARS = 4 * 1024 * 1024

/** Whether a row of cells is a header; the caller knows the names. */
export type IsHeader = (cells: readonly string[]) => boolean

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
  const { delimiter, headerRow } = shapeOf(tabled, knows)
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

/** Whether a row holds anything: nearly every one does in its first cell. */
const isFilled = (cells: readonly string[]): boolean =>
  (cells[0] !== '' && cells[0].trim() !== '') || cells.some((cell) => cell.trim() !== '')

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

/** The delimiter and the row of the header: those with which a header is found; without one, the likeliest delimiter. */
function shapeOf(text: string, isHeader: IsHeader): { delimiter: Delimiter; headerRow: number } {
  const cut = text.length > SAMPLE_CHARS ? text.lastIndexOf('\n', SAMPLE_CHARS) : -1
  const sample = (cut > 0 ? text.slice(0, cut) : text).trimEnd()
  const found: { delimiter: Delimiter; headerRow: number; alike: number }[] = []
  for (const delimiter of DELIMITERS) {
    const rows = filledRows(sample, delimiter)
    const headerRow = rows.slice(0, HEADER_WITHIN).findIndex((cells) => cells.length > 1 && isHeader(cells))
    if (headerRow < 0) continue
    const below = rows.slice(headerRow + 1)
    const alike = likeness(below, rows[headerRow].length)
    // A sign that cuts nothing of what follows stands in the names alone.
    if (alike > 0 || below.length === 0) found.push({ delimiter, headerRow, alike })
  }
  // The first that is met: "I;T" in a note further down is cut by another sign, and its pieces may read like names. Of
  // one row, the sign that cuts most of what follows as it cuts the names: "Time, s|Level, %" stands above "0|22".
  const [first] = found.sort((a, b) => a.headerRow - b.headerRow || b.alike - a.alike)
  if (first) return first
  return likeliestShape(sample)
}

/** A film's timecode may have a semicolon in it, which parts no cells. */
const isValueOrNone = (cell: string): boolean => cell === '' || isValue(cell) || isTimecode(cell)

/** How well rows are cut: those of a width, each by its share of values. */
function likeness(rows: string[][], width: number): number {
  const shares = rows
    .filter((cells) => cells.length === width)
    .map((cells) => cells.filter((cell) => isValueOrNone(cell.trim())).length / cells.length)
  return sum(shares)
}

/**
 * Of a table whose names nobody knows: cut so that most rows are alike, its header the first of them if it is no row of
 * values; −1 where the table begins with values.
 */
function likeliestShape(sample: string): { delimiter: Delimiter; headerRow: number } {
  const shapes = DELIMITERS.map((delimiter) => {
    const rows = filledRows(sample, delimiter)
    const [width = 1, alike = 0] =
      [
        ...rollup(
          rows.filter((r) => r.length > 1),
          (of) => of.length,
          (r) => r.length,
        ),
      ].sort(([, a], [, b]) => b - a)[0] ?? []
    return { delimiter, rows, width, alike, values: likeness(rows, width) }
  })
  // The sign that cuts most rows alike, and into values: "0,5|20 %" has two, parted by a bar.
  const best = shapes[maxIndex(shapes, (s) => s.alike + s.values)]
  const head = headOf(best.rows, best.width)
  if (best.rows.length > 1 && best.rows.slice(0, 2).every(areValues))
    return { delimiter: best.delimiter, headerRow: -1 }
  if (isLikeBelow(best.rows, head)) return { delimiter: best.delimiter, headerRow: -1 }
  const isFound = best.alike > best.rows.length / 2 && best.rows[head].some((cell) => /\p{L}{2}/u.test(cell))
  return { delimiter: best.alike > 0 ? best.delimiter : ',', headerRow: isFound ? head : 0 }
}

/** A row that differs from most below it in its figures alone is a reading, and heads nothing. */
function isLikeBelow(rows: string[][], head: number): boolean {
  const shapeOf = (cells: string[] | undefined) => cells?.map((cell) => cell.replace(/\d+/g, '0')).join('\n')
  const shape = shapeOf(rows[head])
  const below = rows.slice(head + 1)
  const alike = below.filter((cells) => shapeOf(cells) === shape).length
  return below.length > 1 && /0/.test(shape ?? '') && alike > below.length / 2
}

/** The row that heads a table: above its first row of values and that of its units, or else the first of its width. */
function headOf(rows: string[][], width: number): number {
  const isWide = (row: string[] | undefined) => row?.length === width
  const values = rows.findIndex((row) => isWide(row) && areValues(row))
  const above = values > 1 && areUnits(rows[values - 1]) && isWide(rows[values - 2]) ? values - 2 : values - 1
  return above >= 0 && isWide(rows[above]) && isNames(rows[above]) ? above : rows.findIndex(isWide)
}

/** Numbers, clocks and dates alone, two of them at least: no names. */
const areValues = (cells: readonly string[]): boolean => {
  const filled = cells.filter((cell) => cell.trim() !== '')
  return filled.length > 1 && filled.every(isValue)
}

/** The rows of a sample that hold anything. */
const filledRows = (sample: string, delimiter: string): string[][] =>
  Papa.parse<string[]>(sample, { delimiter, preview: 4 * HEADER_WITHIN }).data.filter(isFilled)

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
