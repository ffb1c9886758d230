import { array, boolean, lazy, number, object, string, type ObjectSchema } from 'yup'
import { checklistAnswerSchema, protocolSchema, typedNumber } from '../protocol/schema'
import type { BenchMeans, Campaign, PairPlan, PlannedRun, Slot } from './campaign'
import { dateOf, TIME, type Availability, type FreeHours } from './windows'

const wholeNumber = (label: string, low: number, high: number) =>
  typedNumber(label, low, high).integer(`${label} must be a whole number.`)

/** Free hours of a day as typed. */
export const freeHoursSchema: ObjectSchema<FreeHours> = object({
  from: string().required('Give the time it begins.').matches(TIME, 'Write the time like 18:30.'),
  to: string()
    .required('Give the time it ends.')
    .matches(TIME, 'Write the time like 22:30.')
    .test('span', 'The end must differ from the beginning.', function (to) {
      return to !== this.parent.from
    }),
})

const dateText = () =>
  string()
    .required('Give a date.')
    .test('date', 'Write the date like 2026-03-02.', (d) => dateOf(d ?? '') !== null)

const availabilitySchema: ObjectSchema<Availability> = object({
  startDate: dateText(),
  week: array(freeHoursSchema.nullable().defined())
    .length(7)
    .required()
    .test('some', 'Mark at least one day with free hours.', (week) => week?.some((d) => d !== null) ?? false),
  daysOff: array(dateText()).defined().default([]),
})

/** A record of numbers by id, whatever the ids are. */
const byId = (label: string, low: number, high: number, whole: boolean) =>
  lazy((value: unknown) => {
    const entry = whole ? wholeNumber(label, low, high) : typedNumber(label, low, high)
    const keys = typeof value === 'object' && value !== null ? Object.keys(value) : []
    return object(Object.fromEntries(keys.map((key) => [key, entry]))).default({})
  })

export const meansSchema = object({
  meters: wholeNumber('The number of meters', 0, 16),
  lanes: wholeNumber('The number of lanes', 1, 8),
  sideBySide: boolean().defined().default(true),
  units: byId('The number of units', 1, 20, true),
  drainHours: byId('Hours to drain', 0, 48, false),
  setupMinutes: typedNumber('Minutes to rig a run', 0, 240),
  marginPercent: typedNumber('The share kept in hand', 0, 100, ' %'),
  seed: wholeNumber('The seed', 1, 2_000_000_000),
}) as unknown as ObjectSchema<BenchMeans>

export const pairSchema: ObjectSchema<PairPlan> = object({
  deviceId: string().required(),
  sourceId: string().required(),
  cableId: string().nullable().defined().default(null),
  repeats: wholeNumber('Repeats', 1, 20),
})

const slotSchema: ObjectSchema<Slot> = object({
  startsAt: string()
    .required()
    .test('moment', 'is not a moment', (s) => !Number.isNaN(Date.parse(s ?? ''))),
  chargeS: number().required().positive(),
  prepS: number().required().min(0),
  unit: number().required().integer().min(0),
  lane: number().required().integer().min(0),
})

const plannedSchema: ObjectSchema<PlannedRun> = object({
  id: string().required(),
  deviceId: string().required(),
  sourceId: string().required(),
  cableId: string().nullable().defined().default(null),
  repeat: number().required().integer().min(1),
  slot: slotSchema.nullable().defined().default(null),
  pinned: boolean().defined().default(false),
  setAside: string().nullable().defined().default(null),
})

export const campaignSchema: ObjectSchema<Campaign> = object({
  id: string().required(),
  name: string().trim().required('Give the campaign a name.').max(120, 'Keep the name under 120 characters.'),
  questionId: string().required(),
  protocol: protocolSchema,
  pairs: array(pairSchema).defined().default([]),
  availability: availabilitySchema,
  means: meansSchema,
  planned: array(plannedSchema).defined().default([]),
  putBack: array(checklistAnswerSchema).defined().default([]),
  createdAt: string().required(),
})
