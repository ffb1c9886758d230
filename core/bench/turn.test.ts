import { expect, it } from 'vitest'
import { nextTurn, turnedTo, turnSchema } from './turn'

it('expects one point more than was shown, and nothing beyond full', () => {
  expect(nextTurn(42)).toBe(43)
  expect(nextTurn(42.5)).toBe(43)
  expect(nextTurn(99)).toBe(100)
  expect(nextTurn(0)).toBe(1)
  expect(nextTurn(100)).toBeNull()
  expect(nextTurn(undefined)).toBeNull()
})

it('takes whole points as typed, and marks them as watched', () => {
  expect(turnedTo(turnSchema.validateSync('100')!)).toEqual({ percent: 100, watched: 1 })
  expect(() => turnSchema.validateSync('42,5')).toThrow('whole points')
  expect(() => turnSchema.validateSync('101')).toThrow('at most 100 %')
  expect(() => turnSchema.validateSync('0')).toThrow('at least 1 %')
})
