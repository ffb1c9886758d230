import { MOST_READINGS } from '../trace/bounds'
import { ProblemList, quoted, UnreadableFile } from './problem'
import { recordsIn, valuesIn } from './objects'
import type { Table } from './table'

/** So many lines must name their values for a text to be a log of such lines. */
const ALIKE = 0.8
const SAMPLE_LINES = 40
/** A home-made meter prints a dozen; what names more is something else. */
const MOST_NAMES = 60

/** When it was: before the names, in brackets or not. */
const STAMP =
  /^\s*\[?\s*((?:\d{4}-\d\d-\d\d[T ]\s*)?\d{1,2}:\d\d(?::\d\d)?(?:[.,]\d+)?(?:Z|[+-]\d\d:?\d\d|\s*[ap]\.?m\b\.?)?)\]?[\s,;|>-]*/
/** "7:30 pm: 5 %" names no value of a "pm". */
const NO_NAME = /^(am|pm|h|hrs?|hours?|min|mins|minutes?|s|secs?|seconds?|at)$/i
/** A name, a sign and a value that begins with a digit, a date with its time among them; its unit is what no sign follows. */
const PAIR =
  /(?<![\w%°./()-])([A-Za-z][\w%°./()-]*)\s*[=:]\s*([-+−]?\d+(?:[.,:/-]\d+)*(?:[T ]\d{1,2}:\d\d(?::\d\d(?:[.,]\d+)?)?(?:Z|[-+]\d\d:?\d\d)?)?(?:e[-+]?\d+)?(?:\s?[A-Za-z%°Ω]+(?![A-Za-z%°Ω])(?!\s*[=:]))?)/gi
const STAMPED = 'time'
/** What is said of such a log. */
export const NAMES_VALUES = 'Each line names its values.'
/** No meter prints more than this, characters. */
const LONGEST_LINE = 4096

type Named = [name: string, value: string][]

/** What a line of names and values holds; empty where it names none. */
function namedIn(line: string): Named {
  if (line.length > LONGEST_LINE) return []
  if (line.trimStart().startsWith('{')) return fromObject(line)
  const stamp = STAMP.exec(line)
  const rest = stamp ? line.slice(stamp[0].length) : line
  const found: Named = Array.from(rest.matchAll(PAIR), ([, name, value]) => [name, value])
  const pairs = stamp ? found.filter(([name]) => !NO_NAME.test(name)) : found
  return stamp && pairs.length > 0 ? [[STAMPED, stamp[1]], ...pairs] : pairs
}

/** A line that is an object of its own, its numbers and words by name. */
function fromObject(line: string): Named {
  try {
    return valuesIn(JSON.parse(line) as Record<string, unknown>)
  } catch {
    return []
  }
}

const isLine = (line: string): boolean => line.trim() !== ''
const isNamed = (line: string): boolean => namedIn(line).length > 1
const areNamed = (lines: readonly string[]): boolean =>
  lines.length > 1 && lines.filter(isNamed).length >= ALIKE * lines.length

/** Whether a text is readings as objects, one a line or in a list: no logbook. */
export const isObjectLines = (text: string): boolean => {
  if (recordsIn(text)) return true
  const lines = text
    .slice(0, 64 * 1024)
    .split(/\r?\n/)
    .filter(isLine)
  return lines.length > 1 && lines.slice(0, -1).every((line) => fromObject(line).length > 1)
}

/**
 * The table of a log whose lines name their values, as home-made meters print them, or hold an object each. Undefined
 * for any other text. A line that names nothing is left out and told.
 *
 * @example pairedTable('[19:30:00] V=9.02 A=1.99\n[19:30:10] V=9.01 A=2.01')?.headers // ['time', 'V', 'A']
 * @throws UnreadableFile where it has more lines than a trace may have readings
 */
export function pairedTable(text: string): Table | undefined {
  const records = recordsIn(text)
  if (records) return tableOf(records.map((record) => valuesIn(record)), 'Each object is a reading; a fault is named by its place in the list.') // prettier-ignore
  if (
    !areNamed(
      text
        .slice(0, 64 * 1024)
        .split(/\r?\n/)
        .filter(isLine)
        .slice(0, SAMPLE_LINES),
    )
  )
    return undefined
  const lines = text.split(/\r?\n/)
  if (lines.length > MOST_READINGS)
    throw new UnreadableFile(`The file holds more than ${MOST_READINGS} rows.`)
  const problems = new ProblemList()
  return tableOf(namedLines(lines, problems), NAMES_VALUES, problems)
}

/** What each line names, one after the other: a million of them are not held at once. Nothing for a line that names none. */
function* namedLines(lines: readonly string[], problems: ProblemList): Generator<Named> {
  for (const [i, line] of lines.entries()) {
    const named = isLine(line) ? namedIn(line) : []
    if (isLine(line) && named.length < 2)
      problems.add(i + 1, '', `${quoted(line.trim())} names no values; it is left out.`)
    yield named.length < 2 ? [] : named
  }
}

/** A table of what was named, a row for each that names anything. */
function tableOf(all: Iterable<Named>, assumed: string, problems = new ProblemList()): Table {
  const columns = new Map<string, number>()
  const rows: Table['rows'] = []
  let line = 0
  for (const named of all) {
    line++
    if (named.length === 0) continue
    const cells: string[] = []
    for (const [name, value] of named) {
      if (!columns.has(name) && columns.size < MOST_NAMES) columns.set(name, columns.size)
      const at = columns.get(name)
      if (at !== undefined) cells[at] = value
    }
    rows.push({ line, cells })
  }
  const headers = [...columns.keys()]
  return {
    headers,
    rows: rows.map(({ line, cells }) => ({ line, cells: headers.map((_, i) => cells[i] ?? '') })),
    delimiter: ',',
    assumed: [assumed],
    before: [],
    problems,
  }
}
