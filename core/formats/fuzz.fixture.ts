import fc from 'fast-check'
import { analyse } from '../analysis/analyse'
import { headlineOf } from '../analysis/headline'
import { logbookProblems, readLogbook, writeLogbook } from './logbookJson'
import { guessColumns } from './guessColumns'
import { readTraceCsv, readTraceTables, traceFromTable } from './traceCsv'
import { writeTraceCsv } from './traceCsvOut'
import { UnreadableFile } from './problem'
import { wideColumns, wideTraces } from './wide'

/** No file of this size takes longer than this, ms: more would be a hang. */
const HANG_MS = 1000

const ODD_TEXTS = [
  '',
  '__proto__',
  'constructor',
  '\u0000',
  '=1+1',
  'a'.repeat(300),
  '\uD800',
  '1e999',
  '-0',
  'NaN',
]
const oddValue: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    [],
    {},
    0,
    -1,
    1e300,
    -1e300,
    1e-320,
    0.3,
    101,
    4294967296,
    ...ODD_TEXTS,
  ),
  fc.double(),
  fc.string(),
  fc.anything({ maxDepth: 3, withSparseArray: false }),
)

/** Places of a JSON value, as paths of keys. */
function* placesOf(value: unknown, path: (string | number)[] = []): Generator<(string | number)[]> {
  if (path.length > 0) yield path
  if (typeof value !== 'object' || value === null) return
  for (const key of Object.keys(value))
    yield* placesOf((value as Record<string, unknown>)[key], [
      ...path,
      Array.isArray(value) ? Number(key) : key,
    ])
}

function changed(
  value: unknown,
  path: readonly (string | number)[],
  how: (parent: never, key: never) => void,
): unknown {
  const copy = structuredClone(value)
  let parent = copy as Record<string, unknown>
  for (const key of path.slice(0, -1)) parent = parent[key] as Record<string, unknown>
  how(parent as never, path[path.length - 1] as never)
  return copy
}

/** A logbook's text with one to three things wrong in it. */
export function mutatedLogbook(text: string): fc.Arbitrary<string> {
  const whole = JSON.parse(text) as unknown
  const places = [...placesOf(whole)]
  const change = fc.record({
    place: fc.nat(places.length - 1),
    value: oddValue,
    kind: fc.constantFrom('set', 'delete', 'double', 'rename'),
  })
  return fc.array(change, { minLength: 1, maxLength: 3 }).map((changes) => {
    let current = whole
    for (const { place, value, kind } of changes) {
      try {
        current = changed(current, places[place], (parent: Record<string, unknown>, key: string) => {
          if (kind === 'delete') delete parent[key]
          else if (kind === 'double' && Array.isArray(parent)) parent.push(parent[Number(key)])
          else if (kind === 'rename')
            Object.defineProperty(parent, String(value).slice(0, 50), { value: parent[key], enumerable: true, configurable: true, writable: true }) // prettier-ignore
          else parent[key] = value
        })
      } catch {
        // What an earlier change took away cannot be changed again.
      }
    }
    return JSON.stringify(current)
  })
}

const ODD_CELLS = ['', '"', '""', '"a', ';', '\n', '\r', '0x1F', '1,5', '1e999', '-', '∞', '18:40', '02.03.2026 18:40', '25:61:00', '__proto__', '\uFEFF', '=1', '100 %'] // prettier-ignore

/** A CSV text with pieces of it replaced, doubled or cut. */
export function mutatedCsv(text: string): fc.Arbitrary<string> {
  const change = fc.record({
    at: fc.nat(text.length),
    take: fc.nat(12),
    put: fc.oneof(fc.constantFrom(...ODD_CELLS), fc.string({ maxLength: 12 })),
  })
  return fc
    .array(change, { minLength: 1, maxLength: 6 })
    .map((changes) =>
      changes.reduce((t, { at, take, put }) => t.slice(0, at) + put + t.slice(at + take), text),
    )
}

function inTime<T>(work: () => T): T {
  const began = performance.now()
  const result = work()
  const took = performance.now() - began
  if (took > HANG_MS) throw new Error(`It took ${Math.round(took)} ms.`)
  return result
}

/** What is accepted must come out again and can be worked out; everything else is refused in words. */
export function logbookHolds(text: string): void {
  let logbook
  try {
    logbook = inTime(() => readLogbook(text))
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error
    return
  }
  const again = readLogbook(writeLogbook(logbook, 'now'))
  if (logbookProblems(again).length > 0) throw new Error('It was read, but its export does not hold.')
  for (const { trace } of again.runs) headlineOf(inTime(() => analyse(trace, { usableWh: 15 })))
}

/** What is read, or undefined where it is refused in words. */
function readOrRefused<T>(read: () => T): T | undefined {
  try {
    return inTime(read)
  } catch (error) {
    if (error instanceof UnreadableFile) return undefined
    throw error
  }
}

/** Every record that a table's text holds. */
export function csvHolds(text: string): void {
  readOrRefused(() => readTraceCsv(text))
  for (const table of readOrRefused(() => readTraceTables(text)) ?? []) {
    const meanings = guessColumns(table)
    const read = readOrRefused(() => traceFromTable(table, meanings))
    const wide = wideColumns(table, meanings)
    if (wide.length > 1)
      readOrRefused(() =>
        wideTraces(
          table,
          meanings,
          wide.map((column) => [{ column, channel: 'percent', divisor: 1 }]),
        ),
      )
    if (!read) continue
    inTime(() => analyse(read.trace, { usableWh: 15 }))
    const back = readTraceCsv(writeTraceCsv(read.trace))
    if (back.problemCount > 0 || back.trace.time.length !== read.trace.time.length)
      throw new Error('It was read, but does not come out as it went in.')
  }
}
