import { expose } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import { encodingOf } from '@core/formats/encoding'
import type { Table } from '@core/formats/table'
import { guessColumns, isOwnTable, type ColumnMeaning } from '@core/formats/columns'
import { readTraceTable, traceFromTable, type TraceReadResult } from '@core/formats/traceCsv'
import { ProblemList, UnreadableFile } from '@core/formats/problem'
import type { Trace } from '@core/trace/trace'

/** An outcome that survives the trip between threads, where error classes do not. */
export type Outcome<T> =
  { ok: true; value: T } | { ok: false; message: string; problems: UnreadableFile['problems'] }

function outcome<T>(work: () => T): Outcome<T> {
  try {
    return { ok: true, value: work() }
  } catch (error) {
    const problems = error instanceof UnreadableFile ? error.problems : []
    return { ok: false, message: (error as Error).message, problems }
  }
}

export interface OpenedTable {
  table: Table
  meanings: ColumnMeaning[]
  /** Written by our own contract: nothing needs asking. */
  own: boolean
}

/** A table that crossed between threads has lost what it was made of. */
function asList(table: Table): Table {
  const problems = Object.assign(new ProblemList(), table.problems)
  return { ...table, problems }
}

const work = {
  analyse: (trace: Trace, options: AnalyseOptions): Analysis => analyse(trace, options),
  /** A file's bytes as text; a logbook is told by its beginning. */
  decode: (bytes: ArrayBuffer): string => new TextDecoder(encodingOf(new Uint8Array(bytes))).decode(bytes),
  openTable: (text: string): Outcome<OpenedTable> =>
    outcome(() => {
      const table = readTraceTable(text)
      return { table, meanings: guessColumns(table), own: isOwnTable(table) }
    }),
  readTrace: (table: Table, meanings: ColumnMeaning[]): Outcome<TraceReadResult> =>
    outcome(() => traceFromTable(asList(table), meanings)),
}

export type AnalysisWork = typeof work
expose(work)
