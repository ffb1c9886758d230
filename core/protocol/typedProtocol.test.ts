import { expect, it } from 'vitest'
import { ValidationError } from 'yup'
import { protocolSchema } from './schema'
import { SCHOOLS } from './schools'
import { closeProtocol, openProtocol, protocolField } from './typedProtocol'
import { numbersIn } from './typedRules'

it.each(SCHOOLS)('opens and closes $name without changing it', (school) => {
  expect(protocolSchema.validateSync(closeProtocol(school.id, openProtocol(school)))).toEqual(school)
})

it('takes lists as people write them, decimal commas included', () => {
  expect(numbersIn('5 10 15')).toEqual([5, 10, 15])
  expect(numbersIn('5, 10, 15')).toEqual([5, 10, 15])
  expect(numbersIn('5,10,15')).toEqual([5, 10, 15])
  expect(numbersIn('2,5; 7,5')).toEqual([2.5, 7.5])
  expect(numbersIn(' ')).toEqual([])
  expect(numbersIn(' 5,10,15 ')).toEqual([5, 10, 15])
})

it('puts a fault under the field in which it was typed', () => {
  const typed = {
    ...openProtocol(SCHOOLS[0]),
    readingKind: 'every' as const,
    everyMinutes: 'five',
    stopKind: 'level' as const,
    stopPercent: '0',
    temperatureMinutes: '0 x',
    startPercent: '101',
  }
  const faults = () => {
    try {
      protocolSchema.validateSync(closeProtocol('p', typed), { abortEarly: false })
      return []
    } catch (error) {
      return (error as ValidationError).inner.map((e) => protocolField(e.path ?? ''))
    }
  }
  expect(new Set(faults())).toEqual(
    new Set(['readingKind', 'stopKind', 'temperatureMinutes', 'startPercent']),
  )
})
