import fc from 'fast-check'
import { expect, it } from 'vitest'
import { decimal, grouped, shortNumber } from './decimal'

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

// As boxes and displays print them: 4,200 mAh, 1,250 mAh after an hour.
it.each([
  ['4200', 4200],
  ['4,200', 4200],
  ['4.200', 4200],
  [' 20 000 ', 20_000],
  ['20\u202f000', 20_000],
  ["1'250", 1250],
  ['−1,250', -1250],
  ['1,250.5', 1250.5],
  ['1.250,5', 1250.5],
  ['1,234,567', 1_234_567],
  ['0,415', 0.415],
  ['12,5', 12.5],
  ['1250,125', 1250.125],
  ['1,2345', 1.2345],
  ['1,250,5', NaN],
  ['1,25,000', NaN],
  ['much', NaN],
])('reads %j with its thousands as %d', (text, value) => expect(grouped(text)).toBe(value))
