import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup'
import { boundedOrNull, id, isBetween, moment } from '../trace/fields'
import { placesProblem } from '../trace/places'
import { neededNumber } from '../trace/typedNumber'
import type { ChecklistAnswer } from './checklist'
import { CONDITION_KINDS, START_WAYS, type Condition, type Protocol } from './protocol'
import type { ReadingRule, StopRule } from './rules'

const SHORTEST_STEP_S = 1
/** A logging meter may be faster than a hand. */
const SHORTEST_LOG_S = 0.01
const LONGEST_STEP_S = 7200
const LONGEST_RUN_S = 72 * 3600
const MOST_MINUTES = 200

/** A reading rule with what belongs to its kind and nothing else; undefined where it does not hold. */
function cleanReading(given: unknown): ReadingRule | undefined {
  if (typeof given !== 'object' || given === null) return undefined
  const r = given as ReadingRule
  switch (r.kind) {
    case 'every':
    case 'meter': {
      const shortest = r.kind === 'meter' ? SHORTEST_LOG_S : SHORTEST_STEP_S
      return isBetween(r.seconds, shortest, LONGEST_STEP_S) ? { kind: r.kind, seconds: r.seconds } : undefined
    }
    case 'closing-in': {
      const { kind, seconds, thenSeconds, abovePercent } = r
      const holds =
        isBetween(seconds, SHORTEST_STEP_S, LONGEST_STEP_S) &&
        isBetween(thenSeconds, SHORTEST_STEP_S, seconds) &&
        isBetween(abovePercent, 1, 100)
      return holds ? { kind, seconds, thenSeconds, abovePercent } : undefined
    }
    case 'at': {
      const { minutes } = r
      const holds =
        Array.isArray(minutes) &&
        minutes.length > 0 &&
        minutes.length <= MOST_MINUTES &&
        minutes.every((m, i) => isBetween(m, 0.01, 1440) && (i === 0 || m > minutes[i - 1]))
      return holds ? { kind: 'at', minutes: [...minutes] } : undefined
    }
    default:
      return undefined
  }
}

const READING =
  'The reading rule does not hold: steps are 1 s to 2 h (a meter’s from 0.01 s), given minutes rise.'
/** A rule of reading within its bounds; what belongs to another kind is dropped. */
export const readingRuleSchema = mixed<ReadingRule>((v): v is ReadingRule => cleanReading(v) !== undefined)
  .transform((v: unknown) => cleanReading(v) ?? v)
  .typeError(READING)
  .required(READING)

/** A stop rule with what belongs to its kind and nothing else; undefined where it does not hold. */
function cleanStop(given: unknown): StopRule | undefined {
  if (typeof given !== 'object' || given === null) return undefined
  const s = given as StopRule
  switch (s.kind) {
    case 'level':
      return isBetween(s.percent, 0, 100) && s.percent > 0 ? { kind: 'level', percent: s.percent } : undefined
    case 'duration':
      return isBetween(s.seconds, 1, LONGEST_RUN_S) ? { kind: 'duration', seconds: s.seconds } : undefined
    case 'shown-full':
    case 'taper-end':
    case 'open':
      return { kind: s.kind }
    default:
      return undefined
  }
}

const STOP = 'The stop rule does not hold: a level above 0 and up to 100 %, a time from 1 s to 72 h.'
/** A rule of stopping within its bounds; what belongs to another kind is dropped. */
export const stopRuleSchema = mixed<StopRule>((v): v is StopRule => cleanStop(v) !== undefined)
  .transform((v: unknown) => cleanStop(v) ?? v)
  .typeError(STOP)
  .required(STOP)

const conditionSchema: ObjectSchema<Condition> = object({
  kind: mixed<Condition['kind']>()
    .oneOf([...CONDITION_KINDS])
    .required(),
  required: string().trim().required('Say what is required.').max(200),
})

/** A protocol as typed and as kept. */
export const protocolSchema: ObjectSchema<Protocol> = object({
  id: id(),
  name: string().trim().required('Give the protocol a name.').max(80, 'Keep the name under 80 characters.'),
  goodFor: string().defined().max(400).default(''),
  hides: string().defined().max(400).default(''),
  startPercent: neededNumber('The start level', 0, 99, ' %'),
  startWay: mixed<Protocol['startWay']>()
    .oneOf(Object.keys(START_WAYS) as Protocol['startWay'][])
    .required('Choose how the start level is reached.'),
  restMinutes: neededNumber('The rest', 0, 1440, ' min'),
  reading: readingRuleSchema,
  temperatureMinutes: array(number().min(0).max(1440).required()).defined().default([]).max(MOST_MINUTES),
  temperaturePlaces: array(string().trim().required().max(40))
    .defined()
    .default([])
    .test({
      name: 'places',
      test(places, context) {
        const problem = placesProblem(places ?? [])
        return problem === null || context.createError({ message: `The places of temperature: ${problem}.` })
      },
    }),
  stopLimitC: neededNumber('The stop limit', 20, 60, ' °C'),
  stop: stopRuleSchema,
  conditions: array(conditionSchema).defined().default([]).max(60),
})

/** An answer to an item of a checklist, as it is kept. */
export const checklistAnswerSchema: ObjectSchema<ChecklistAnswer> = object({
  id: string().required('is missing').max(100),
  text: string().required('is missing').max(400),
  answer: mixed<ChecklistAnswer['answer']>().oneOf(['done', 'skipped']).required(),
  value: boundedOrNull(-1e6, 1e6).default(null),
  outside: boolean().defined().default(false),
  when: moment(),
})
