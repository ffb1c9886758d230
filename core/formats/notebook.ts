import { median, pairs } from 'd3-array'
import { withSigns } from '../trace/spelledUnits'
import { ProblemList, quoted } from './problem'
import type { Table } from './table'
import { isTwoParts } from './timeCell'
import { QUANTITY_UNIT } from './units'

/** So many of the lines behind the first that tells something must do so for a text to be such notes. */
const ALIKE = 0.7
/** Nobody writes more than this by hand; what is longer is a log of another kind. */
const MOST_CHARS = 200_000
const LEAST_LINES = 3

/** A day, as it stands before the clock of each line. */
const DAY = String.raw`(?<!\d)(\d{4}-\d\d-\d\d|\d{1,2}[./]\d{1,2}[./](?:\d{4}|\d\d)?)(?:,?\s+|T)`
/** "7:02 pm", "19:02:30", "7 pm": as a clock stands there. */
const CLOCK = new RegExp(
  String.raw`(?:${DAY})?(?<![\d:.,])(?:(\d{1,3}:\d\d(?::\d\d)?)(?:\s*([ap])\.?m\b\.?)?(?!:?\d)|(\d{1,2})\s*([ap])\.?m\b\.?)`,
  'i',
)
const HOURS = String.raw`(\d{1,3}(?:[.,]\d+)?)\s*(?:h|hrs?|hours?|std\.?|stunden?|heures?)(?![a-z])`
const BARE_MINUTES = String.raw`(\d{1,2})(?!\d|[.,]\d|\s*[%°a-z'′])`
/** "3 m cable" is a length. */
const MINUTES = String.raw`(\d{1,4}(?:[.,]\d+)?)\s*(?:min(?:s|utes?|uten|uti|utos)?(?![a-z])|(?:m(?![a-z])|['′])(?![^,;.]*\b(?:cable|lead|cord)\b))`
const SECONDS = String.raw`(\d{1,5})\s*(?:(?:s|secs?|seconds?)(?![a-z])|["″])`
const MINUTES_ON = String.raw`${MINUTES}(?:\s*${SECONDS})?`
/** "5 min", "1 h", "1.5 h", "1 h 30", "2 hours, 5 min 10 s", "90 s", "5' 30": since the start. */
const SINCE = new RegExp(
  String.raw`(?<![\w.,])(?:${HOURS}(?:\s*(?:(?:(?:,|&|and|und|et|y|e)\s+)?${MINUTES_ON}|${BARE_MINUTES}))?|${MINUTES_ON}|${SECONDS})`,
  'i',
)
/** "Minute 15", "+15". */
const MINUTE = new RegExp(
  String.raw`(?:\bmin(?:ute)?\.?\s+|(?<![\w.,])\+\s?)(\d{1,4})(?!\d|[.,:]\d|\s*(?:[%°]|(?:${QUANTITY_UNIT})(?![a-z])))`,
  'i',
)
/** Clocks as they are said. */
const SAID: [words: RegExp, plain: string][] = [
  // Hours are said to be hours.
  [/(?<![\d:.,])(\d{1,2})[.:](\d\d)\s*(?:uhr|o.clock)(?![a-z])/gi, '$1:$2:00'],
  [/(?<![\d:.,])(\d{1,3}:\d\d)\s*(?:h|hrs?|hours?)(?![a-z])/gi, '$1:00'],
  [/(?<![\w.,:])(\d{1,3})h([0-5]\d)(?!\d|[.,]\d|\s*(?:m|['′]))/gi, '$1 h $2 min'],
]
const AT_START = /\b(?:start|begin)(?:s|ed|ning)?\b|\bplugged in\b|\bat 0(?![\d:.,])/i
/** A battery that is full: not half full, and no full brightness. */
const FULL =
  /(?<!\b(?:not|half|nearly|almost|until|till|at|on|with)\s+)\bfull\b(?=\s*(?:$|[^\s\p{L}]|(?:at|after|in|now)\b))/iu
/** A number and its unit. */
const VALUE = new RegExp(
  `(?<![\\w.,:])([+\\-−]?\\d+(?:[.,]\\d+)?)\\s?(${QUANTITY_UNIT})(?![\\p{L}\\d])`,
  'gu',
)
/** What each unit is of, as a heading that is known. */
const HEADINGS: [unit: RegExp, heading: string][] = [
  [/^%$/, 'Level'],
  [/wh$/i, 'Counter Wh'],
  [/ah$/i, 'Counter Ah'],
  [/w$/i, 'Power'],
  [/v$/i, 'Voltage'],
  [/a$/i, 'Current'],
  [/[CF]$/, 'Temperature'],
]

/** What a line tells: when, as it is written, and what was read. */
interface Noted {
  clock?: string
  /** s since the start */
  since?: number
  values: Map<string, string>
}

function notedIn(said: string): Noted | null {
  const line = SAID.reduce((text, [words, plain]) => text.replace(words, plain), withSigns(said))
  const clock = CLOCK.exec(line)
  const since = clock ? null : SINCE.exec(line)
  const minute = clock || since ? null : MINUTE.exec(line)
  const time = clock ?? since ?? minute
  if (!time && !AT_START.test(line)) return null
  const rest = time ? `${line.slice(0, time.index)} ${line.slice(time.index + time[0].length)}` : line
  const values = new Map<string, string>()
  for (const [, number, unit] of rest.matchAll(VALUE)) {
    const heading = HEADINGS.find(([of]) => of.test(unit))?.[1]
    // "9 V 2 A (at most 20 W)": what was read stands first.
    if (heading && !values.has(heading)) values.set(heading, `${number} ${unit}`)
  }
  if (FULL.test(rest) && !values.has('Level')) values.set('Level', '100 %')
  if (values.size === 0) return null
  if (clock) return { clock: clockIn(clock), values }
  return { since: since ? secondsOf(since) : 60 * Number(minute?.[1] ?? 0), values }
}

function clockIn([, day, clock, half, hour, halfOfHour]: RegExpExecArray): string {
  const [at, of] = hour ? [`${hour}:00`, halfOfHour] : [clock, half]
  return `${day ? `${day} ` : ''}${at}${of ? ` ${of.toLowerCase()}m` : ''}`
}

function secondsOf([, hours, m1, s1, m2, m3, s3, s4]: RegExpExecArray): number {
  const [h, m, s] = [hours, m1 ?? m2 ?? m3, s1 ?? s3 ?? s4].map((n) => Number((n ?? '0').replace(',', '.')))
  return Math.round(h * 3600 + m * 60 + s)
}

/** A clock on the wall, s of its day. */
function secondsOfDay(clock: string): number {
  const [h, m, s = 0] = withoutDay(clock)
    .split(':')
    .map((part) => Number.parseInt(part, 10))
  const half = /([ap])m$/.exec(clock)?.[1]
  return (half ? (h % 12) + (half === 'p' ? 12 : 0) : h) * 3600 + m * 60 + s
}

/** The clock of the first line, s, where the minutes of a later one can only count from it: "19:02 5 %", "5 min 12 %". */
function startOf([first, ...later]: readonly Noted[]): number | undefined {
  const since = later.find((n) => n.since !== undefined)?.since
  if (first.clock === undefined || since === undefined) return undefined
  const clock = secondsOfDay(first.clock)
  return since < clock ? clock : undefined
}

const clockOf = (s: number): string =>
  [Math.floor(s / 3600), Math.floor(s / 60) % 60, s % 60].map((n) => String(n).padStart(2, '0')).join(':')

/**
 * The table of notes as they are written by hand, or typed while a recording is watched: a line for each reading, with a
 * clock or the time since the start and what was read with its unit, in any order. Undefined for any other text. A line
 * between them that tells neither is left out and named.
 *
 * @example notebookTable('start 5 %\nafter 10 min 19 % 18.1 W\n1 h 5: 80 %\nfull at 1:52')?.headers // ['Time', 'Level', 'Power']
 */
export function notebookTable(text: string): Table | undefined {
  if (text.length > MOST_CHARS) return undefined
  const lines = text.split(/\r?\n/)
  const noted = withColons(lines).map(notedIn)
  const first = noted.findIndex((n) => n !== null)
  const later = lines.flatMap((line, i) => (i >= first && line.trim() !== '' ? [i] : []))
  const told = later.filter((i) => noted[i] !== null)
  if (first < 0 || told.length < LEAST_LINES || told.length < ALIKE * later.length) return undefined

  const isSince = told.filter((i) => noted[i]!.since !== undefined).length >= told.length / 2
  const firstClock = noted[told.find((i) => noted[i]!.clock)!]?.clock ?? ''
  const startS = startOf(told.map((i) => noted[i]!))
  const headers = [isSince && startS === undefined ? 'Elapsed' : 'Time', ...HEADINGS.map(([, h]) => h).filter((h) => told.some((i) => noted[i]!.values.has(h)))]
  const problems = new ProblemList()
  const rows: Table['rows'] = []
  let lastS = 0
  let isCounted = false
  /** As a clock. Minutes that go back are counted from something else: "after 10 min of pause 50 %". */
  const onClock = ({ clock, since }: Noted, startS: number): string => {
    const passed = since ?? (secondsOfDay(clock!) - startS + DAY_S) % DAY_S
    if (since !== undefined && passed < lastS) return ''
    lastS = passed
    isCounted ||= since !== undefined
    return clockOf((startS + passed) % DAY_S)
  }
  for (const i of later) {
    const time = noted[i] && (startS === undefined ? timeOf(noted[i], isSince, firstClock) : onClock(noted[i], startS))
    if (!time) problems.add(i + 1, '', `${quoted(lines[i].trim())} tells no reading and its time; it is left out.`)
    else rows.push({ line: i + 1, cells: [time, ...headers.slice(1).map((h) => noted[i]!.values.get(h) ?? '')] })
  }
  asWritten(rows.map(({ cells }) => cells[0])).forEach((time, i) => (rows[i].cells[0] = time))
  const before = lines.slice(0, first).filter((line) => line.trim() !== '')
  const sort = before.length > 0 ? [`The readings begin in line ${first + 1}; what stands before them is no reading.`] : []
  const from = !isCounted ? [] : [`Minutes count from ${firstClock}, the clock of the first reading.`]
  return { headers, rows, delimiter: ',', assumed: ['Each line is a reading, as notes are written.', ...from, ...sort], before, words: inOneLine(before), problems }
} // prettier-ignore

const inOneLine = (lines: readonly string[]): string =>
  lines.map((line) => line.trim().replace(/[.,;:]$/, '')).join('; ')

/** A clock that begins so early was started with the charge; a later one may hang on a wall. Hours, or minutes. */
const EARLY = 5
const isStopwatch = (clock: string): boolean =>
  !/m$/.test(clock) && withoutDay(clock) === clock && Number(clock.split(':')[0]) <= EARLY

/** A line's time as the others of its text are written; '' where it has none of that kind. */
function timeOf({ clock, since }: Noted, isSince: boolean, firstClock: string): string {
  if (!isSince) return clock ?? (since === 0 && isStopwatch(firstClock) ? '0:00' : '')
  if (since !== undefined) return `${since} s`
  // "Full at 1:52" among minutes since the start is in hours and minutes; "full at 20:55" hangs on a wall.
  if (clock === undefined || !isStopwatch(clock)) return ''
  return `${secondsOfDay(clock)} s`
}

/** "1730": a clock without its colon, first or last in a line. */
const PLAIN_CLOCK =
  /(?<![\w.,:;-])([01]\d|2[0-3])([0-5]\d)(?=\s*$|\s*[-–—→=:,;|]\s|\s+(?!\S*\d))|(?<=^\s*)([01]\d|2[0-3])([0-5]\d)(?=\s)/

/** Lines with colons in their clocks, where all that tell a level have such a number, and none a clock or minutes. */
function withColons(lines: readonly string[]): readonly string[] {
  const told = lines.filter((line) => VALUE_OF_LEVEL.test(withSigns(line)))
  const isPlain = (line: string) => PLAIN_CLOCK.test(line) && !CLOCK.test(line) && !SINCE.test(line)
  return told.length >= LEAST_LINES && told.every(isPlain)
    ? lines.map((line) => line.replace(PLAIN_CLOCK, (_, h1, m1, h2, m2) => `${h1 ?? h2}:${m1 ?? m2}:00`))
    : lines
}
const VALUE_OF_LEVEL = /\d\s?%/

const withoutDay = (clock: string): string => clock.replace(/^.*\s(?=\d+:)/, '')

const DAY_S = 86_400
/** Nobody writes a line down more often than so many seconds, or more lines than so many. */
const LEAST_STEP_S = 10
const MOST_BY_HAND = 100

/** Clocks of two parts with their seconds, where hours and minutes alone could have been written down so fast. */
function asWritten(clocks: readonly string[]): readonly string[] {
  if (clocks.length > MOST_BY_HAND || !clocks.every(isTwoParts)) return clocks
  const seconds = clocks.map((clock) => secondsOfDay(`0:${clock.trim()}`))
  const step = median(pairs(seconds, (a, b) => b - a)) ?? NaN
  return step > 0 && step < LEAST_STEP_S ? clocks.map((clock) => `${clock}:00`) : clocks
}

/** Whether a line is such a reading. */
export const isReading = (line: string): boolean => notedIn(line) !== null
