import { array, boolean, mixed, object, string, type ObjectSchema } from 'yup'
import { bounded, boundedOrNull, freeText, id, moment, optionalId } from '../trace/fields'
import { LONGEST_S, MOST_READINGS } from '../trace/bounds'
import { CHANNELS, type Correction, type TraceEvent } from '../trace/trace'
import { placeOf } from '../trace/valueColumn'
import { correctionsField } from '../gear/fields'
import { heatRuleSchema, NO_HEAT } from '../bench/setup'
import { runConditionsSchema } from '../protocol/runConditions'
import { checklistAnswerSchema, readingRuleSchema, stopRuleSchema } from '../protocol/schema'
import { answersField } from './answers'
import { leftOutField } from './leftOut'
import { RUN_STATES, type Run } from './run'

/** Most events, corrections or checklist items one run may carry. */
const MOST_ENTRIES = 20_000
const WORDS = 400
export const MOST_NAME = 80
export const MOST_NOTES = 10_000

/** An event of a run as it is kept. */
export const eventSchema: ObjectSchema<TraceEvent> = object({
  t: bounded(0, LONGEST_S),
  kind: string().required('is missing').max(40),
  text: freeText(WORDS),
})

/** A channel, the time, the reading itself, or the temperature of a place. */
const isCorrectable = (what: unknown): boolean =>
  typeof what === 'string' &&
  what.length <= MOST_NAME &&
  ([...CHANNELS, 'time', 'reading'].includes(what) || placeOf(what) !== null)

const correctionSchema: ObjectSchema<Correction> = object({
  row: bounded(0, MOST_READINGS).integer(),
  t: bounded(0, LONGEST_S),
  what: mixed<Correction['what']>()
    .test('known', 'names nothing that can be put right', (v) => v === undefined || isCorrectable(v))
    .required('is missing'),
  from: boundedOrNull(-1e9, 1e9),
  to: boundedOrNull(-1e9, 1e9),
  why: string().required('is missing').max(WORDS),
  when: moment(),
})

/** A run as stored; its trace is checked beside it. */
export const runSchema: ObjectSchema<Run> = object({
  id: id(),
  name: freeText(MOST_NAME),
  deviceId: id(),
  sourceId: id(),
  cableId: optionalId(),
  ink: bounded(0, 1000).integer(),
  startedAt: moment(),
  dated: boolean().defined().default(true),
  state: mixed<Run['state']>()
    .oneOf([...RUN_STATES])
    .required('is missing'),
  stateReason: freeText(WORDS),
  startPercent: boundedOrNull(0, 100).default(null),
  reading: readingRuleSchema,
  stop: stopRuleSchema,
  provenance: mixed<Run['provenance']>()
    .oneOf(['hand', 'meter', 'self-report', 'import', 'simulation'])
    .required('is missing'),
  events: array(eventSchema).defined().default([]).max(MOST_ENTRIES),
  corrections: array(correctionSchema).defined().default([]).max(MOST_ENTRIES),
  leftOut: leftOutField(correctionSchema),
  notes: freeText(MOST_NOTES),
  planned: object({ campaignId: id(), plannedId: id() }).nullable().defined().default(null),
  checklist: array(checklistAnswerSchema).defined().default([]).max(200),
  heat: heatRuleSchema.default(() => NO_HEAT),
  conditions: runConditionsSchema,
  conditionCorrections: correctionsField(),
  answers: answersField(),
})
