import fc from 'fast-check'
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

// Prints of made-up chargers, as prints are (common practice, no source).
it.each([
  ['Output: 5.0V⎓3.0A / 9.0V⎓2.22A', '5V 3A, 9V 2.22A'],
  ['5V=3A 9V=2.22A', '5V 3A, 9V 2.22A'],
  ['OUTPUT 5V⎓3A, 9V⎓2A INPUT 100-240V~ 0.6A', '5V 3A, 9V 2A'],
  ['INPUT: 100-240V~50/60Hz 1.5A OUTPUT: 5V3A 9V3A', '5V 3A, 9V 3A'],
  ['Input: 5V 3A / 9V 2A', '5V 3A, 9V 2A'],
  ['DC 5V 3A', '5V 3A'],
  ['5VDC 3000mA', '5V 3A'],
  ['5V—3A, 9V-2.22A', '5V 3A, 9V 2.22A'],
  ['5V 3A (15W), 9V 3A (27W), 20V 3.25A (65W max)', '5V 3A, 9V 3A, 20V 3.25A'],
  ['5V3A/9V3A/20V5A', '5V 3A, 9V 3A, 20V 5A'],
  ['5V/9V/12V 3A', '5V 3A, 9V 3A, 12V 3A'],
  ['5V 3A or 9V 2A', '5V 3A, 9V 2A'],
  ['20.0V⎓2.25A 45.0W', '20V 2.25A'],
  ['USB-C1: 5V/3A, 9V/3A', '5V 3A, 9V 3A'],
  ['65W: 20V 3.25A', '20V 3.25A'],
  ['USB PD 3.0: 9V3A', '9V 3A'],
  ['PD 20V 3.25A', '20V 3.25A'],
  ['EPR 28V 5A', '28V 5A'],
  ['PPS: 3.3-11V⎓3A, 3.3V-16V 3A (PPS)', '3.3–11V 3A adjustable, 3.3–16V 3A adjustable'],
  ['15-28V 5A AVS', '15–28V 5A adjustable'],
  ['BC1.2 5V1.5A', 'legacy 5V 1.5A'],
  ['9V 27W', '9V 3A'],
  ['15W wireless', 'wireless 15W'],
  ['5V, 3A', '5V 3A'],
  ['3A 5V', '5V 3A'],
  ['5 volts 2.4 amps max', '5V 2.4A'],
  ['5 V ⎓ 3 A 9 V ⎓ 2,22 A', '5V 3A, 9V 2.22A'],
])('reads the print %s', (text, offers) => {
  const side = parseOffers(text)
  expect([formatOffers(side.offers), side.unread]).toEqual([offers, []])
})

it('tells what is said of the whole from a level, without a comma between', () => {
  expect(parseOffers('9V⎓3A max 27W')).toEqual({ offers: [fixed(9, 3)], maxWatts: 27, unread: [] })
  expect(parseOffers('5V3A/9V3A rated 45W')).toEqual({ offers: [fixed(5, 3), fixed(9, 3)], ratedWatts: 45, unread: [] }) // prettier-ignore
})

it('keeps the name of a family, whatever words of prints are in it', () => {
  for (const family of [
    'DC Fast',
    'In-house',
    'USB Turbo',
    'Max Volt',
    'EPR Plus',
    'PPS Pro',
    'Amp It',
    'Watt 2',
    'Portside',
    'PD Fast',
    'Outboard',
  ]) {
    // prettier-ignore
    const offers = [{ kind: 'family' as const, family, volts: 10, amps: 5 }]
    expect(parseOffers(formatOffers(offers)), family).toEqual({ offers, unread: [] })
  }
})

it('takes no port, and no level, for a family, and says what it cannot read', () => {
  expect(parseOffers('C1: 5V3A; C2: 9V3A').unread).toEqual(['C2: 9V3A'])
  expect(parseOffers('Tideway 10V5A / 5V4A')).toEqual({ offers: [], unread: ['Tideway 10V5A / 5V4A'] })
  expect(parseOffers('5V1A/2.1A')).toEqual({ offers: [], unread: ['5V1A/2.1A'] })
  expect(parseOffers('PD')).toEqual({ offers: [], unread: ['PD'] })
})

it.each([
  '9V',
  '3A',
  'x9V3A',
  '9V3Ah',
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

it('reads levels in whatever signs, words and totals a print sets around them', () => {
  const level = fc.tuple(fc.constantFrom(5, 9, 12, 15, 20, 28), fc.constantFrom(1, 1.5, 2.22, 3, 3.25, 5))
  const print = fc.record({
    levels: fc.array(level, { minLength: 1, maxLength: 5 }),
    between: fc.constantFrom('', ' ', '⎓', ' ⎓ ', '=', ' === ', '/', ' / ', '-', '—', 'x', ' × ', '@', '*'),
    apart: fc.constantFrom(', ', ',', '; ', ' / ', '/', ' | ', ' ', ' or ', '\n', ' + '),
    before: fc.constantFrom('', 'Output: ', 'OUTPUT ', 'DC ', 'USB-C: ', 'C1: ', '65W: ', 'PD ', 'USB PD 3.0: ', 'Input 100-240V~ 1.5A Output: '), // prettier-ignore
    written: fc.constantFrom<(v: number, a: number, between: string) => string>(
      (v, a, between) => `${v}V${between}${a}A`,
      (v, a, between) => `${v.toFixed(1)} V${between}${a.toFixed(2)} A`,
      (v, a, between) => `${v}V${between}${a}A (${(v * a).toFixed(1)}W max)`,
      (v, a, between) => `${v}V${between}${a * 1000}mA`,
    ),
  })
  const holds = ({
    levels,
    between,
    apart,
    before,
    written,
  }: typeof print extends fc.Arbitrary<infer P> ? P : never) => {
    const text = before + levels.map(([v, a]) => written(v, a, between)).join(apart)
    expect(parseOffers(text), text).toEqual({ offers: levels.map(([v, a]) => fixed(v, a)), unread: [] })
  }
  fc.assert(fc.property(print, holds), { numRuns: 1000, seed: 1 })
})
