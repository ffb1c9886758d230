import { expect, it } from 'vitest'
import { oddResults, type Suspect } from './odd'
import { ASSUMED_REPEATABILITY } from './verdict'

const suspect = (over: Partial<Suspect>): Suspect => ({
  ratedW: 20,
  full: { values: [6000], uncertainty: 5 },
  hottestC: 38,
  slowedByHeat: false,
  wireless: false,
  stalled: false,
  expectedS: NaN,
  expectedUncertaintyS: NaN,
  ...over,
})
const kinds = (...of: Suspect[]) =>
  oddResults(of, ASSUMED_REPEATABILITY).map((o) => [o.kind, o.index, o.causes[0]])

it('names a bigger source that is slower, with heat first where it was warmer', () => {
  const slow = { ratedW: 65, full: { values: [8000], uncertainty: 5 } }
  expect(kinds(suspect({}), suspect({ ...slow, hottestC: 44 }))).toEqual([['bigger-slower', 1, 'heat']])
  expect(kinds(suspect({}), suspect(slow))).toEqual([['bigger-slower', 1, 'protocol']])
  // Within what runs scatter anyway, or hardly bigger: nothing odd.
  expect(kinds(suspect({}), suspect({ ...slow, full: { values: [6100], uncertainty: 5 } }))).toEqual([])
  expect(kinds(suspect({}), suspect({ ...slow, ratedW: 22 }))).toEqual([])
})

it('names repeats that disagree, a run unlike its forecast, and a pad on which a device lay badly', () => {
  expect(kinds(suspect({ full: { values: [6000, 6900], uncertainty: 5 } }))).toEqual([
    ['repeats-disagree', 0, 'background'],
  ])
  expect(kinds(suspect({ full: { values: [6000, 6100], uncertainty: 5 } }))).toEqual([])
  expect(kinds(suspect({ expectedS: 4800, expectedUncertaintyS: 100 }))).toEqual([
    ['unlike-forecast', 0, 'protocol'],
  ])
  expect(kinds(suspect({ expectedS: 5400, expectedUncertaintyS: 100 }))).toEqual([])
  expect(kinds(suspect({ wireless: true, stalled: true, full: { values: [], uncertainty: NaN } }))).toEqual([
    ['pad-position', 0, 'position'],
  ])
})
