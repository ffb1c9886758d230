import { traceProblem } from '@core/trace/check'
import type { Trace } from '@core/trace/trace'
import { traceDrawer } from './database'

/** A trace and nothing wrong with it, or the reason why there is none. */
export type FoundTrace = { trace: Trace } | { reason: string; raw: unknown }

/** Stores a trace, unless it could not be read again: then it says why, and nothing is written. */
export async function keepTrace(key: string, trace: Trace): Promise<string | null> {
  const problem = traceProblem(trace)
  if (!problem) await traceDrawer.setItem(key, trace)
  return problem
}

export async function findTrace(key: string): Promise<FoundTrace> {
  const trace = await traceDrawer.getItem<Trace>(key)
  if (trace === null) return { reason: 'its readings are missing', raw: null }
  const problem = traceProblem(trace)
  return problem ? { reason: problem, raw: trace } : { trace }
}
