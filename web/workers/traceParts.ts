import { withPart } from '@core/trace/parts'
import type { Trace } from '@core/trace/trace'

/** Traces on their way to a worker, column by column. */
export function traceParts() {
  const coming = new Map<string, Trace>()
  return {
    part(id: string, name: string, column: Float64Array | string[]): void {
      coming.set(id, withPart(coming.get(id), name, column))
    },
    /** The trace itself, or the one that was sent in parts: it is handed out once. */
    whole(trace: Trace | string): Trace {
      if (typeof trace !== 'string') return trace
      const found = coming.get(trace)
      if (!found) throw new Error('The readings did not arrive.')
      coming.delete(trace)
      return found
    },
  }
}
