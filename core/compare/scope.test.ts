import { expect, it } from 'vitest'
import { scopeOf } from './scope'

it('tells what set-ups differ in: gear, devices, both, or neither', () => {
  const phone = (...gear: (string | null | undefined)[]) => ({ deviceId: 'phone', gear })
  const tablet = (...gear: string[]) => ({ deviceId: 'tablet', gear })
  expect(scopeOf([phone('a', 'short'), phone('a', 'long')])).toBe('gear')
  expect(scopeOf([phone('a'), tablet('a')])).toBe('devices')
  expect(scopeOf([phone('a'), phone('b'), tablet('a')])).toBe('mixed')
  // With a load and without: the charger that would be kept stands there twice.
  expect(scopeOf([phone('a'), phone('b'), phone('a')])).toBe('ways')
  expect(scopeOf([phone('a', null), phone('a', undefined)])).toBe('same')
})
