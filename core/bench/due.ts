import { temperatureDue } from '../protocol/heat'
import { missedMarks, nextMark, nominalMark, ON_TIME_S } from '../protocol/schedule'
import type { Reading } from '../trace/trace'
import { duration } from '../words/figures'
import { isByHand, type LaneSetup } from './setup'
import type { LaneState } from './state'

/** A lane at a moment: what it was started with, what its journal tells, and its clock, s. */
export interface LaneNow {
  setup: LaneSetup
  state: LaneState
  elapsedS: number
  /** On this lane's clock, when a closing-in rule took up its shorter step; null before. */
  closingInFrom: number | null
}

/** The mark to read next, s: the one due, else the next to come. Infinity when none is left. */
export const dueAt = ({ setup, state, elapsedS, closingInFrom }: LaneNow): number =>
  nextMark(setup.reading, elapsedS, state.answered, closingInFrom)

/** True while a mark of this lane waits for its reading. */
export const isDue = (lane: LaneNow): boolean => isByHand(lane.setup) && dueAt(lane) <= lane.elapsedS

/** Temperatures due now, as the moment of their prompt, s; null when none are. */
export const heatDueAt = ({ setup, state, elapsedS }: LaneNow): number | null =>
  setup.feed.kind === 'simulated'
    ? null
    : temperatureDue(setup.heat.minutes, setup.heat.places, state.lastTemperatureT, elapsedS)

/** Marks that passed unanswered, s. Once the run is over, the one still due counts too. */
export const missedOf = ({ setup, state, elapsedS, closingInFrom }: LaneNow, over = false): number[] =>
  isByHand(setup) ? missedMarks(setup.reading, elapsedS, state.answered, closingInFrom, over) : []

/** A typed reading as it is kept: at its real time, with the mark it answers, and the note when it was late. */
export function readingAt(lane: LaneNow, t: number, values: Omit<Reading, 't' | 'nominal'>): Reading {
  // Temperatures alone answer no mark.
  const onlyHeat = Object.keys(values).every((key) => key === 'temperatures')
  const nominal = onlyHeat
    ? undefined
    : nominalMark(lane.setup.reading, t, lane.state.answered, lane.closingInFrom)
  const late = nominal !== undefined && t - nominal > ON_TIME_S
  return {
    ...values,
    t,
    ...(nominal === undefined ? {} : { nominal }),
    ...(late ? { note: `due at ${duration(nominal)}` } : {}),
  }
}
