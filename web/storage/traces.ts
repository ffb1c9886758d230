import type { Trace } from '@core/trace/trace'
import { handOver, isLong } from '../workers/handOver'
import { traceDrawer, writing } from './database'
import { doneElsewhere } from './longTraces'
import { findTrace, keepTrace, type FoundTrace } from './traceShelf'

const LONG = '/long'

/**
 * A new key for a trace: traces are written once and never changed, so that a run always finds its own. It says whether
 * the trace is a long one, so that it need not be read to know who is to read it; one stored before keys said so is
 * read by the page.
 */
export const newTraceKey = (runId: string, trace: Trace): string =>
  `${runId}/${crypto.randomUUID()}${isLong(trace) ? LONG : ''}`

/** @throws Error where the trace could not be read again: it is never written. */
export async function storeTrace(key: string, trace: Trace): Promise<void> {
  const here = () => keepTrace(key, trace)
  const problem = await writing(() =>
    key.endsWith(LONG)
      ? doneElsewhere(async (work) => work.store(key, await handOver(work, trace)), here)
      : here(),
  )
  if (problem) throw new Error(`The readings cannot be kept: ${problem}.`)
}

/** A trace and nothing wrong with it, or the reason why there is none. */
export function readTrace(key: string): Promise<FoundTrace> {
  const here = () => findTrace(key)
  return key.endsWith(LONG) ? doneElsewhere((work) => work.read(key), here) : here()
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
