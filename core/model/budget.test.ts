import { expect, it } from 'vitest'
import { chargesIn, hoursOn, packFor, wattsOfUse } from './budget'

it('a use of 3 Wh in 10 minutes takes 18 W (common practice, no source)', () => {
  expect(wattsOfUse(3, 10)).toBe(18)
})

it('a pack is as big as its charges over what of it can be used, and the other way round', () => {
  // 20.07 Wh at the meter for one charge (common practice, no source), two of them from 85 %.
  const pack = packFor(20.07, 2)
  expect(pack).toMatchObject({ usableShare: 0.85, assumed: true })
  expect(pack.value).toBeCloseTo(47.2235, 4)
  expect(chargesIn(pack.value, 20.07).value).toBeCloseTo(2, 9)
  expect(packFor(20, 3, 0.8)).toEqual({ value: 75, usableShare: 0.8, assumed: false })
  // 74 Wh, all of it, at 18 W.
  expect(hoursOn(74, 18, 1).value).toBeCloseTo(4.1111, 4)
  expect(hoursOn(74, 18).value).toBeCloseTo(0.85 * 4.1111, 4)
})

it('a share above all of it, or of nothing, is refused', () => {
  for (const share of [0, -0.1, 1.01, NaN]) expect(() => chargesIn(74, 20, share)).toThrow(RangeError)
})
