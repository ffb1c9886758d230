import { expect, it } from 'vitest'
import { entrySchema, fromMeterUnits } from './entry'
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
