import { expect, it } from 'vitest'
import { formatOffers, parseOffers } from './offers'

const fixed = (volts: number, amps: number) => ({ kind: 'fixed' as const, volts, amps })
const adjustable = (minVolts: number, maxVolts: number, amps: number) => ({
  kind: 'adjustable' as const,
  minVolts,
  maxVolts,
  amps,
})

it.each([
  // As prints have it: with and without space, with a sign between, in any letters.
  ['9V3A', fixed(9, 3)],
  ['9 V 3 A', fixed(9, 3)],
  ['9V/3A', fixed(9, 3)],
  ['9V x 3A', fixed(9, 3)],
  ['9V×3A', fixed(9, 3)],
  ['9V@3A', fixed(9, 3)],
  ['9v 2,25a', fixed(9, 2.25)],
  ['12.5V 1.5A', fixed(12.5, 1.5)],
  ['3.3-11V 3A', adjustable(3.3, 11, 3)],
  ['3,3–21 V 5 A', adjustable(3.3, 21, 5)],
  ['5V—11V 3A', adjustable(5, 11, 3)],
  ['5 to 20V 3A', adjustable(5, 20, 3)],
  ['adjustable 5 V - 20 V / 3 A', adjustable(5, 20, 3)],
  ['3.3-11V 3A ADJUSTABLE', adjustable(3.3, 11, 3)],
  ['legacy', { kind: 'legacy', amps: 1.5 }],
  ['Legacy 5V', { kind: 'legacy', amps: 1.5 }],
  ['legacy 5V 2.4A', { kind: 'legacy', amps: 2.4 }],
  ['legacy 2.4A', { kind: 'legacy', amps: 2.4 }],
  ['type-c', { kind: 'type-c', amps: 3 }],
  ['TypeC 5V/1.5A', { kind: 'type-c', amps: 1.5 }],
  ['wireless 15W', { kind: 'wireless', watts: 15 }],
  ['wireless 7,5 W', { kind: 'wireless', watts: 7.5 }],
  ['Tideway 10V 5A', { kind: 'family', family: 'Tideway', volts: 10, amps: 5 }],
  ['family Tide Way 2 10V5A', { kind: 'family', family: 'Tide Way 2', volts: 10, amps: 5 }],
  ['Årsta 9V2A', { kind: 'family', family: 'Årsta', volts: 9, amps: 2 }],
])('reads %s', (text, offer) => {
  expect(parseOffers(text)).toEqual({ offers: [offer], unread: [] })
  // What it writes, it reads as the same.
  const { offers } = parseOffers(text)
  expect(parseOffers(formatOffers(offers)).offers).toEqual(offers)
})

it.each([
  '9V',
  '3A',
  'x9V3A',
  '9V3Amp',
  '0V3A',
  '9V0A',
  '61V3A',
  '9V20.1A',
  '11-3.3V 3A',
  '5-5V 3A',
  '5-61V 3A',
  'legacy 21A',
  'legacy 9V2A',
  'type-c 9V3A',
  'wireless 0W',
  'wireless 501W',
  'wireless 9V2A',
  'adjustable 9V3A',
  'rated 0W',
  'max 501W',
  'rated 45',
])('leaves %s unread', (text) => expect(parseOffers(text)).toEqual({ offers: [], unread: [text] }))

it('takes the bounds themselves', () => {
  expect(parseOffers('60V20A').offers).toEqual([fixed(60, 20)])
  expect(parseOffers('wireless 500W').offers).toEqual([{ kind: 'wireless', watts: 500 }])
})

it('parts pieces by semicolons, lines, and commas that are no decimals', () => {
  expect(parseOffers('5V3A,9V3A').offers).toEqual([fixed(5, 3), fixed(9, 3)])
  expect(parseOffers('5V2,4A, 9V 1,67A;\n12V 1.5A; ').offers).toEqual([
    fixed(5, 2.4),
    fixed(9, 1.67),
    fixed(12, 1.5),
  ])
  expect(parseOffers('5V3A,3.3-11V3A,12.5V2A').offers).toEqual([
    fixed(5, 3),
    adjustable(3.3, 11, 3),
    fixed(12.5, 2),
  ])
  expect(parseOffers('  ')).toEqual({ offers: [], unread: [] })
})

it('keeps what holds for the whole apart from the offers', () => {
  expect(parseOffers('rated 45W, max 27 W; MIN 7,5W')).toEqual({
    offers: [],
    unread: [],
    ratedWatts: 45,
    maxWatts: 27,
    minWatts: 7.5,
  })
})

it('writes each kind as a print has it', () => {
  expect(
    formatOffers([
      fixed(9, 3),
      adjustable(3.3, 11, 3),
      { kind: 'family', family: 'Tideway', volts: 10, amps: 5 },
      { kind: 'wireless', watts: 15 },
      { kind: 'legacy', amps: 1.5 },
      { kind: 'type-c', amps: 3 },
    ]),
  ).toBe('9V 3A, 3.3–11V 3A adjustable, Tideway 10V 5A, wireless 15W, legacy 5V 1.5A, type-c 5V 3A')
  expect(formatOffers([])).toBe('')
})
