import { noConditions } from '../protocol/runConditions'
import { NO_HEAT, type LaneSetup } from './setup'

let number = 0
/** A lane read by hand every five minutes, from 1 % to full. */
export const setupFixture = (over: Partial<LaneSetup> = {}): LaneSetup => ({
  runId: `run-${++number}`,
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  gear: null,
  ink: 0,
  start: { percent: 1, read: true },
  reading: { kind: 'every', seconds: 300 },
  stop: { kind: 'shown-full' },
  planned: null,
  checklist: [],
  heat: NO_HEAT,
  conditions: noConditions(),
  feed: { kind: 'hand' },
  startedAtMs: Date.parse('2026-03-02T19:00:00Z'),
  ...over,
})
