import { median } from 'd3-array'
import { isTimeName, keyOf, meaningOf, type ColumnMeaning } from './columns'
import { guessColumns } from './guessColumns'
import { holdsLevels } from './levels'
import { MOST_TABLES } from './headerRows'
import { ProblemList } from './problem'
import type { Table } from './table'
import { isElapsed } from './timeCell'
import { isNewestFirst, momentsOf } from './timeColumn'

/** A record that begins again does so within this share of what the one before had reached. */
const NEAR_START = 0.1
/** Tables of one kind below each other are one record where the time goes on within so many of its usual steps. */
const STEPS_APART = 10

/** Rows that tell whether two columns of times are one. */
const LOOKED_AT = 1000

const isRead = (m: ColumnMeaning): boolean => m.kind === 'channel' || m.kind === 'temperature'
/** A name without the number that tells it from others of its kind. */
const withoutNumber = (name: string): string => name.toLowerCase().replace(/[\s_.#]*\d+$/, '')

/**
 * The columns that begin a block of their own, by position: a time each, and behind it the same readings as behind the
 * others, or whatever was read at times that are not the others'. None where there are not two.
 */
function blocksOf({ headers, rows }: Table): number[] {
  const starts = headers.flatMap((header, i) => (isTimeName(header) ? [i] : []))
  if (starts.length < 2 || starts[0] !== 0) return []
  const blocks = starts.map((from, i) => headers.slice(from + 1, starts[i + 1]).filter(Boolean))
  if (blocks.some((names) => names.length === 0)) return []
  const kinds = blocks.map((names) => names.map((name) => meaningOf(name, [])))
  const alike = new Set(kinds.map((of) => of.map(keyOf).join())).size === 1 && kinds[0].some(isRead)
  const names = new Set(starts.map((i) => withoutNumber(headers[i])))
  const differs = (i: number) =>
    rows.slice(0, LOOKED_AT).some(({ cells }) => (cells[i] ?? '').trim() !== (cells[0] ?? '').trim())
  return alike || (names.size === 1 && starts.slice(1).some(differs)) ? starts : []
}

/** Where a block's one column is called after its charger, and holds levels: the name as the title, and what it holds. */
function calledByCharger({ headers, rows, title }: Pick<Table, 'headers' | 'rows' | 'title'>) {
  const [time, name, ...others] = headers
  const isName = others.length === 0 && name && meaningOf(name, []).kind === 'ignore' && holdsLevels(rows, 1)
  return isName ? { headers: [time, `${name} (%)`], title: title ?? name } : { headers, title }
}

/** The tables that stand beside each other in one, each with a time of its own; the table itself where it is one. */
export function besideEachOther(table: Table): Table[] {
  const starts = blocksOf(table)
  if (starts.length === 0) return [table]
  const said = `${starts.length} records stand beside each other.`
  return starts.map((from, i) => {
    const cut = (cells: readonly string[]) => cells.slice(from, starts[i + 1])
    const rows = table.rows
      .map(({ line, cells }) => ({ line, cells: cut(cells) }))
      .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''))
    const headers = cut(table.headers)
    while (headers.at(-1) === '') headers.pop()
    const above = table.above && cut(table.above)
    return {
      ...table,
      ...calledByCharger({ headers, rows, title: above?.find(Boolean) }),
      above,
      rows,
      assumed: [...table.assumed, said],
      problems: i === 0 ? table.problems : new ProblemList(),
    }
  })
}

/** The moments of a table's rows, seconds, and whether they count from power-on; undefined where no column tells a time. */
function timesOf(table: Table): { moments: Float64Array; isElapsed: boolean } | undefined {
  const meanings = guessColumns(table)
  const column = meanings.findIndex((m) => m.kind === 'time')
  const time = meanings[column]
  if (time?.kind !== 'time' || isNewestFirst(table.rows, column, time.style)) return undefined
  return { moments: momentsOf(table.rows, column, time.style).moments, isElapsed: isElapsed(time.style) }
}

