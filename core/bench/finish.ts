import { duration } from '../words/figures'
import type { Provenance, Trace, TraceEvent } from '../trace/trace'
import { missedOf, type LaneNow } from './due'
import { endedAt } from './ended'
import type { LaneSetup } from './setup'
import { stopReached } from './stop'

/** A lane's readings as columns, all streams on one clock. Null when nothing was read. */
export const traceOf = ({ state }: LaneNow): Trace | null =>
  state.readings.length > 0 ? state.readings.trace(state.offsets) : null

/** How a lane is said to have ended. */
export interface Ending {
  spoilt: boolean
  /** Why, where it is spoilt. */
  reason: string
}

/** What of a run follows from its lane alone; the logbook adds nothing but names. */
export interface FinishedLane {
  state: 'done' | 'short' | 'spoilt'
  stateReason: string
  startedAt: string
  startPercent: number | null
  provenance: Provenance
  events: TraceEvent[]
}

/** The outcome of a lane. A run that its stop rule did not end is short, whatever its reviewer would call it. */
export function finishLane(lane: LaneNow, { spoilt, reason }: Ending): FinishedLane {
  const { setup, state, elapsedS } = lane
  const met = setup.stop.kind === 'open' || stopReached(setup.stop, state, elapsedS) !== null
  const ended = endedAt(met, setup.stop, elapsedS, state.levels.last?.percent ?? NaN)
  return {
    ...(spoilt ? { state: 'spoilt', stateReason: reason } : ended),
    startedAt: new Date(setup.startedAtMs).toISOString(),
    startPercent: setup.start.read ? setup.start.percent : null,
    provenance: provenanceOf(setup),
    events: [...state.events, ...missedEvents(lane)].sort((a, b) => a.t - b.t),
  }
}

/** Checks that nobody made stay on record as missed. */
const missedEvents = (lane: LaneNow): TraceEvent[] =>
  missedOf(lane, true).map((t) => ({ t, kind: 'missed', text: `Missed the reading at ${duration(t)}` }))

function provenanceOf({ feed }: LaneSetup): Provenance {
  switch (feed.kind) {
    case 'simulated':
      return 'simulation'
    case 'instruments':
      return feed.simulated ? 'simulation' : 'meter'
    case 'own-battery':
      return 'self-report'
    case 'hand':
      return 'hand'
  }
}
