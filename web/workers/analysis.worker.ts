import { expose } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import { readTable, type Table } from '@core/formats/table'
import { guessColumns, isOwnTable, type ColumnMeaning } from '@core/formats/columns'
import { traceFromTable, type TraceReadResult } from '@core/formats/traceCsv'
import { UnreadableFile } from '@core/formats/problem'
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

const work = {
  analyse: (trace: Trace, options: AnalyseOptions): Analysis => analyse(trace, options),
  openTable: (text: string): Outcome<OpenedTable> =>
    outcome(() => {
      const table = readTable(text)
      return { table, meanings: guessColumns(table), own: isOwnTable(table) }
    }),
  readTrace: (table: Table, meanings: ColumnMeaning[]): Outcome<TraceReadResult> =>
    outcome(() => traceFromTable(table, meanings)),
}

export type AnalysisWork = typeof work
expose(work)
