import { expect, it } from 'vitest'
import { ValidationError } from 'yup'
import { checklistAnswerSchema, protocolSchema } from './schema'
import { SCHOOLS } from './schools'

/** What is said of a protocol of which something is otherwise; nothing where it holds. */
const faults = (over: object) => {
  try {
    protocolSchema.validateSync({ ...SCHOOLS[0], ...over }, { abortEarly: false })
    return []
  } catch (error) {
    return (error as ValidationError).errors
  }
}

it('says of each part of a protocol what does not hold', () => {
  expect(faults({})).toEqual([])
  expect(faults({ name: ' ' })).toEqual(['Give the protocol a name.'])
  expect([faults({ name: 'x'.repeat(80) }), faults({ name: 'x'.repeat(81) })]).toEqual([[], ['Keep the name under 80 characters.']])
  expect(faults({ startWay: undefined })).toEqual(['Choose how the start level is reached.'])
  expect([faults({ startPercent: 0 }), faults({ startPercent: 99 })]).toEqual([[], []])
  expect(faults({ startPercent: 100 })).toEqual(['The start level must be at most 99 %.'])
  expect(faults({ startPercent: undefined })).toEqual(['Give the start level.'])
  expect([faults({ restMinutes: 1440 }), faults({ restMinutes: 1441 })]).toEqual([[], ['The rest must be at most 1440 min.']])
  expect(faults({ restMinutes: -1 })).toEqual(['The rest must be at least 0 min.'])
  expect([faults({ stopLimitC: 20 }), faults({ stopLimitC: 60 })]).toEqual([[], []])
  expect(faults({ stopLimitC: 19 })).toEqual(['The stop limit must be at least 20 °C.'])
  expect(faults({ stopLimitC: 61 })).toEqual(['The stop limit must be at most 60 °C.'])
  expect(faults({ stop: { kind: 'level', percent: 0 } })[0]).toMatch(/^The stop rule does not hold: a level above 0/)
  expect(faults({ conditions: [{ kind: 'own', required: ' ' }] })).toEqual(['Say what is required.'])
  expect(faults({ conditions: [{ kind: 'mood', required: 'good' }] })).toHaveLength(1)
  expect(faults({ temperaturePlaces: ['back', 'back'] })[0]).toMatch(/^The places of temperature: /)
  expect([faults({ temperatureMinutes: [0, 1440] }), faults({ temperatureMinutes: [1441] }).length]).toEqual([[], 1])
}) // prettier-ignore

it('fills in what an older file does not say', () => {
  const { goodFor: _, hides: __, temperatureMinutes: ___, temperaturePlaces: ____, conditions: _____, ...old } = SCHOOLS[0] // prettier-ignore
  expect(protocolSchema.validateSync(old)).toEqual({
    ...old,
    goodFor: '',
    hides: '',
    temperatureMinutes: [],
    temperaturePlaces: [],
    conditions: [],
  })
})

it('keeps an answer of a checklist with what it answers, and fills in what was not asked then', () => {
  const answer = { id: 'rest', text: 'Rested', answer: 'done', when: '2026-03-02T19:00:00.000Z' }
  expect(checklistAnswerSchema.validateSync(answer)).toEqual({ ...answer, value: null, outside: false })
  for (const [over, message] of [
    [{ id: '' }, 'is missing'],
    [{ text: '' }, 'is missing'],
    [{ answer: 'perhaps' }, /answer/],
    [{ value: 1e7 }, /./],
    [{ when: 'soon' }, /./],
  ] as const)
    expect(() => checklistAnswerSchema.validateSync({ ...answer, ...over })).toThrow(message)
})
