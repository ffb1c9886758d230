import type { Remote } from 'comlink'
import { columnOfPart, partsOf } from '@core/trace/parts'
import type { Trace } from '@core/trace/trace'

/** A worker that takes a trace in parts. */
export interface TakesParts {
  part: (id: string, name: string, column: Float64Array | string[]) => void
}

/** Up to so many readings a trace is copied, checked and drawn at once; a longer one would hold the page up. */
const SHORT = 30_000
export const isLong = ({ time }: Trace): boolean => time.length > SHORT

let handed = 0

/**
 * Hands a trace to a worker: a long one column by column, each in a task of its own, since a copy of all of them at once
 * would hold the page up. What comes back stands for the trace in the next call of the same worker.
 */
export async function handOver(work: Remote<TakesParts>, trace: Trace): Promise<Trace | string> {
  if (!isLong(trace)) return { ...trace, temperatures: { ...trace.temperatures } }
  const id = `trace ${++handed}`
  // Whoever asks for it is in the midst of drawing a screen, as a rule.
  await new Promise((resolve) => setTimeout(resolve, 0))
  // A part is waited for before the next goes: whatever else the page has to do comes in between.
  for (const name of partsOf(trace)) await work.part(id, name, columnOfPart(trace, name))
  return id
}
