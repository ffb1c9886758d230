import { markRaw, shallowReactive } from 'vue'
import { columnsOf, type Trace } from '@core/trace/trace'

/** Readings of screens that were left stay at hand up to so many bytes: some forty evenings of a meter at 10 Hz. */
const ROOM = 256 * 1024 * 1024

const bytesOf = (trace: Trace): number => columnsOf(trace).reduce((sum, column) => sum + column.byteLength, 0)

/**
 * Traces in memory, by run. Those that a screen shows stay; those of screens that were left stay as long as there is
 * room, the ones that were looked at last before all others.
 * @param room in bytes
 */
export function heldTraces(room = ROOM) {
  const traces = shallowReactive(new Map<string, Trace>())
  /** When each was asked for last, oldest first. */
  const askedAt = new Map<string, number>()
  let now = 0

  /** It is looked at. */
  function touch(id: string): void {
    askedAt.delete(id)
    askedAt.set(id, ++now)
  }
  function hold(id: string, trace: Trace): void {
    traces.set(id, markRaw(trace))
    touch(id)
  }

  /** Lets readings go that were not asked for since a moment, until what is there has room. */
  function letGo(since: number): void {
    let bytes = 0
    for (const [id, at] of [...askedAt].reverse()) {
      const trace = traces.get(id)
      if (trace) bytes += bytesOf(trace)
      if (trace && (at > since || bytes <= room || at === now)) continue
      traces.delete(id)
      askedAt.delete(id)
    }
  }
  return { traces, touch, hold, letGo, moment: () => now }
}
