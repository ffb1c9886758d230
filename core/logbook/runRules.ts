import { heatRuleOf } from '../bench/setup'
import { string } from 'yup'
import { readingInWords } from '../protocol/rules'
import { protocolSchema } from '../protocol/schema'
import { stopInWords } from '../protocol/stopping'
import {
  numbersIn,
  openReading,
  openStop,
  readingOf,
  stopOf,
  wordsIn,
  type TypedReading,
  type TypedStop,
} from '../protocol/typedRules'
import type { Because } from './corrections'
import type { Run } from './run'

/** The rules that a run was made by; each is put right as a whole. */
export const RUN_RULES = { reading: 'Read', stop: 'To stop', heat: 'Temperatures' } as const
export type RuleName = keyof typeof RUN_RULES

/** A rule of a run in words, as it stays on record. Minutes, °C. */
export function ruleInWords({ reading, stop, heat }: Pick<Run, RuleName>, rule: RuleName): string {
  if (rule === 'reading') return readingInWords(reading)
  if (rule === 'stop') return stopInWords(stop)
  const asked = heat.minutes.length
    ? `read at ${heat.minutes.join(', ')} min${heat.places.length ? ` (${heat.places.join(', ')})` : ''}`
    : 'none asked for'
  return `${asked}; stop at ${heat.stopLimitC}\u00A0°C`
}

/** Puts a rule of a run right; what it said before stays on record. */
export function correctRule<K extends RuleName>(run: Run, rule: K, to: Run[K], because: Because): Run {
  const next = { ...run, [rule]: to }
  const said = { from: ruleInWords(run, rule), to: ruleInWords(next, rule) }
  return {
    ...next,
    conditionCorrections: [...run.conditionCorrections, { field: rule, ...said, ...because }],
  }
}

/** The rules of a run as a form has them, and why one is put right. */
export interface TypedRules extends TypedReading, TypedStop {
  temperatureMinutes: string
  temperaturePlaces: string
  stopLimitC: string
  why: string
}

/** Opens the rules of a run into the fields of a form. */
export const openRules = ({ reading, stop, heat }: Pick<Run, RuleName>): TypedRules => ({
  ...openReading(reading),
  ...openStop(stop),
  temperatureMinutes: heat.minutes.join(' '),
  temperaturePlaces: heat.places.join(', '),
  stopLimitC: String(heat.stopLimitC),
  why: '',
})

/** What the schema of a rule is to check. */
export const closeRules = (typed: TypedRules): Record<string, unknown> => ({
  reading: readingOf(typed),
  stop: stopOf(typed),
  temperatureMinutes: numbersIn(typed.temperatureMinutes),
  temperaturePlaces: wordsIn(typed.temperaturePlaces),
  stopLimitC: typed.stopLimitC,
  why: typed.why,
})

/** Rules are bounded as those of a protocol are; why one is put right must be said. */
const checkedRules = protocolSchema
  .pick(['reading', 'stop', 'temperatureMinutes', 'temperaturePlaces', 'stopLimitC'])
  .shape({ why: string().trim().required('Say why, so that it is known later.').max(400) })
type CheckedRules = ReturnType<typeof checkedRules.validateSync>

const FIELDS = {
  reading: ['reading', 'why'],
  stop: ['stop', 'why'],
  heat: ['temperatureMinutes', 'temperaturePlaces', 'stopLimitC', 'why'],
} as const
/** Checks what one rule needs, and nothing of the others. */
export const ruleSchema = (rule: RuleName) =>
  checkedRules.pick([...FIELDS[rule]]) as unknown as typeof checkedRules

/** The rule that was typed, in the shape a run keeps. */
export function ruleFrom<K extends RuleName>(rule: K, typed: CheckedRules): Run[K] {
  const { reading, stop } = typed
  const rules: Pick<Run, RuleName> = { reading, stop, heat: heatRuleOf(typed) }
  return rules[rule] as Run[K]
}
