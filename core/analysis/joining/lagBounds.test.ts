import { expect, it } from 'vitest'
import { lagBounds } from './lagBounds'

const shown = (...readings: [number, number][]) => ({
  t: Float64Array.from(readings, ([t]) => t),
  v: Float64Array.from(readings, ([, v]) => v),
})
/** Power-on by the meter lies between 40 and 50 s of its clock. */
const FLOWS = { earliestS: 40, latestS: 50 }
const ANY = { low: -Infinity, high: Infinity }
/** By the device's clock: 5 % for ten minutes, then a point each minute. */
const flat: [number, number][] = Array.from({ length: 20 }, (_, i) => [i * 60, Math.max(5, i - 5)])

it('no level rises before power-on, and none a display shows so late as two points after it', () => {
  // 5 % was last seen at 600 s, 6 % first at 660: power-on lies before 670, its refresh allowed for twice.
  const { low, high } = lagBounds(shown(...flat), FLOWS)
  expect(low).toBe(40 - 660 - 10)
  // And not before 600 - (2 × 60 + 30).
  expect(high).toBe(50 - 600 + 150)
})
it('no end is known where the level did not stand for so long, jumped, or fell before', () => {
  const late = flat.filter(([t]) => t >= 480)
  const jumped = flat.map(([t, v]): [number, number] => [t, v > 5 ? v + 1 : v])
  const fell: [number, number][] = [[-60, 6], ...flat]
  for (const readings of [late, jumped])
    expect(lagBounds(shown(...readings), FLOWS)).toEqual({ low: -630, high: Infinity })
  // What fell was charged before, by whatever.
  expect(lagBounds(shown(...fell), FLOWS)).toEqual(ANY)
})
it('nothing is known where the level never rose, or current flowed from the first sample', () => {
  expect(lagBounds(shown([0, 50], [60, 49], [120, 49]), FLOWS)).toEqual(ANY)
  expect(lagBounds(shown(), FLOWS)).toEqual(ANY)
  expect(lagBounds(shown(...flat), { earliestS: NaN, latestS: 50 })).toEqual(ANY)
})
