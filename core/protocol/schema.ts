import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup'
import type { ChecklistAnswer } from './checklist'
import { CONDITION_KINDS, START_WAYS, type Condition, type Protocol } from './protocol'
import type { ReadingRule, StopRule } from './rules'

/** A number as typed: a decimal comma is a point. */
export const typedNumber = (label: string, low: number, high: number, unit = '') =>
  number()
    .transform((value, original) => {
      if (typeof original !== 'string') return value
      return original.trim() === '' ? undefined : Number(original.trim().replace(',', '.'))
    })
    .typeError(`${label} must be a number.`)
    .min(low, `${label} must be at least ${low}${unit}.`)
    .max(high, `${label} must be at most ${high}${unit}.`)
    .required(`Give ${label.charAt(0).toLowerCase()}${label.slice(1)}.`)

const SHORTEST_STEP_S = 1
const LONGEST_STEP_S = 7200
const within = (n: unknown, low: number, high: number): boolean =>
  typeof n === 'number' && Number.isFinite(n) && n >= low && n <= high

export const readingRuleSchema = mixed<ReadingRule>()
  .required()
  .test('reading', 'The reading rule does not hold: steps are 1 s to 2 h, given minutes rise.', (r) => {
    if (typeof r !== 'object' || r === null) return false
    switch (r.kind) {
      case 'every':
      case 'meter':
        return within(r.seconds, SHORTEST_STEP_S, LONGEST_STEP_S)
      case 'closing-in':
        return (
          within(r.seconds, SHORTEST_STEP_S, LONGEST_STEP_S) &&
          within(r.thenSeconds, SHORTEST_STEP_S, r.seconds) &&
          within(r.abovePercent, 1, 100)
        )
      case 'at':
        return (
          Array.isArray(r.minutes) &&
          r.minutes.length > 0 &&
          r.minutes.every((m, i) => within(m, 0.01, 1440) && (i === 0 || m > r.minutes[i - 1]))
        )
      default:
        return false
    }
  })

const STOP_KINDS = ['shown-full', 'taper-end', 'level', 'duration', 'open']

export const stopRuleSchema = mixed<StopRule>()
  .required()
  .test('stop', 'The stop rule does not hold.', (s) => {
    if (typeof s !== 'object' || s === null || !STOP_KINDS.includes(s.kind)) return false
    if (s.kind === 'level') return within(s.percent, 0.5, 100)
    return s.kind !== 'duration' || within(s.seconds, 1, 72 * 3600)
  })

const conditionSchema: ObjectSchema<Condition> = object({
  kind: mixed<Condition['kind']>()
    .oneOf([...CONDITION_KINDS])
    .required(),
  required: string().trim().required('Say what is required.').max(200),
})

export const protocolSchema: ObjectSchema<Protocol> = object({
  id: string().required(),
  name: string().trim().required('Give the protocol a name.').max(80, 'Keep the name under 80 characters.'),
  goodFor: string().defined().max(400).default(''),
  hides: string().defined().max(400).default(''),
  startPercent: typedNumber('The start level', 0, 99, ' %'),
  startWay: mixed<Protocol['startWay']>()
    .oneOf(Object.keys(START_WAYS) as Protocol['startWay'][])
    .required('Choose how the start level is reached.'),
  restMinutes: typedNumber('The rest', 0, 1440, ' min'),
  reading: readingRuleSchema,
  temperatureMinutes: array(number().min(0).max(1440).required()).defined().default([]),
  temperaturePlaces: array(string().trim().required().max(40)).defined().default([]),
  stopLimitC: typedNumber('The stop limit', 20, 60, ' °C'),
  stop: stopRuleSchema,
  conditions: array(conditionSchema).defined().default([]),
})

export const checklistAnswerSchema: ObjectSchema<ChecklistAnswer> = object({
  id: string().required(),
  text: string().required(),
  answer: mixed<ChecklistAnswer['answer']>().oneOf(['done', 'skipped']).required(),
  value: number().nullable().defined().default(null),
  outside: boolean().defined().default(false),
  when: string().required(),
})
