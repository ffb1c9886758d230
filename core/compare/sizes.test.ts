import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import type { Side } from './quantities'
import { mostEnergy } from './sizes'
import { ASSUMED_REPEATABILITY } from './verdict'

const side = (usableWh: number, gain: number): Side => ({
  analysis: { marks: [{ atS: 1800, gain, uncertainty: 0.41 }] } as unknown as Analysis,
  usableWh,
  hoursPerPoint: NaN,
})
const most = (...sides: Side[]) =>
  mostEnergy(
    sides.map((s) => [s]),
    30,
    ASSUMED_REPEATABILITY,
  )

it('tells where most energy went, where batteries differ in size and points do not say it', () => {
  // 52 % of 16.2 Wh, 58 % of 10.7 Wh and 29 % of 28.9 Wh: most points went into the smallest.
  expect(most(side(16.2, 52), side(10.7, 58), side(28.9, 29))).toEqual([
    { index: 0, wh: expect.closeTo(8.424, 9) },
    { index: 2, wh: expect.closeTo(8.381, 9) },
  ])
  expect(most(side(16.2, 52), side(10.7, 58))?.map(({ index }) => index)).toEqual([0])
  expect(most(side(16.2, NaN), side(10.7, 58))).toEqual([])
  expect(most(side(16.2, 52), side(15.5, 58))).toBeNull()
  expect(most(side(16.2, 52), side(NaN, 58))).toBeNull()
})
