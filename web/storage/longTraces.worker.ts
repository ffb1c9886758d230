import { expose, transfer } from 'comlink'
import { columnOfPart, partsOf } from '@core/trace/parts'
import type { Trace } from '@core/trace/trace'
import { traceParts } from '../workers/traceParts'
import { findTrace, keepTrace, type FoundTrace } from './traceShelf'

/** Stores long traces and reads them: a million readings copied or checked on the page would hold it up. */
const parts = traceParts()

/** The memory that a trace's columns lie in: handed over, not copied. */
function memoryOf(trace: Trace): Transferable[] {
  const columns = partsOf(trace).map((name) => columnOfPart(trace, name))
  return [...new Set(columns.flatMap((c) => (c instanceof Float64Array ? [c.buffer as ArrayBuffer] : [])))]
}

const work = {
  part: parts.part,
  /** Stores the trace that came in parts; what is wrong with it, or null. */
  store: (key: string, id: Trace | string): Promise<string | null> => keepTrace(key, parts.whole(id)),
  async read(key: string): Promise<FoundTrace> {
    const found = await findTrace(key)
    return 'trace' in found ? transfer(found, memoryOf(found.trace)) : found
  },
}

export type LongTraceWork = typeof work
expose(work)
