import fc from 'fast-check'
import { expect, it } from 'vitest'
import { decimal, shortNumber } from './decimal'

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

// Whatever is written of so many digits comes out as the language reads it, to the last bit.
it('reads short numbers as `Number` does', () =>
  fc.assert(
    fc.property(
      fc.stringMatching(/^-?\d{1,15}$/),
      fc.option(fc.nat(16), { nil: undefined }),
      (digits, pointAt) => {
        const at = Math.min(digits.length, Math.max(pointAt ?? 0, digits.startsWith('-') ? 1 : 0))
        const text = pointAt === undefined ? digits : `${digits.slice(0, at)}.${digits.slice(at)}`
        expect(shortNumber(text)).toBe(Number(text))
      },
    ),
    { numRuns: 2000 },
  ))

it.each(['', '-', '.', '-.', '1.2.3', '1-', '1e3', '+1', '0x1', ' 1', '1/', '1:', '1234567890.123456'])(
  'leaves %j to another',
  (text) => expect(shortNumber(text)).toBeNaN(),
)
