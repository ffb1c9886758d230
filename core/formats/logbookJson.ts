import { ValidationError } from 'yup'
import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Records } from '../logbook/collections'
import { emptyLogbook, SHELF_NAMES, type Logbook } from '../logbook/logbook'
import { danglingIn, danglingInWords, type RecordLists } from '../logbook/references'
import type { RunWithTrace } from '../logbook/run'
import { traceFromJson, traceToJson } from '../logbook/traceColumns'
import { LOGBOOK_SCHEMA_VERSION, migrate, type RawLogbook } from '../logbook/versions'
import { traceProblem } from '../trace/check'
import { UnreadableFile, type Problem } from './problem'

/** The mark by which the program knows its own files. */
export const LOGBOOK_FORMAT = 'inkpath-logbook'
export { LOGBOOK_SCHEMA_VERSION }

/** Faults named one by one; a file with more of them is wrong as a whole. */
const MOST_PROBLEMS = 10_000
/** A word of a file is quoted in a fault up to this length. */
const QUOTED = 200

/**
 * Writes the whole logbook as one JSON text.
 * @throws UnreadableFile where it holds what {@link readLogbook} would refuse: nothing is written that cannot be read.
 */
export function writeLogbook(logbook: Logbook, exportedAt: string): string {
  const problems = logbookProblems(logbook)
  if (problems.length > 0)
    throw new UnreadableFile(
      'The logbook has parts that could not be read again; nothing was written.',
      problems,
    )
  const { runs, ...shelf } = logbook
  return JSON.stringify({
    format: LOGBOOK_FORMAT,
    schemaVersion: LOGBOOK_SCHEMA_VERSION,
    exportedAt,
    ...shelf,
    runs: runs.map(({ run, trace }) => ({ ...run, trace: traceToJson(trace) })),
  })
}

/**
 * Reads a logbook. It is all or nothing: a file with any part that does not hold is refused whole, with every
 * such part named, so that a logbook is never half imported.
 * @throws UnreadableFile
 */
export function readLogbook(text: string): Logbook {
  const file = parse(text)
  let problems: Problem[] = []
  const logbook = emptyLogbook()
  for (const name of SHELF_NAMES)
    Object.assign(logbook, { [name]: checkList(name, file[name], problems, (record) => record) })
  logbook.runs = checkList('runs', file.runs, problems, (run, item, where): RunWithTrace | undefined => {
    const trace = attempt(() => traceFromJson(item.trace), where, problems)
    return trace && { run, trace }
  })
  if (problems.length === 0) problems = linkProblems(logbook)
  if (problems.length > 0)
    throw new UnreadableFile('The logbook has parts that do not hold; nothing was imported.', problems)
  return logbook
}

/** What keeps a logbook in memory from being written: the reader's own checks, without the text between. */
export function logbookProblems(logbook: Logbook): Problem[] {
  const problems: Problem[] = []
  const lists = { ...logbook, runs: logbook.runs.map((r) => r.run) }
  for (const name of COLLECTION_NAMES) checkList(name, lists[name], problems, (record) => record)
  logbook.runs.forEach(({ trace }, i) => {
    const problem = traceProblem(trace)
    if (problem) problems.push({ line: null, where: `runs[${i}]`, message: problem })
  })
  return problems.length > 0 ? problems : linkProblems(logbook)
}

function parse(text: string): RawLogbook {
  if (text.trim() === '') throw new UnreadableFile('The file is empty.')
  let file: unknown
  try {
    file = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    throw new UnreadableFile(
      'The file is not whole JSON: it may be cut short, or of another kind. Export it again.',
    )
  }
  if (typeof file !== 'object' || file === null || (file as { format?: unknown }).format !== LOGBOOK_FORMAT)
    throw new UnreadableFile(
      'This JSON is not a logbook of this program: it does not say "format": "inkpath-logbook".',
    )
  const { schemaVersion } = file as { schemaVersion?: unknown }
  if (typeof schemaVersion !== 'number' || !Number.isInteger(schemaVersion) || schemaVersion < 1)
    throw new UnreadableFile('The logbook does not say which schema version it has.')
  if (schemaVersion > LOGBOOK_SCHEMA_VERSION)
    throw new UnreadableFile(
      `The logbook has schema version ${schemaVersion}; this program reads up to ${LOGBOOK_SCHEMA_VERSION}. Update the program first.`,
    )
  return migrate(file as RawLogbook, schemaVersion)
}

/** Lists that every logbook has had since the first version; the others may be absent. */
const ALWAYS: readonly CollectionName[] = ['devices', 'sources', 'runs']

function checkList<K extends CollectionName, T>(
  name: K,
  given: unknown,
  problems: Problem[],
  take: (record: Records[K], item: { trace?: unknown }, where: string) => T | undefined,
): T[] {
  if (given === undefined && !ALWAYS.includes(name)) return []
  const { most } = COLLECTIONS[name]
  if (!Array.isArray(given) || given.length > most) {
    const message = Array.isArray(given) ? `holds more than ${most}` : 'is not a list'
    problems.push({ line: null, where: name, message })
    return []
  }
  return given.flatMap((item: unknown, i) => {
    if (problems.length > MOST_PROBLEMS) return []
    const where = `${name}[${i}]`
    const record = checkRecord(name, item, where, problems)
    const taken = record && take(record, item as { trace?: unknown }, where)
    return taken === undefined ? [] : [taken]
  })
}

/** One record by its collection's schema; undefined with its faults named where it does not hold. */
export function checkRecord<K extends CollectionName>(
  name: K,
  item: unknown,
  where: string,
  problems: Problem[],
): Records[K] | undefined {
  const { schema } = COLLECTIONS[name]
  return attempt(
    () => schema.validateSync(item, { abortEarly: false, stripUnknown: true }) as Records[K],
    where,
    problems,
  )
}

/** References must lead somewhere within the same logbook, and no two records may share an id. */
function linkProblems(logbook: Logbook): Problem[] {
  const lists: RecordLists = { ...logbook, runs: logbook.runs.map((r) => r.run) }
  const dangling = danglingIn(lists).map((d) => ({
    line: null,
    where: `${d.collection}[${d.index}]`,
    message: danglingInWords(d),
  }))
  const twice = COLLECTION_NAMES.filter(
    (name) => new Set(lists[name].map((item) => item.id)).size < lists[name].length,
  ).map((where) => ({ line: null, where, message: 'holds the same id twice' }))
  return [...dangling, ...twice]
}

function attempt<T>(read: () => T, where: string, problems: Problem[]): T | undefined {
  try {
    return read()
  } catch (error) {
    if (error instanceof ValidationError)
      for (const fault of error.inner.length ? error.inner : [error])
        problems.push({
          line: null,
          where: fault.path ? `${where}.${fault.path}` : where,
          message: said(fault),
        })
    else problems.push({ line: null, where, message: said(error as Error) })
    return undefined
  }
}

const said = ({ message }: Error): string =>
  message.length > QUOTED ? `${message.slice(0, QUOTED)} …` : message
