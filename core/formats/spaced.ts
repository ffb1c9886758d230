import { mode } from 'd3-array'
import { ANY_UNIT, QUANTITY_UNIT } from './units'

/** So many lines must have as many cells as each other for a text to be a table parted by spaces. */
const ALIKE = 0.8
/** So many of the cells of such a table hold a digit: prose has few. */
const DIGITS = 0.6
const SAMPLE_CHARS = 16 * 1024

/** A decimal comma with its unit parts no cells: "18,0W". Any other comma does. */
const DECIMAL_COMMA = new RegExp(`(?<=(?:^|\\s)\\d{1,3}),(?=\\d{1,3}\\s?(?:${QUANTITY_UNIT})(?:\\s|$))`, 'g')
/** A unit is of the number before it, and what stands in brackets of the name before it. */
const BEFORE_UNIT = new RegExp(`(\\d)\\s+(?=(?:${ANY_UNIT})(?:[\\s:]|$))`, 'g')
/** "1 h 30 min", "4 min 30 s": one time of two or three parts. */
const BEFORE_SMALLER =
  /(\d\u00a0?)(h|hrs?|hours?|m|mins?|minutes?) +(?=\d+\u00a0?(?:m|mins?|minutes?|s|secs?|seconds?)(?:[\s:]|$))/gi
const BEFORE_BRACKET = / +(?=[[(])/g
/** Signs between a time and what was read at it. */
const BETWEEN = /\s+[-–—]\s+|:\s+/g

/** At two spaces or more, as tables are aligned. */
const aligned = (line: string): string[] =>
  line
    .trim()
    .split(/ {2,}/)
    .map((cell) => cell.replace(/:$/, ''))
/** At any space that is none within a value. */
const spaced = (line: string): string[] =>
  line
    .trim()
    .replace(BETWEEN, ' ')
    .replace(BEFORE_BRACKET, '\u00a0')
    .replace(BEFORE_UNIT, '$1\u00a0')
    .replace(BEFORE_SMALLER, '$1$2\u00a0')
    .split(/[ \t]+/)
    .map((cell) => cell.replaceAll('\u00a0', ' '))

/** Hours and minutes are one value of two parts. */
const isOneValue = (cell: string): boolean => spaced(cell).length === 1 || /^\d+ ?h \d+ ?min$/.test(cell)
/** Whose first row may be names of several words. */
function isAligned(rows: string[][]): boolean {
  const below = rows.slice(1)
  return isTable(rows) && below.filter((row) => row.every(isOneValue)).length >= ALIKE * below.length
}

/**
 * The text with tabs between its cells, where it is a table parted by spaces: notes as they are pasted, or a table that
 * was copied as text. Undefined where other signs part it, or nothing does.
 *
 * @example spacedToTabs('19:30 5% 18.0 W\n19:35 11% 17.5 W') // '19:30\t5%\t18.0 W\n19:35\t11%\t17.5 W'
 */
export function spacedToTabs(text: string): string | undefined {
  const sample = text
    .slice(0, SAMPLE_CHARS)
    .split('\n')
    .filter((line) => line.trim() !== '')
  if (sample.some((line) => /[;\t|,]/.test(line.replace(DECIMAL_COMMA, '')))) return undefined
  const way = isAligned(sample.map(aligned)) ? aligned : spaced
  if (!isTable(sample.map(way))) return undefined
  const lines = text.split('\n').map((line) => way(line).join('\t'))
  return lines.join('\n')
}

function isTable(rows: string[][]): boolean {
  const width = mode(rows, (row) => row.length)
  const alike = rows.filter((row) => row.length === width)
  const cells = rows.flat()
  return (
    width > 1 &&
    alike.length > 1 &&
    alike.length >= ALIKE * rows.length &&
    cells.filter((cell) => /\d/.test(cell)).length >= DIGITS * cells.length
  )
}
