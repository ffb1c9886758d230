import { expect, it } from 'vitest'
import type { Schema } from 'yup'
import { askedSchema, entrySchema, fromMeterUnits, offsetSchema, shiftSchema, wordsSchema } from './entry'
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
  expect(entrySchema.validateSync(fromMeterUnits({ counterAh: '1250', counterWh: '0,415' }))).toMatchObject({
    counterAh: 1.25,
    counterWh: 0.415,
  })
  expect(fromMeterUnits({ counterAh: 'much' })).toEqual({ counterAh: 'much' })
})

it('takes what is typed beside readings within its bounds, and says which they are', () => {
  const said = (schema: Schema, typed: unknown) => {
    try {
      return schema.validateSync(typed) as unknown
    } catch (error) {
      return (error as Error).message
    }
  }
  const bounds = (schema: Schema, low: number, high: number) => [low, high, low - 1, high + 1].map((v) => said(schema, String(v)))
  expect(bounds(askedSchema('%'), 0, 100)).toEqual([0, 100, 'The level must be at least 0 %.', 'The level must be at most 100 %.'])
  expect(bounds(askedSchema('min'), 0, 10_000)).toEqual([0, 10_000, 'The rest must be at least 0 min.', 'The rest must be at most 10000 min.'])
  expect(bounds(askedSchema('°C'), -40, 80)).toEqual([-40, 80, 'The temperature must be at least −40 °C.', 'The temperature must be at most 80 °C.'])
  expect(bounds(shiftSchema, -3600, 3600)).toEqual([-3600, 3600, 'The shift must be at least −3600 s.', 'The shift must be at most 3600 s.'])
  // A year either way, for files that count from an epoch.
  const year = 366 * 24 * 3600
  expect(bounds(offsetSchema, -year, year)).toEqual([-year, year, `The offset must be at least −${year} s.`, `The offset must be at most ${year} s.`])
  const why = wordsSchema('Say why.', 10)
  expect([said(why, { words: ' misread ' }), said(why, { words: '  ' })]).toEqual([{ words: 'misread' }, 'Say why.'])
  expect(said(why, { words: 'x'.repeat(11) })).toMatch(/at most 10/)
}) // prettier-ignore
