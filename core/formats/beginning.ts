import { beginsAt, isDate } from './dateColumn'
import { isMonthFirst, parseMoment } from './momentCell'
import { quoted } from './problem'
import type { Table } from './table'
import { parseTimeOfDay } from './timeCell'

/** Lines before a header that may tell when the record began, and those that tell when its file was written. */
const OF_RECORD = /start|beg[aiu]n|date|time|day|record|log|test|power/i
const OF_FILE = /export|sav|print|creat|download|generat|report|end|stop|finish|build|firmware|version/i

interface Said {
  label: string
  value: string
}
/** "Start: 2026-11-20 19:30" in its two parts; the first may be missing. */
function saidBy(line: string): Said {
  const at = line.search(/\d/)
  // A month in letters may stand before the first digit.
  const month = /[a-z]{3,9}\.? $/i.exec(line.slice(0, at))
  const from = month && !Number.isNaN(momentIn(line.slice(month.index))) ? month.index : at
  return { label: line.slice(0, from).replace(/[\s:=#]+$/, ''), value: line.slice(from).trim() }
}

const momentIn = (text: string): number => parseMoment(text, isMonthFirst([text]))
const isOfRecord = ({ label }: Said): boolean =>
  (label === '' || OF_RECORD.test(label)) && !OF_FILE.test(label)

/**
 * The table with the moment at which its record began, where the lines before its header tell it, in one of them or the
 * day and the time in two; or with the day alone.
 */
export function withBeginning(table: Table): Table {
  if (table.day !== undefined || !table.before?.length) return table
  const said = table.before
    .filter((line) => /\d/.test(line))
    .map(saidBy)
    .filter(isOfRecord)
  const whole = said.find(({ value }) => !Number.isNaN(momentIn(value)))
  const day = said.find(({ value }) => isDate(value))?.value
  const clock = said.find(({ value }) => !Number.isNaN(parseTimeOfDay(value)))?.value
  const begun = whole ? momentIn(whole.value) : beginsAt(day, clock)
  if (Number.isNaN(begun)) return day ? { ...table, day } : table
  const words = `Before the header stands when it began: ${quoted(whole?.value ?? `${day} ${clock}`)}.`
  return { ...table, begun, assumed: [...table.assumed, words] }
}
