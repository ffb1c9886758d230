import { afterEach, describe, expect, it } from 'vitest'
import {
  asRead,
  asWritten,
  clock,
  countdown,
  difference,
  duration,
  durationWithSpread,
  exactClock,
  figure,
  howWritten,
  keptValue,
  plainly,
  points,
  UNKNOWN,
  withSpread,
  writeFigures,
  writtenTitle,
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
    [-0.06, 1, 'W', '−0.1 W'],
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
    '−1 point',
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
  // Known to less than half a minute: seconds of both, none too many where minutes are full.
  [6487, 6, '1 h 48 min 7 s ± 6 s'],
  [6479.6, 29, '1 h 48 min 0 s ± 29 s'],
  [59.6, 3, '1 min 0 s ± 3 s'],
  [42, 3, '42 s ± 3 s'],
  // Else minutes of both, one at least.
  [6487, 30, '1 h 48 min ± 1 min'],
  [6487, 59, '1 h 48 min ± 1 min'],
  [6487, 150, '1 h 48 min ± 3 min'],
  [42, 35, '42 s ± 1 min'],
  // Nobody knows a time to ± 0.
  [6487, 0.4, '1 h 48 min'],
  [6487, NaN, '1 h 48 min'],
  [NaN, 6, UNKNOWN],
])('%s s, off by at most %s s, reads in one unit', (seconds, spreadS, text) => {
  expect(plain(durationWithSpread(seconds, spreadS))).toBe(text)
})

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

describe('as the reader prefers', () => {
  afterEach(() => writeFigures({ comma: false, fahrenheit: false }))

  it('a comma parts decimals, wherever one stands', () => {
    writeFigures({ comma: true, fahrenheit: false })
    expect(plain(figure(12.345, 1, 'W'))).toBe('12,3 W')
    expect(plain(withSpread(20.07, 0.105, 2, 'Wh'))).toBe('20,07 Wh ± 0,21')
    expect(plain(asRead(18.5, 2, 'W'))).toBe('18,5 W')
    expect(exactClock(307.25)).toBe('0:05:07,25')
    expect(asWritten('It drew 12.5 W, 3.85 V at 0:05:07. No more.')).toBe(
      'It drew 12,5 W, 3,85 V at 0:05:07. No more.',
    )
    expect(asWritten(figure(1.5, 1, 'W'))).toBe(figure(1.5, 1, 'W'))
  })

  it('temperatures are written in °F, and differences of them are no temperatures', () => {
    writeFigures({ comma: false, fahrenheit: true })
    // Fixed points: water freezes at 32 °F and boils at 212 °F; −40 is the same on both.
    expect([0, 100, -40].map((c) => plain(figure(c, 0, '°C')))).toEqual(['32 °F', '212 °F', '−40 °F'])
    expect([212, 32, -40].map((f) => keptValue(f, '°C'))).toEqual([100, 0, -40])
    expect(plain(difference(10, 1, '°C'))).toBe('18.0 °F')
    expect(difference(NaN, 1, '°C')).toBe(UNKNOWN)
    expect(plain(withSpread(40, 0.25, 1, '°C'))).toBe('104.0 °F ± 0.9')
    expect(plain(asRead(20, 2, '°C'))).toBe('68 °F')
    expect(plain(figure(20, 0, 'W'))).toBe('20 W')
    expect(keptValue(20, 'W')).toBe(20)
    expect(writtenTitle('back, °C')).toBe('back, °F')
    expect(asWritten('The back reached 45.5 °C; the limit of this run was 45\u00a0°C.')).toBe(
      'The back reached 113.9 °F; the limit of this run was 113\u00a0°F.',
    )
    expect(asWritten('Between −40 and 80 °C.')).toBe('Between −40 and 176 °F.')
  })

  it('what is compared later is written plainly, whatever happens meanwhile', () => {
    writeFigures({ comma: true, fahrenheit: true })
    expect(plainly(() => plain(figure(20.5, 1, '°C')))).toBe('20.5 °C')
    expect(() =>
      plainly(() => {
        throw new Error('no')
      }),
    ).toThrow('no')
    expect(howWritten()).toEqual({ comma: true, fahrenheit: true })
  })
})
