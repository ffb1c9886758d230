import type { Trace } from '@core/trace/trace'
import { readTrace } from '../storage/logbookStorage'
import type { heldTraces } from './heldTraces'

/** The readings of runs, out of storage. `keys` says where each run's lie now. */
export function readingsFrom(
  keys: ReadonlyMap<string, string>,
  { traces, hold, touch }: ReturnType<typeof heldTraces>,
) {
  /** Traces on their way out of storage, by where they lie: whoever asks meanwhile waits for the same. */
  const coming = new Map<string, Promise<Trace | undefined>>()

  /** A run's trace, for a look only: it is not kept in memory. */
  async function readingsOf(id: string): Promise<Trace | undefined> {
    const known = traces.get(id)
    const key = keys.get(id)
    if (known || key === undefined) return known
    let read = coming.get(key)
    if (!read) {
      read = readTrace(key)
        .then((found) => ('trace' in found ? found.trace : undefined))
        .finally(() => coming.delete(key))
      coming.set(key, read)
    }
    return read
  }

  /** A run's trace, from now on in memory for the screens. */
  async function traceOf(id: string): Promise<Trace | undefined> {
    const key = keys.get(id)
    const trace = await readingsOf(id)
    // It may have been corrected while it was read.
    if (trace && !traces.has(id) && keys.get(id) === key) hold(id, trace)
    else if (traces.has(id)) touch(id)
    return traces.get(id) ?? trace
  }
  return { readingsOf, traceOf }
}
