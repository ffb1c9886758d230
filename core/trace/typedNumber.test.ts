import { expect, it } from 'vitest'
import { neededNumber, optionalNumber, typedNumber } from './typedNumber'

const level = neededNumber('The start level', 0, 99, ' %')

it('takes a decimal comma, and both bounds', () => {
  expect(level.validateSync(' 7,5 ')).toBe(7.5)
  expect(level.validateSync('0')).toBe(0)
  expect(level.validateSync(99)).toBe(99)
})

it('takes its own unit behind it, and no other', () => {
  expect(['7,5 %', '7.5%', ' 8 % '].map((text) => level.validateSync(text))).toEqual([7.5, 7.5, 8])
  const watts = typedNumber('Watts', -300, 500, ' W')
  expect(['18.9W', '18,9 w'].map((text) => watts.validateSync(text))).toEqual([18.9, 18.9])
  for (const text of ['18 mW', '18 kW', '18 A', '18 W 2', 'W'])
    expect(() => watts.validateSync(text), text).toThrow('Watts must be a number.')
})

it('says what is wrong with it', () => {
  expect(() => level.validateSync('99,1')).toThrow('The start level must be at most 99 %.')
  expect(() => level.validateSync(-0.1)).toThrow('The start level must be at least 0 %.')
  expect(() => level.validateSync('ten')).toThrow('The start level must be a number.')
  expect(() => level.validateSync(' ')).toThrow('Give the start level.')
  expect(() => level.validateSync('')).toThrow('Give the start level.')
})

it('never takes nothing for zero', () => {
  expect(typedNumber('Watts', -300, 500).validateSync('')).toBeUndefined()
  const price = optionalNumber('Price', 0, 100)
  expect(price.validateSync('')).toBeNull()
  expect(price.validateSync(undefined)).toBeNull()
  expect(price.validateSync(null)).toBeNull()
  expect(price.validateSync('0')).toBe(0)
  expect(() => price.validateSync('dear')).toThrow('Price must be a number.')
  expect(() => price.validateSync('101')).toThrow('Price must be at most 100.')
})
