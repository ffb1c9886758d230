import { expect, it } from 'vitest'
import { oddResults, type Suspect } from './odd'
import { ASSUMED_REPEATABILITY } from './verdict'

const suspect = (over: Partial<Suspect>): Suspect => ({
  deviceId: 'phone',
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
  // A laptop on its big source is later than a phone on its small one.
  expect(kinds(suspect({}), suspect({ ...slow, deviceId: 'laptop' }))).toEqual([])
})

it('tells of the most beaten of several, by how much, and leaves chance out where there are repeats', () => {
  const odd = (...of: Suspect[]) => oddResults(of, ASSUMED_REPEATABILITY).filter((o) => o.kind === 'bigger-slower')
  const fast = suspect({ full: { values: [5000], uncertainty: 5 } })
  const bigger = (over: Partial<Suspect>) => suspect({ ratedW: 65, full: { values: [8000], uncertainty: 5 }, ...over })
  expect(odd(suspect({}), fast, bigger({}))).toEqual([
    { kind: 'bigger-slower', index: 2, than: 1, by: 3000, causes: ['protocol', 'cable', 'heat', 'chance'] },
  ])
  expect(odd(fast, suspect({}), bigger({ full: { values: [8000, 8020], uncertainty: 5 }, slowedByHeat: true }))).toEqual([
    { kind: 'bigger-slower', index: 2, than: 0, by: 3010, causes: ['heat', 'protocol', 'cable'] },
  ])
  // Warmer by more than a degree; bigger from a fifth more on.
  const first = (hottestC: number) => odd(fast, bigger({ hottestC }))[0].causes[0]
  expect([first(39), first(39.1), first(NaN)]).toEqual(['protocol', 'heat', 'protocol'])
  expect([24, 23.9].map((ratedW) => odd(fast, bigger({ ratedW })).length)).toEqual([1, 0])
  // A pad is no bigger charger, on either side; what never came to full is neither slower nor faster.
  for (const over of [{ wireless: true }, { full: { values: [], uncertainty: NaN } }]) {
    expect(odd(fast, bigger(over))).toEqual([])
    expect(odd({ ...fast, ...over }, bigger({}))).toEqual([])
  }
  // Quicker is what a bigger one should be.
  expect(odd(suspect({}), bigger({ full: { values: [4000], uncertainty: 5 } }))).toEqual([])
}) // prettier-ignore

it('lets repeats of a set-up scatter as far as so many do by chance, in nineteen of twenty cases', () => {
  const known = { share: 0.02, freedom: 1e6, assumed: false }
  const apart = (runs: number, rangeS: number, uncertainty = 0) => {
    const middle = Array<number>(runs - 2).fill(6000)
    const full = { values: [6000 - rangeS / 2, ...middle, 6000 + rangeS / 2], uncertainty }
    return oddResults([suspect({ full })], known).map((o) => [o.kind, o.by])
  }
  // 120 s each: times the studentised range at 5 % of two, three and five, 2.772, 3.314 and 3.858 (a table, from memory).
  expect([apart(2, 332), apart(3, 397), apart(5, 462)]).toEqual([[], [], []])
  expect([apart(2, 334), apart(3, 399), apart(5, 464)]).toEqual([334, 399, 464].map((by) => [['repeats-disagree', by]]))
  // What a reading leaves open is no scatter: 120 s and 90 s make 150 s.
  expect([apart(2, 415, 90), apart(2, 417, 90)]).toEqual([[], [['repeats-disagree', 417]]])
  // Two alone: the range of all repeats, however many lie in the middle; the fewer they rest on, the further.
  const loose = (rangeS: number) => oddResults([suspect({ full: { values: [6000 - rangeS / 2, 6000 + rangeS / 2], uncertainty: 0 } })], ASSUMED_REPEATABILITY)
  // Of eight degrees of freedom: 3.261.
  expect([loose(391).length, loose(392).length]).toEqual([0, 1])
  const causes = (over: Partial<Suspect>) => oddResults([suspect({ full: { values: [6000, 6900], uncertainty: 5 }, ...over })], known)[0].causes
  expect(causes({ slowedByHeat: true, wireless: true })).toEqual(['heat', 'position', 'background', 'cable'])
}) // prettier-ignore

it('tells a run unlike its forecast beyond 15 %, and beyond what either is known to', () => {
  const off = (seconds: number, over: Partial<Suspect> = {}) =>
    oddResults(
      [suspect({ full: { values: [seconds], uncertainty: 5 }, expectedS: 4000, expectedUncertaintyS: 0, ...over })],
      ASSUMED_REPEATABILITY,
    ).map(({ kind, by, causes }) => [kind, Math.round(100 * by), causes.join()])
  expect([off(4600), off(3404)]).toEqual([[], []])
  expect(off(4620)).toEqual([['unlike-forecast', 16, 'protocol,cable,heat,load']])
  expect(off(4620, { slowedByHeat: true })).toEqual([['unlike-forecast', 16, 'heat,protocol,cable,load']])
  expect(off(3380)).toEqual([['unlike-forecast', -16, 'curve,chance']])
  // 1,000 s off, known to twice 500 s, of which 300 and 400 s.
  const known = { full: { values: [5000], uncertainty: 300 } }
  expect(off(5000, { ...known, expectedUncertaintyS: 400 })).toEqual([])
  expect(off(5000, { ...known, expectedUncertaintyS: 390 })).toHaveLength(1)
  expect([off(5000, { expectedS: NaN }), off(5000, { expectedS: 0 })]).toEqual([[], []])
}) // prettier-ignore

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
