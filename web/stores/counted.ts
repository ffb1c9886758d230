import { pausesOf, withPauses } from '@core/trace/pauses'
import type { Run } from '@core/logbook/run'
import type { Trace } from '@core/trace/trace'

const made = new WeakMap<Trace, { events: Run['events']; counted: Trace }>()

/** A run's trace as its figures and paths are worked out from it: with nothing flowing while it was unplugged. */
export function countedTrace({ events }: Pick<Run, 'events'>, trace: Trace): Trace {
  const known = made.get(trace)
  if (known?.events === events) return known.counted
  const counted = withPauses(trace, pausesOf(events))
  made.set(trace, { events, counted })
  return counted
}