/** Tables of one kind below each other as one, where the time goes on: a header may be written again every so often. */
export function joined(tables: readonly Table[]): Table[] {
  const groups: Table[][] = []
  for (const table of tables) {
    const group = groups.at(-1)
    if (group && group[0].headers.join('\n') === table.headers.join('\n') && goesOn(group, table))
      group.push(table)
    else groups.push([table])
  }
  return groups.map((group) =>
    group.length === 1
      ? group[0]
      : { ...group[0], rows: group.flatMap(({ rows }) => rows), problems: together(group) },
  )
}

/** By the steps of the first of a group and the end of its last: a million rows are gone through once. */
function goesOn(group: readonly Table[], after: Table): boolean {
  const [first, before, next] = [group[0], group[group.length - 1], after].map(readMomentsOf)
  const usual = median(first.subarray(1).map((t, i) => t - first[i]))
  if (usual === undefined || before.length === 0 || next.length === 0) return false
  const apart = next[0] - before[before.length - 1]
  return apart >= 0 && apart <= STEPS_APART * usual
}
const readMomentsOf = (table: Table): Float64Array =>
  timesOf(table)?.moments.filter((t) => !Number.isNaN(t)) ?? new Float64Array()

function together(group: readonly Table[]): ProblemList {
  const all = new ProblemList()
  for (const { problems } of group)
    for (const { line, where, message } of problems.kept) all.add(line, where, message)
  all.count = group.reduce((sum, { problems }) => sum + problems.count, 0)
  return all
}

/**
 * The records of a table whose time begins again further down, as a logger writes them that was switched on twice. A
 * time that only once goes back, or ahead, begins none.
 */
export function begunAgain(table: Table): Table[] {
  const times = timesOf(table)
  if (!times?.isElapsed) return [table]
  const starts = startsOf(times.moments)
  if (starts.length === 1 || starts.length > MOST_TABLES) return [table]
  return starts.map((from, i) => {
    const rows = table.rows.slice(from, starts[i + 1])
    const problems = new ProblemList()
    const until = table.rows[starts[i + 1]]?.line ?? Infinity
    const since = i === 0 ? 0 : table.rows[from].line
    for (const { line, where, message } of table.problems.kept)
      if ((line ?? 0) >= since && (line ?? 0) < until) problems.add(line, where, message)
    return {
      ...table,
      // The lines before the header are of the first alone.
      ...(i > 0 ? { begun: undefined, day: undefined } : {}),
      rows,
      problems,
      assumed: [
        ...table.assumed,
        `The time begins again ${starts.length - 1 === 1 ? 'once' : `${starts.length - 1} times`}: ${starts.length} records below each other.`,
      ],
    }
  })
}

/** Hardly any log's times do: a million are gone through. */
function fallsAnywhere(moments: Float64Array): boolean {
  let last = -Infinity
  for (const moment of moments) {
    if (moment < last) return true
    if (!Number.isNaN(moment)) last = moment
  }
  return false
}

/** The rows at which times begin, the first among them. */
function startsOf(moments: Float64Array): number[] {
  if (!fallsAnywhere(moments)) return [0]
  const read = [...moments.keys()].filter((i) => !Number.isNaN(moments[i]))
  const starts = [0]
  let first = 0
  for (let k = 1; k < read.length - 1; k++) {
    const [before, at, next] = [moments[read[k - 1]], moments[read[k]], moments[read[k + 1]]]
    if (!(at < before)) continue
    const start = moments[read[first]]
    const isBack = at <= start + NEAR_START * (before - start)
    // Two rows before it, and two from it on: what stands alone was written wrongly.
    const isRecord = k - first >= 2 && moments[read[k - 2]] > at && next >= at && next <= before
    if (!isBack || !isRecord) continue
    starts.push(read[k])
    first = k
  }
  return starts
}

/** What tells the tables of one file apart: their titles, or their numbers; '' for one alone. */
export function callTables(tables: readonly Table[]): string[] {
  if (tables.length < 2) return tables.map(() => '')
  const titles = tables.map(({ title }) => title ?? '')
  return titles.map((title, i) =>
    title && titles.indexOf(title) === titles.lastIndexOf(title)
      ? title
      : [title, `record ${i + 1}`].filter(Boolean).join(', '),
  )
}
