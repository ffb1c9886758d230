import { expect, it } from 'vitest'
import { bracketBefore, type Shown } from './bracket'
import { pointsOff } from './pointsOff'

const shown = (...levels: number[]): Shown => ({
  t: Float64Array.from(levels, (_, i) => i),
  v: Float64Array.from(levels),
  watched: [],
})
const NO_POWER = { t: new Float64Array(0), v: new Float64Array(0) }
/** So many watts through each second, from one second on: two readings where they change. */
const steps = (watts: number[], fromS = 0) => ({
  t: Float64Array.from(watts.flatMap((_, i) => [fromS + i, fromS + i + 1])),
  v: Float64Array.from(watts.flatMap((w) => [w, w])),
})
const off = (levels: Shown, power: { t: Float64Array; v: Float64Array }, atS: number, seen = 2) =>
  pointsOff(levels, power, seen, bracketBefore(levels, seen), atS)
/** The cubic by the Hermite basis less the straight line, over a step of `width`. */
const byBasis = (width: number, rise: number, d0: number, d1: number, s: number) =>
  width * (d0 * (s ** 3 - 2 * s ** 2 + s) + d1 * (s ** 3 - s ** 2)) + rise * (3 * s ** 2 - 2 * s ** 3 - s)

it('goes by time where watts were not read, or flowed out meanwhile', () => {
  // Slopes 1, 2 and 3, a second apart: 4/3 and 12/5 at the ends (Fritsch and Carlson, from memory).
  const levels = shown(10, 11, 13, 16)
  expect(off(levels, NO_POWER, 1.5)).toBeCloseTo(-2 / 15, 9)
  expect(off(levels, steps([1, -2, 3]), 1.5)).toBeCloseTo(-2 / 15, 9)
  expect(off(levels, steps([1], 0), 1.5)).toBeCloseTo(-2 / 15, 9)
})

it('goes by delivered energy where watts were read: a level that follows it lies on the line', () => {
  const levels = shown(10, 11, 13, 16)
  for (const atS of [1.2, 1.5, 1.9]) expect(off(levels, steps([1, 2, 3]), atS)).toBeCloseTo(0, 9)
  // 4, 2 and 8 J for 2, 4 and 2 points: slopes 1/2, 2 and 1/4, weighted by 10 and 8, then by 18 and 12.
  const [d0, d1] = [18 / (10 / 2 + 8 / 0.5), 30 / (18 / 2 + 12 / 0.25)]
  const bent = shown(10, 12, 16, 18)
  for (const share of [0.25, 0.5, 0.85])
    expect(off(bent, steps([4, 2, 8]), 1 + share)).toBeCloseTo(byBasis(2, 4, d0, d1, share), 9)
})

it('leaves out a neighbour that the meter does not reach, that is not there, or at which the display is full', () => {
  const bent = shown(10, 12, 16, 18)
  const onlyAfter = byBasis(2, 4, 2, 30 / (18 / 2 + 12 / 0.25), 0.5)
  const onlyBefore = byBasis(2, 4, 18 / (10 / 2 + 8 / 0.5), 2, 0.5)
  expect(off(bent, steps([2, 8], 1), 1.5)).toBeCloseTo(onlyAfter, 9)
  expect(off(bent, steps([4, 2]), 1.5)).toBeCloseTo(onlyBefore, 9)
  expect(off(shown(10, 12, 16), steps([4, 2, 8]), 1.5)).toBeCloseTo(onlyBefore, 9)
  expect(off(shown(12, 16, 18), steps([2, 8, 1]), 0.5, 1)).toBeCloseTo(onlyAfter, 9)
  expect(off(shown(10, 12, 16, 100), steps([4, 2, 8]), 1.5)).toBeCloseTo(onlyBefore, 9)
})
