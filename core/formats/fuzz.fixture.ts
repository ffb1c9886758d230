import fc from 'fast-check'
import { analyse } from '../analysis/analyse'
import { headlineOf } from '../analysis/headline'
import { logbookProblems, readLogbook, writeLogbook } from './logbookJson'
import { guessColumns } from './guessColumns'
import { readTraceCsv, readTraceTables, traceFromTable } from './traceCsv'
import { writeTraceCsv } from './traceCsvOut'
import type { Trace } from '../trace/trace'
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

/** Does `work` now; what it gives, or throws, comes when it is asked for. */
function attempt<T>(work: () => T): () => T {
  try {
    const result = work()
    return () => result
  } catch (error) {
    return () => {
      throw error
    }
  }
}

function inTime<T>(work: () => T): T {
  // A machine that does something else meanwhile is slow now and then; what hangs is slow each time.
  for (let left = 2; ; left--) {
    const began = performance.now()
    // A refusal must not take longer either.
    const end = attempt(work)
    const took = performance.now() - began
    if (took <= HANG_MS) return end()
    if (left === 0) throw new Error(`It took ${Math.round(took)} ms.`)
  }
}

/**
 * What is accepted must come out again and can be worked out; everything else is refused in words. Gives back whether
 * it was accepted.
 */
export function logbookHolds(text: string): boolean {
  let logbook
  try {
    logbook = inTime(() => readLogbook(text))
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error
    return false
  }
  const again = readLogbook(writeLogbook(logbook, 'now'))
  if (logbookProblems(again).length > 0) throw new Error('It was read, but its export does not hold.')
  for (const { trace } of again.runs) headlineOf(inTime(() => analyse(trace, { usableWh: 15 })))
  return true
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

/** What is kept of a table must come out again and can be worked out. */
function traceHolds(trace: Trace): void {
  inTime(() => analyse(trace, { usableWh: 15 }))
  const written = writeTraceCsv(trace)
  const back = readTraceCsv(written)
  if (back.problemCount > 0 || writeTraceCsv(back.trace) !== written)
    throw new Error('It was read, but does not come out as it went in.')
}

/** Every record that a table's text holds, as one run and as one a charger. Gives back whether any was read. */
export function csvHolds(text: string): boolean {
  readOrRefused(() => readTraceCsv(text))
  const traces = (readOrRefused(() => readTraceTables(text)) ?? []).flatMap((table) => {
    const meanings = guessColumns(table)
    const one = readOrRefused(() => traceFromTable(table, meanings))
    const columns = wideColumns(table, meanings)
    const parts = columns.map((column) => [{ column, channel: 'percent' as const, divisor: 1 }])
    const each = columns.length > 1 ? readOrRefused(() => wideTraces(table, meanings, parts)) : []
    return [...(one ? [one] : []), ...(each ?? [])]
  })
  for (const { trace } of traces) traceHolds(trace)
  return traces.length > 0
}
