import { array, mixed, number, object, string, type ObjectSchema } from 'yup'
import type { Correction, TraceEvent } from '../trace/trace'
import { checklistAnswerSchema, readingRuleSchema, stopRuleSchema } from '../protocol/schema'
import type { Run } from './run'

const finite = () =>
  number()
    .required()
    .test('finite', 'must be a number', (v) => Number.isFinite(v))
const anyText = () => string().defined().default('')

const eventSchema: ObjectSchema<TraceEvent> = object({
  t: finite(),
  kind: string().required(),
  text: anyText(),
})

const correctionSchema: ObjectSchema<Correction> = object({
  row: finite().integer().min(0),
  t: finite(),
  what: mixed<Correction['what']>()
    .oneOf(['percent', 'voltage', 'current', 'power', 'batteryPower'])
    .required(),
  from: number().nullable().defined(),
  to: number().nullable().defined(),
  why: string().required(),
  when: string().required(),
})

/** A run as stored; its trace is checked beside it. */
export const runSchema: ObjectSchema<Run> = object({
  id: string().required(),
  deviceId: string().required(),
  sourceId: string().required(),
  cableId: string().nullable().defined().default(null),
  ink: finite().integer().min(0),
  startedAt: string()
    .required()
    .test('moment', 'is not a moment', (s) => !Number.isNaN(Date.parse(s ?? ''))),
  state: mixed<Run['state']>().oneOf(['done', 'spoilt', 'set-aside']).required(),
  stateReason: anyText(),
  startPercent: number().min(0).max(100).nullable().defined().default(null),
  reading: readingRuleSchema,
  stop: stopRuleSchema,
  provenance: mixed<Run['provenance']>()
    .oneOf(['hand', 'meter', 'self-report', 'import', 'simulation'])
    .required(),
  events: array(eventSchema).defined().default([]),
  corrections: array(correctionSchema).defined().default([]),
  notes: anyText(),
  planned: object({ campaignId: string().required(), plannedId: string().required() })
    .nullable()
    .defined()
    .default(null),
  checklist: array(checklistAnswerSchema).defined().default([]),
})
