import { describe, expect, it } from 'vitest'
import { celsiusUncertainty, standardUncertainty, statedLimit, wattsUncertainty } from './accuracy'
import type { Agreement } from './agree'
import { parseClaims } from './claims'
import { ratingChanges } from './corrections'
import type { Meter, Source } from './gear'
import { disagreement } from './observed'

it('reads claims as boxes print them, and keeps what it could not read', () => {
  expect(
    parseClaims('50 % in 30 min; full in 1 h 20 min\nhalf full in 25 minutes; up to 80% in 0,5 h; lasts'),
  ).toEqual({
    claims: [
      { percent: 50, seconds: 1800 },
      { percent: 100, seconds: 4800 },
      { percent: 50, seconds: 1500 },
      { percent: 80, seconds: 1800 },
    ],
    unread: ['lasts'],
  })
})

it('works a stated accuracy out as handbooks do: ± (% of reading + digits)', () => {
  // A worked example: 0.5 % of 20 V and 2 digits of 0.01 V is 0.12 V; as u, over the root of three (GUM 4.3.7).
  const meter = { accuracyPercent: 0.5, accuracyDigits: 2, resolution: 0.01, resolutionAmps: 0.01 } as Meter
  expect(statedLimit(meter, 20, 0.01)).toBeCloseTo(0.12, 12)
  expect(standardUncertainty(0.12)).toBeCloseTo(0.0693, 4)
  // GUM JCGM 100:2008 §5.1.2: u²(V·I) = I²u²(V) + V²u²(I); here 3 A, 20 V, limits 0.12 V and 0.035 A.
  expect(wattsUncertainty(meter, 60, 20, 3)).toBeCloseTo(Math.hypot(3 * 0.12, 20 * 0.035) / Math.sqrt(3), 12)
  // Without volts and amperes both are off by the share alone: 0.5 % of 60 W, twice in quadrature, over √3.
  expect(wattsUncertainty(meter, 60)).toBeCloseTo((0.3 * Math.SQRT2) / Math.sqrt(3), 12)
  expect(wattsUncertainty({ ...meter, accuracyPercent: null }, 60)).toBeNaN()
  expect(
    celsiusUncertainty({ ...meter, accuracyPercent: null, resolution: 0.1, accuracyDigits: 10 }, 40),
  ).toBeCloseTo(1 / Math.sqrt(3), 12)
  expect(statedLimit({ accuracyPercent: null, accuracyDigits: null }, 5, 0.01)).toBeNaN()
})

it('finds which ratings changed, in words, and leaves notes alone', () => {
  const before = { id: 's', name: 'Hawser', ratedWatts: 85, ports: [], notes: 'a' } as unknown as Source
  const after = { ...before, ratedWatts: 87, notes: 'b' }
  expect(ratingChanges(before, after)).toEqual([
    { field: 'ratedWatts', label: 'rated watts', from: '85', to: '87' },
  ])
})

describe('what was seen beside what was expected', () => {
  const expected = (outcome: Agreement['outcome']) => ({ outcome }) as Agreement
  it.each([
    ['charges', 'charges', false],
    ['charges', 'slow', true],
    ['slow', 'loses', true],
    ['connected', 'loses', false],
    ['connected', 'charges', true],
    ['none', 'refuses', false],
    ['none', 'slow', true],
  ] as const)('expected %s, seen %s', (what, seen, contradicts) => {
    const found = disagreement(expected(what), seen)
    expect(found !== null).toBe(contradicts)
    if (found) expect(found).toContain('Expected')
  })
})
