import { NO_HEAT, type HeatRule } from '../bench/setup'
import type { RatingCorrection } from '../gear/gear'
import type { ChecklistAnswer } from '../protocol/checklist'
import type { ReadingRule, StopRule } from '../protocol/rules'
import { noConditions, type RunConditions } from '../protocol/runConditions'
import type { Correction, Provenance, Trace, TraceEvent } from '../trace/trace'
import type { FindingAnswer } from './answers'
import type { LeftOut } from './leftOut'

export type { ReadingRule, StopRule }

/**
 * How a run stands: `done` by its stop rule; `short`, stopped before it, sound as far as it goes; `spoilt`, on record
 * but not counted; `set-aside` by the reviewer.
 */
export const RUN_STATES = ['done', 'short', 'spoilt', 'set-aside'] as const
export type RunState = (typeof RUN_STATES)[number]

/** States of a run in words. */
export const RUN_STATE_WORDS: Record<RunState, string> = {
  done: 'done',
  short: 'stopped early',
  spoilt: 'spoilt',
  'set-aside': 'set aside',
}

/** One charge of one device from one source. Its trace is kept apart. */
export interface Run {
  id: string
  /** Its reviewer's own name for it; '' where it goes by device and source. */
  name: string
  deviceId: string
  sourceId: string
  cableId: string | null
  /** Index into the inks; kept for life. */
  ink: number
  /** ISO 8601 moment of power-on; of a run that is not `dated`, the moment it was brought in. */
  startedAt: string
  /** Whether anybody knows when it was made: a file may tell no date. */
  dated: boolean
  state: RunState
  /** Why it is short, spoilt or set aside. */
  stateReason: string
  /** The level at power-on as it was read; null when nobody read it. */
  startPercent: number | null
  reading: ReadingRule
  stop: StopRule
  provenance: Provenance
  events: TraceEvent[]
  corrections: Correction[]
  /** Spoilt stretches that are not counted, with their readings. */
  leftOut: LeftOut[]
  notes: string
  /** The place in a campaign this run was made for; null for a run of its own. */
  planned: { campaignId: string; plannedId: string } | null
  /** What was seen to before the switch went on. */
  checklist: ChecklistAnswer[]
  /** When temperatures were to be read, and at which the bench said stop. */
  heat: HeatRule
  /** What it was made under, as it was then. */
  conditions: RunConditions
  /** Conditions, cable included, that were put right later: `field` is the condition's name. The old value stays here. */
  conditionCorrections: RatingCorrection[]
  /** What its reviewer says to findings; the last one of a finding counts. */
  answers: FindingAnswer[]
}

export interface RunWithTrace {
  run: Run
  trace: Trace
}

/** A result made by the charge model is never shown without saying so. */
export const isSimulated = (run: Run): boolean => run.provenance === 'simulation'

/**
 * Runs from which something may be learnt of others: how well runs repeat, what a device takes, how much of it arrives. A
 * charge model's tell of the model, and count only in a logbook that holds no others.
 */
export const learnable = (runs: readonly Run[]): Run[] => {
  const measured = runs.filter((run) => !isSimulated(run))
  return measured.length > 0 ? measured : [...runs]
}

/** Whether a device worked while it charged: what the meter saw was then not for the battery alone. */
export const isUnderLoad = ({ events }: Run): boolean => events.some(({ kind }) => kind === 'load-start')

/** Whether a run counts: sound as far as it goes. */
export const isSound = ({ state }: Run): boolean => state === 'done' || state === 'short'

/** What every run has of its own. */
type RunOfItsOwn = Pick<Run, 'id' | 'deviceId' | 'sourceId' | 'startedAt'> & Partial<Run>

/**
 * A run of which nothing is known but what is given: sound, read every five minutes, stopped when its reviewer pleased.
 * @example blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' }).state // 'done'
 */
export const blankRun = (over: RunOfItsOwn): Run => ({
  name: '',
  cableId: null,
  ink: 0,
  dated: true,
  state: 'done',
  stateReason: '',
  startPercent: null,
  reading: { kind: 'every', seconds: 300 },
  stop: { kind: 'open' },
  provenance: 'hand',
  events: [],
  corrections: [],
  leftOut: [],
  notes: '',
  planned: null,
  checklist: [],
  heat: NO_HEAT,
  conditions: noConditions(),
  conditionCorrections: [],
  answers: [],
  ...over,
})
