import { expect, it } from 'vitest'
import { decimal } from './decimal'

it.each([
  ['3.5', 3.5],
  [' 3,5 ', 3.5],
  ['−0,25', -0.25],
  ['+7', 7],
  ['.5', 0.5],
  ['5.', 5],
  ['1e3', 1000],
  ['', NaN],
  ['-', NaN],
  ['.', NaN],
  ['e', NaN],
  ['1-2', NaN],
  ['-2.5E-1', -0.25],
  ['1,2,3', NaN],
  ['1.000,5', NaN],
  ['0x1F', NaN],
  ['5 V', NaN],
])('reads %j as %d', (text, value) => expect(decimal(text)).toBe(value))
