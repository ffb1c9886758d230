import { maxIndex, rollup, sum } from 'd3-array'
import Papa from 'papaparse'
import { areUnits, isNames, isValue } from './headerRows'
import { isTimecode } from './timeCell'

const DELIMITERS = [';', '\t', ',', '|'] as const
export type Delimiter = (typeof DELIMITERS)[number]
/** What is looked at to find the delimiter and the header. */
const SAMPLE_CHARS = 64 * 1024
/** The header is looked for in so many rows: what stands before it is the writing of a meter or an app. */
const HEADER_WITHIN = 40

/** Whether a row of cells is a header; the caller knows the names. */
export type IsHeader = (cells: readonly string[]) => boolean

/** Whether a row holds anything: nearly every one does in its first cell. */
export const isFilled = (cells: readonly string[]): boolean =>
  (cells[0] !== '' && cells[0].trim() !== '') || cells.some((cell) => cell.trim() !== '')

/** The delimiter and the row of the header: those with which a header is found; without one, the likeliest delimiter. */
export function cutOf(text: string, isHeader: IsHeader): { delimiter: Delimiter; headerRow: number } {
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
  const outline = (cells: string[] | undefined) => cells?.map((cell) => cell.replace(/\d+/g, '0')).join('\n')
  const shape = outline(rows[head])
  const below = rows.slice(head + 1)
  const alike = below.filter((cells) => outline(cells) === shape).length
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
