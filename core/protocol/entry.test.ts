import { expect, it } from 'vitest'
import type { Schema } from 'yup'
import {
  askedSchema,
  correctionSchema,
  degreesSchema,
  entrySchema,
  fromMeterUnits,
  offsetSchema,
  shiftSchema,
  stopSchema,
} from './entry'
import { temperatureDue, tooHot } from './heat'

it('asks for temperatures at their times, once, and names what is too hot', () => {
  expect(temperatureDue([0, 10, 20], ['back'], NaN, 5)).toBe(0)
  expect(temperatureDue([0, 10, 20], ['back'], 3, 590)).toBeNull()
  expect(temperatureDue([0, 10, 20], ['back'], 3, 610)).toBe(600)
  expect(temperatureDue([0, 10, 20], ['back'], 590, 610)).toBeNull()
  expect(temperatureDue([0, 10], [], NaN, 700)).toBeNull()
  expect(tooHot({ back: 45 }, 45)).toEqual({ place: 'back', celsius: 45 })
  expect(tooHot({ back: 44 }, 45)).toBeNull()
})

it('takes a count in mAh, as meters show it, and keeps Ah', () => {
  // Common practice, no source: 1,250 mAh after an hour.
  expect(entrySchema.validateSync(fromMeterUnits({ counterAh: '1,250', counterWh: '0,415' }))).toMatchObject({
    counterAh: 1.25,
    counterWh: 0.415,
  })
  expect(fromMeterUnits({ counterAh: 'much' })).toEqual({ counterAh: 'much' })
  expect(entrySchema.validateSync(fromMeterUnits({ counterAh: '1,250 mAh', counterWh: '0.415 Wh' }))).toMatchObject({ counterAh: 1.25, counterWh: 0.415 }) // prettier-ignore
})

const said = (schema: Schema, typed: unknown) => {
  try {
    return schema.validateSync(typed) as unknown
  } catch (error) {
    return (error as Error).message
  }
}

it('names a reading that is no number, and what is wanting', () => {
  expect(said(entrySchema, { percent: 'half' })).toBe('The battery level must be a number.')
  expect(said(entrySchema, { power: 'much' })).toBe('Watts must be a number.')
  expect(said(entrySchema, { percent: '101' })).toBe('The battery level must be at most 100 %.')
  expect(said(entrySchema, { percent: '', power: ' ' })).toBe('Type the battery level, the power, or both.')
  expect(said(degreesSchema, 'warm')).toBe('Degrees must be a number.')
  const correction = correctionSchema('Watts', [-500, 500], ' W')
  expect(said(correction, { value: '18,5', why: ' misread ' })).toEqual({ value: 18.5, why: 'misread' })
  // An empty value is "not read".
  expect(said(correction, { value: '', why: 'nobody read it' })).toEqual({ value: undefined, why: 'nobody read it' }) // prettier-ignore
  expect(said(correction, { value: '18', why: ' ' })).toBe('Say why, so that it is known later.')
})

it('asks of a spoilt run what spoilt it, and of no other', () => {
  expect(said(stopSchema, { reason: ' it fell ', spoilt: true })).toEqual({
    reason: 'it fell',
    spoilt: true,
  })
  expect(said(stopSchema, { reason: ' ', spoilt: true })).toBe(
    'Say what spoilt it, so that it is known later.',
  )
  expect(said(stopSchema, { reason: '', spoilt: false })).toEqual({ reason: '', spoilt: false })
  expect(said(stopSchema, { reason: 'x'.repeat(401), spoilt: false })).toMatch(/at most 400/)
})

it('takes what is typed beside readings within its bounds, and says which they are', () => {
  const bounds = (schema: Schema, low: number, high: number) => [low, high, low - 1, high + 1].map((v) => said(schema, String(v)))
  expect(bounds(askedSchema('%'), 0, 100)).toEqual([0, 100, 'The level must be at least 0 %.', 'The level must be at most 100 %.'])
  expect(bounds(askedSchema('min'), 0, 10_000)).toEqual([0, 10_000, 'The rest must be at least 0 min.', 'The rest must be at most 10000 min.'])
  expect(bounds(askedSchema('°C'), -40, 80)).toEqual([-40, 80, 'The temperature must be at least −40 °C.', 'The temperature must be at most 80 °C.'])
  expect(bounds(shiftSchema, -3600, 3600)).toEqual([-3600, 3600, 'The shift must be at least −3600 s.', 'The shift must be at most 3600 s.'])
  // A year either way, for files that count from an epoch.
  const year = 366 * 24 * 3600
  expect(bounds(offsetSchema, -year, year)).toEqual([-year, year, `The offset must be at least −${year} s.`, `The offset must be at most ${year} s.`])
}) // prettier-ignore
