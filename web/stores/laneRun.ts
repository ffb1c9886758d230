import { duration } from '@core/format/figures'
import type { Run, RunState } from '@core/logbook/run'
import { onOneClock } from '@core/trace/clocks'
import { traceFromReadings, type Trace, type TraceEvent } from '@core/trace/trace'
import { isByHand, missedOf, type Lane, type LaneSetup } from './lane'

/** A lane's readings as columns, all streams on one clock. */
export const traceOf = (lane: Lane): Trace => traceFromReadings(onOneClock(lane.readings, lane.offsets))

/** The run that a lane becomes when it is over. */
export function runFrom(lane: Lane, state: RunState, stateReason: string): Run {
  const { setup } = lane
  return {
    id: setup.runId,
    deviceId: setup.deviceId,
    sourceId: setup.sourceId,
    cableId: setup.cableId,
    ink: setup.ink,
    startedAt: new Date(setup.startedAtMs).toISOString(),
    state,
    stateReason,
    startPercent: setup.startPercent,
    reading: setup.reading,
    stop: setup.stop,
    provenance: provenanceOf(setup),
    events: [...lane.events, ...missedEvents(lane)].sort((a, b) => a.t - b.t),
    corrections: [],
    notes: '',
    planned: setup.planned,
    checklist: setup.checklist,
  }
}

/** Checks that nobody made stay on record as missed. */
const missedEvents = (lane: Lane): TraceEvent[] =>
  isByHand(lane)
    ? missedOf(lane).map((t) => ({ t, kind: 'missed', text: `Missed the reading at ${duration(t)}` }))
    : []

function provenanceOf({ feed }: LaneSetup): Run['provenance'] {
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
