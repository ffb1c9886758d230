import { array, object, string, type ObjectSchema } from 'yup'
import { boundedOrNull, freeText, moment } from '../trace/fields'
import { LONGEST_S } from '../trace/bounds'
import type { Run } from './run'

/** What a reviewer says to a finding: "known: screen was off". The finding stays on record. */
export interface FindingAnswer {
  code: string
  /** Where the finding stood, s; null where it concerned the whole run. */
  atS: number | null
  text: string
  /** ISO 8601 moment of the answer. */
  when: string
}

/** As much of a finding as it is known by. */
export interface AnsweredFinding {
  code: string
  /** NaN where it concerns the whole run. */
  atS: number
}

/** A finding moves a little when a reading is put right: within so many seconds it is the same one. */
const SAME_WITHIN_S = 60

const isSame = (answer: FindingAnswer, { code, atS }: AnsweredFinding): boolean =>
  answer.code === code &&
  (answer.atS === null ? Number.isNaN(atS) : Math.abs(answer.atS - atS) <= SAME_WITHIN_S)

/** The last answer to a finding; undefined where nobody gave one. */
export const answerTo = (run: Run, finding: AnsweredFinding): FindingAnswer | undefined =>
  run.answers.findLast((answer) => isSame(answer, finding))

/** The run with an answer added; an empty text takes the answers back. The earlier ones stay on record. */
export const withAnswer = (run: Run, { code, atS }: AnsweredFinding, text: string, when: string): Run => ({
  ...run,
  answers: [...run.answers, { code, atS: Number.isNaN(atS) ? null : atS, text, when }],
})

const WORDS = 400
const MOST = 2000

const answerSchema: ObjectSchema<FindingAnswer> = object({
  code: string().required('is missing').max(80),
  atS: boundedOrNull(0, LONGEST_S),
  text: freeText(WORDS),
  when: moment(),
})
/** The answers of a run as they are kept. */
export const answersField = () => array(answerSchema).defined().default([]).max(MOST)
