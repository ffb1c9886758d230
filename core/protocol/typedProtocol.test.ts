import { expect, it } from 'vitest'
import { ValidationError } from 'yup'
import { protocolSchema } from './schema'
import { SCHOOLS } from './schools'
import { closeProtocol, openProtocol, protocolField } from './typedProtocol'
import { numbersIn, openReading, openStop } from './typedRules'

it.each(SCHOOLS)('opens and closes $name without changing it', (school) => {
  expect(protocolSchema.validateSync(closeProtocol(school.id, openProtocol(school)))).toEqual(school)
})

it('takes lists as people write them, decimal commas included', () => {
  expect(numbersIn('5 10 15')).toEqual([5, 10, 15])
  expect(numbersIn('5, 10, 15')).toEqual([5, 10, 15])
  expect(numbersIn('5,10,15')).toEqual([5, 10, 15])
  expect([numbersIn('10/20/30 min'), numbersIn('10, 20, 30 minutes')]).toEqual([[10, 20, 30], [10, 20, 30]]) // prettier-ignore
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

it('opens a rule with what is usual in the fields of the other kinds', () => {
  const usual = { everyMinutes: '5', thenMinutes: '5', abovePercent: '90', atMinutes: '5 10 15 20 30', meterSeconds: '1' }
  expect(openReading({ kind: 'every', seconds: 600 })).toEqual({ ...usual, readingKind: 'every', everyMinutes: '10' })
  expect(openReading({ kind: 'at', minutes: [2, 4] })).toMatchObject({ readingKind: 'at', everyMinutes: '5', meterSeconds: '1' })
  expect(openReading({ kind: 'meter', seconds: 10 })).toEqual({ ...usual, readingKind: 'meter', meterSeconds: '10' })
  expect(openStop({ kind: 'level', percent: 50 })).toEqual({ stopKind: 'level', stopPercent: '50', stopMinutes: '30' })
  expect(openStop({ kind: 'duration', seconds: 90 })).toEqual({ stopKind: 'duration', stopPercent: '80', stopMinutes: '1.5' })
  expect(openStop({ kind: 'open' })).toEqual({ stopKind: 'open', stopPercent: '80', stopMinutes: '30' })
}) // prettier-ignore

it('puts a fault of one minute or place of several under their field', () => {
  expect(['temperatureMinutes[12]', 'temperaturePlaces[0]', 'temperaturePlaces', 'conditions[1].required'].map(protocolField)).toEqual(
    ['temperatureMinutes', 'temperaturePlaces', 'temperaturePlaces', 'conditions[1].required'],
  )
}) // prettier-ignore
