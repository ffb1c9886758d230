import { describe, expect, it } from 'vitest'
import {
  asRead,
  clock,
  countdown,
  duration,
  exactClock,
  figure,
  points,
  UNKNOWN,
  withSpread,
} from './figures'

/** No-break spaces as plain ones, so that the expectations can be read. */
const plain = (text: string) => text.replaceAll('\u00A0', ' ')

describe('a figure', () => {
  it.each([
    [12.345, 1, 'W', '12.3 W'],
    [12, 2, 'W', '12.00 W'],
    [7, 0, '', '7'],
    // Less than nothing that rounds to nothing is nothing, not minus nothing.
    [-0.04, 1, 'W', '0.0 W'],
    [-0.06, 1, 'W', '-0.1 W'],
  ])('%s with %s decimals', (value, digits, unit, text) =>
    expect(plain(figure(value, digits, unit))).toBe(text),
  )
  it('keeps its unit on its line', () => expect(figure(5, 0, 'V')).toBe('5\u00A0V'))
  it.each([null, undefined, NaN, Infinity, -Infinity])('is a dash where it is %s', (value) =>
    expect(figure(value, 1, 'W')).toBe('–'),
  )
})

it.each([
  [18.5, 2, 'W', '18.5 W'],
  [13, 2, '%', '13 %'],
  [5.1239, 3, 'V', '5.124 V'],
  [100, 2, '%', '100 %'],
  [NaN, 2, 'W', '–'],
  [undefined, 2, 'W', '–'],
])('%s is said back as it was read', (value, digits, unit, text) =>
  expect(plain(asRead(value, digits, unit))).toBe(text),
)

it('counts one point, and several points', () => {
  expect([1, -1, 0, 12].map((n) => plain(points(n)))).toEqual([
    '1 point',
    '-1 point',
    '0 points',
    '12 points',
  ])
  expect(plain(points(1.5, 1))).toBe('1.5 points')
})

it.each([
  [0, '0 s'],
  [59.4, '59 s'],
  // A minute, not sixty seconds; an hour, not sixty minutes.
  [59.5, '1 min'],
  [90, '2 min'],
  [59 * 60 + 29, '59 min'],
  [59 * 60 + 31, '1 h 0 min'],
  [108 * 60, '1 h 48 min'],
  [26 * 3600 + 5 * 60, '26 h 5 min'],
  [-45, '−45 s'],
  [-600, '−10 min'],
  [-7200, '−2 h 0 min'],
  [-0.2, '0 s'],
  [NaN, UNKNOWN],
  [Infinity, UNKNOWN],
])('%s s lasts', (seconds, text) => expect(plain(duration(seconds))).toBe(text))

it.each([
  [0, '0:00:00'],
  [307.9, '0:05:07'],
  [59, '0:00:59'],
  [75 * 60, '1:15:00'],
  [36_000 + 61, '10:01:01'],
  [-3, '0:00:00'],
])('%s s on a running clock', (seconds, text) => expect(clock(seconds)).toBe(text))

it.each([
  [299, '4:59'],
  [600, '10:00'],
  [5, '0:05'],
  [3899, '1:04:59'],
  [4205, '1:10:05'],
])('%s s left', (seconds, text) => expect(countdown(seconds)).toBe(text))

it('writes a figure with twice its uncertainty, and without where that is not known', () => {
  expect(withSpread(11.23, 0.09, 0, '%')).toBe('11.2\u00A0% ± 0.2')
  expect(withSpread(150.6, 0, 2, 'Wh')).toBe('150.60\u00A0Wh')
  expect(withSpread(150.6, 1e-6, 2, 'Wh')).toBe('150.60\u00A0Wh')
  expect(withSpread(20.07, 0.104, 2, 'Wh')).toBe('20.07\u00A0Wh ± 0.21')
  expect(withSpread(20.07, NaN, 2, 'Wh')).toBe('20.07\u00A0Wh')
  expect(withSpread(NaN, 0.1, 2, 'Wh')).toBe('–')
})

it('a moment between two seconds is written to the thousandth', () => {
  expect(exactClock(307.25)).toBe('0:05:07.25')
  expect(exactClock(307)).toBe('0:05:07')
  expect(exactClock(59.9996)).toBe('0:01:00')
  expect(exactClock(-1)).toBe('0:00:00')
})
