import type { Correction, Provenance, Trace, TraceEvent } from '../trace/trace'

/** How often to read, in seconds. */
export interface ReadingRule {
  kind: 'every'
  seconds: number
}

export type StopRule =
  | { kind: 'shown-full' }
  | { kind: 'taper-end' }
  | { kind: 'level'; percent: number }
  | { kind: 'duration'; seconds: number }
  | { kind: 'open' }

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
}

export interface RunWithTrace {
  run: Run
  trace: Trace
}

/** A result made by the charge model is never shown without saying so. */
export const isSimulated = (run: Run): boolean => run.provenance === 'simulation'
