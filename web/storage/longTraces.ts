import { wrap, type Remote } from 'comlink'
import type { LongTraceWork } from './longTraces.worker'

/** The worker could not be started, or broke down: whatever was asked of it has to be done here. */
class WorkerAway extends Error {}

interface Elsewhere {
  work: Remote<LongTraceWork>
  away: Promise<never>
}
let begun: Elsewhere | null | undefined

function elsewhere(): Elsewhere | null {
  if (begun !== undefined) return begun
  if (typeof Worker === 'undefined') return (begun = null)
  const worker = new Worker(new URL('./longTraces.worker.ts', import.meta.url), { type: 'module' })
  const away = new Promise<never>((_, reject) => {
    worker.onerror = () => {
      begun = null
      reject(new WorkerAway())
    }
  })
  // Whoever waits for an answer hears of it; nobody else has to.
  away.catch(() => undefined)
  return (begun = { work: wrap<LongTraceWork>(worker), away })
}

/** Has the worker do it; where there is none, or it breaks down, it is done here. A refusal stays a refusal. */
export async function doneElsewhere<T>(
  there: (work: Remote<LongTraceWork>) => Promise<T>,
  here: () => Promise<T>,
): Promise<T> {
  const other = elsewhere()
  if (!other) return here()
  try {
    return await Promise.race([there(other.work), other.away])
  } catch (error) {
    if (error instanceof WorkerAway) return here()
    throw error
  }
}
