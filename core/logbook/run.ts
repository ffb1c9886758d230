import type { ChecklistAnswer } from '../protocol/checklist'
import type { ReadingRule, StopRule } from '../protocol/rules'
import type { Correction, Provenance, Trace, TraceEvent } from '../trace/trace'

export type { ReadingRule, StopRule }

export type RunState = 'done' | 'spoilt' | 'set-aside'

/** One charge of one device from one source. Its trace is kept apart, under the same id. */
export interface Run {
  id: string
  deviceId: string
  sourceId: string
  cableId: string | null
  /** Index into the inks; kept for life. */
  ink: number
  /** ISO 8601 moment of power-on. */
  startedAt: string
  state: RunState
  /** Why it is spoilt or set aside. */
  stateReason: string
  startPercent: number | null
  reading: ReadingRule
  stop: StopRule
  provenance: Provenance
  events: TraceEvent[]
  corrections: Correction[]
  notes: string
  /** The place in a campaign this run was made for; null for a run of its own. */
  planned: { campaignId: string; plannedId: string } | null
  /** What was seen to before the switch went on. */
  checklist: ChecklistAnswer[]
}

export interface RunWithTrace {
  run: Run
  trace: Trace
}

/** A result made by the charge model is never shown without saying so. */
export const isSimulated = (run: Run): boolean => run.provenance === 'simulation'
