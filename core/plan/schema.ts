import { array, boolean, lazy, number, object, string, type ObjectSchema } from 'yup'
import { checklistAnswerSchema, protocolSchema } from '../protocol/schema'
import { bounded, id, isPlainKey, moment, optionalId } from '../trace/fields'
import { neededNumber } from '../trace/typedNumber'
import type { BenchMeans, Campaign, PairPlan, PlannedRun, Slot } from './campaign'
import { dateOf, TIME } from './dates'
import type { Availability, FreeDay, FreeHours } from './windows'

const wholeNumber = (label: string, low: number, high: number) =>
  neededNumber(label, low, high).integer(`${label} must be a whole number.`)

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

/** A day has no more spans of free hours than anybody keeps apart. */
const MOST_SPANS = 8
const freeDaySchema = freeHoursSchema.shape({
  also: array(freeHoursSchema).max(MOST_SPANS).optional(),
}) as ObjectSchema<FreeDay>

/** Moving a planned run: a stretch of free hours by its beginning, and a time in it, or none for the earliest. */
export const moveSchema = object({
  day: number().required(),
  time: string()
    .trim()
    .matches(TIME, { message: 'Write the time like 19:30, or leave it empty.', excludeEmptyString: true })
    .defined(),
})

const dateText = () =>
  string()
    .required('Give a date.')
    .test('date', 'Write the date like 2026-03-02.', (d) => dateOf(d ?? '') !== null)

const availabilitySchema: ObjectSchema<Availability> = object({
  startDate: dateText(),
  week: array(freeDaySchema.nullable().defined())
    .length(7)
    .required()
    .test('some', 'Mark at least one day with free hours.', (week) => week?.some((d) => d !== null) ?? false),
  daysOff: array(dateText()).defined().default([]).max(1000),
})

const MOST_IDS = 5000
/** A record of numbers by id, whatever the ids are. */
const byId = (label: string, low: number, high: number, whole: boolean) =>
  lazy((value: unknown) => {
    const entry = whole ? wholeNumber(label, low, high) : neededNumber(label, low, high)
    const keys = typeof value === 'object' && value !== null ? Object.keys(value) : []
    if (keys.length > MOST_IDS || !keys.every((key) => isPlainKey(key)))
      return object({}).test('keys', `${label}: what it is given for cannot be read`, () => false)
    return object(Object.fromEntries(keys.map((key) => [key, entry]))).default({})
  })

/** What there is at the bench, as typed and as kept. */
export const meansSchema = object({
  meters: wholeNumber('The number of meters', 0, 16),
  lanes: wholeNumber('The number of lanes', 1, 8),
  sideBySide: boolean().defined().default(true),
  sharePorts: boolean().defined().default(false),
  drainAttended: boolean().defined().default(false),
  units: byId('The number of units', 1, 20, true),
  drainHours: byId('Hours to drain', 0, 48, false),
  setupMinutes: neededNumber('Minutes to rig a run', 0, 240),
  marginPercent: neededNumber('The share kept in hand', 0, 100, ' %'),
  seed: wholeNumber('The seed', 1, 2_000_000_000),
}) as unknown as ObjectSchema<BenchMeans>

/** A pair to be run, and how often. */
export const pairSchema: ObjectSchema<PairPlan> = object({
  deviceId: id(),
  sourceId: id(),
  cableId: optionalId(),
  repeats: wholeNumber('Repeats', 1, 20),
})

const slotSchema: ObjectSchema<Slot> = object({
  startsAt: moment(),
  chargeS: bounded(1, 30 * 24 * 3600),
  prepS: bounded(0, 30 * 24 * 3600),
  unit: bounded(0, 100).integer(),
  lane: bounded(0, 100).integer(),
})

const plannedSchema: ObjectSchema<PlannedRun> = object({
  id: id(),
  deviceId: id(),
  sourceId: id(),
  cableId: optionalId(),
  repeat: bounded(1, 1000).integer(),
  slot: slotSchema.nullable().defined().default(null),
  pinned: boolean().defined().default(false),
  setAside: string().nullable().defined().default(null).max(400),
})

/** A campaign as typed and as kept. */
export const campaignSchema: ObjectSchema<Campaign> = object({
  id: id(),
  name: string().trim().required('Give the campaign a name.').max(120, 'Keep the name under 120 characters.'),
  questionId: string().required('is missing').max(100),
  protocol: protocolSchema,
  pairs: array(pairSchema).defined().default([]).max(2000),
  availability: availabilitySchema,
  means: meansSchema,
  planned: array(plannedSchema).defined().default([]).max(10_000),
  putBack: array(checklistAnswerSchema).defined().default([]).max(200),
  createdAt: moment(),
})
