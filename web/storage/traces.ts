import { traceProblem } from '@core/trace/check'
import type { Trace } from '@core/trace/trace'
import { traceDrawer, writing } from './database'

/** A new key for a trace: traces are written once and never changed, so that a run always finds its own. */
export const newTraceKey = (runId: string): string => `${runId}/${crypto.randomUUID()}`

/** @throws Error where the trace could not be read again: it is never written. */
export async function storeTrace(key: string, trace: Trace): Promise<void> {
  const problem = traceProblem(trace)
  if (problem) throw new Error(`The readings cannot be kept: ${problem}.`)
  await writing(() => traceDrawer.setItem(key, trace))
}

/** A trace and nothing wrong with it, or the reason why there is none. */
export async function readTrace(key: string): Promise<{ trace: Trace } | { reason: string; raw: unknown }> {
  const trace = await traceDrawer.getItem<Trace>(key)
  if (trace === null) return { reason: 'its readings are missing', raw: null }
  const problem = traceProblem(trace)
  return problem ? { reason: problem, raw: trace } : { trace }
}

export const dropTrace = (key: string): Promise<void> => traceDrawer.removeItem(key)

/** Every key that lies in the drawer. */
export const traceKeys = (): Promise<string[]> => traceDrawer.keys()

/** Removes traces that no run points to, of this edition or the one before: left by a write that was cut off. */
export async function sweepTraces(wanted: ReadonlySet<string>): Promise<number> {
  const orphans = (await traceDrawer.keys()).filter((key) => !wanted.has(key))
  for (const key of orphans) await traceDrawer.removeItem(key)
  return orphans.length
}
