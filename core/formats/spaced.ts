import { rollup } from 'd3-array'

/** So many lines must have as many cells as each other for a text to be a table parted by spaces. */
const ALIKE = 0.8
/** So many of the cells of such a table hold a digit: prose has few. */
const DIGITS = 0.6
const SAMPLE_CHARS = 16 * 1024
const SAMPLE_LINES = 200

/** A decimal comma with its unit, which parts no cells: "18,0W". Others do. */
const DECIMAL_COMMA = /(^|\s)[+\-−]?\d{1,3},\d{1,3}\s?(%|m?[VAW]h?|°[CF])(?=\s|$)/g
/** A unit is of the number before it, and what stands in brackets of the name before it. */
const BEFORE_UNIT = /(\d)\s+(?=(?:%|m?[VAW]h?|m?Ah|°?[CF]|min|s|sec|h)(?:[\s,;:]|$))/g
const BEFORE_BRACKET = /(\S) (?=[[(])/g
/** Signs between a time and what was read at it. */
const BETWEEN = /\s+[-–—]\s+|:\s+/g

/** Ways to part a line: by two spaces or more, as tables are aligned, else by any. */
const WAYS: ((line: string) => string[])[] = [
  (line) => line.trim().split(/ {2,}/),
  (line) =>
    line
      .trim()
      .replace(BETWEEN, ' ')
      .replace(BEFORE_BRACKET, '$1\u00a0')
      .replace(BEFORE_UNIT, '$1\u00a0')
      .split(/[ \t]+/)
      .map((cell) => cell.replaceAll('\u00a0', ' ')),
]

/**
 * The text with tabs between its cells, where it is a table parted by spaces: notes as they are pasted, or a table that
 * was copied as text. Undefined where other signs part it, or nothing does.
 *
 * @example spacedToTabs('19:30 5% 18.0 W\n19:35 11% 17.5 W') // '19:30\t5%\t18.0 W\n19:35\t11%\t17.5 W'
 */
export function spacedToTabs(text: string): string | undefined {
  const sample = text
    .slice(0, SAMPLE_CHARS)
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, SAMPLE_LINES)
  if (sample.length < 2 || sample.some((line) => /[;\t|,]/.test(line.replace(DECIMAL_COMMA, ' '))))
    return undefined
  const way = WAYS.find((part) => isTable(sample.map(part)))
  return (
    way &&
    text
      .split(/\r?\n/)
      .map((line) => way(line).join('\t'))
      .join('\n')
  )
}

function isTable(rows: string[][]): boolean {
  const widths = [...rollup(rows, (of) => of.length, (row) => row.length)] // prettier-ignore
  const [width, alike] = widths.sort(([, a], [, b]) => b - a)[0]
  if (width < 2 || alike < ALIKE * rows.length) return false
  const cells = rows.flat()
  return cells.filter((cell) => /\d/.test(cell)).length >= DIGITS * cells.length
}
