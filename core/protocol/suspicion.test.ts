import { expect, it } from 'vitest'
import { isMoreThan, suspicion as doubtOf, type Doubt, type EntryContext } from './suspicion'

const suspicion = (...args: Parameters<typeof doubtOf>) => doubtOf(...args)?.question ?? null

// Twenty watts for six minutes are 2 Wh: ten points of a 20 Wh battery.
const context = (over: Partial<EntryContext> = {}): EntryContext => ({
  last: { t: 600, percent: 40 },
  lastWatts: NaN,
  t: 960,
  usableWh: 20,
  expectedWatts: 20,
  countAtStartWh: 0,
  ...over,
})

it('asks about a fall of more than a point, and about nothing less', () => {
  expect(suspicion({ percent: 38 }, context())).toMatch(/fell from 40 to 38 %/)
  expect(suspicion({ percent: 39 }, context())).toBeNull()
  expect(suspicion({ percent: 40 }, context())).toBeNull()
  expect(suspicion({ percent: 1 }, context({ last: undefined }))).toBeNull()
  expect(suspicion({}, context())).toBeNull()
})

it('asks about more points than the energy allows, with two of grace', () => {
  expect(suspicion({ percent: 52 }, context())).toBeNull()
  expect(suspicion({ percent: 53 }, context())).toMatch(/^13 points .*\(about 10\)/)
  // The strongest of what was seen, typed and expected counts.
  expect(suspicion({ percent: 60 }, context({ lastWatts: 40 }))).toBeNull()
  expect(suspicion({ percent: 60, power: 40 }, context({ expectedWatts: NaN }))).toBeNull()
  expect(suspicion({ percent: 60, voltage: 20, current: 2 }, context({ expectedWatts: NaN }))).toBeNull()
  expect(suspicion({ percent: 60, power: 10 }, context({ expectedWatts: NaN }))).toMatch(/\(about 5\)/)
})

it('asks nothing where nothing is known', () => {
  expect(suspicion({ percent: 99 }, context({ usableWh: NaN }))).toBeNull()
  expect(suspicion({ percent: 99 }, context({ expectedWatts: NaN }))).toBeNull()
  expect(suspicion({ power: 500 }, context({ expectedWatts: NaN }))).toBeNull()
})

it('asks about watts a quarter above what the two should settle on', () => {
  expect(suspicion({ power: 25 }, context())).toBeNull()
  expect(suspicion({ power: 25.1 }, context())).toMatch(/^25.1 W is more than the two .* \(20 W\)/)
  expect(suspicion({ voltage: 9, current: 3 }, context())).toMatch(/^27 W/)
})

it('asks once for each cause, and lets negative watts be', () => {
  const settled = new Set<Doubt['cause']>(['power'])
  expect(doubtOf({ power: 40 }, context(), settled)).toBeNull()
  expect(doubtOf({ power: 40, percent: 30 }, context(), settled)?.cause).toBe('fell')
  expect(doubtOf({ percent: 90 }, context(), new Set(['fell', 'power']))?.cause).toBe('gain')
  expect(doubtOf({ power: 40 }, context())?.cause).toBe('power')
  // A device that feeds out.
  expect(doubtOf({ power: -12 }, context())).toBeNull()
})

it('asks about a count that cannot have come together since power-on', () => {
  // 20 W and a quarter for 960 s are 6.67 Wh, and 0.05 Wh of grace.
  expect(suspicion({ counterWh: 6.71 }, context())).toBeNull()
  expect(suspicion({ counterWh: 6.72 }, context())).toMatch(
    /^6.72 Wh .* \(20 W\)\. Was the count set to nothing/,
  )
  // Where it stood at power-on was read.
  expect(suspicion({ counterWh: 46.7 }, context({ countAtStartWh: 40 }))).toBeNull()
  expect(doubtOf({ counterWh: 46.8 }, context({ countAtStartWh: 40 }))?.cause).toBe('count')
  expect(suspicion({ counterWh: 400 }, context({ expectedWatts: NaN }))).toBeNull()
  expect(doubtOf({ counterWh: 400 }, context(), new Set(['count']))).toBeNull()
})

it('says what is more than a pair settles on, and nothing of what is not known', () => {
  expect([
    isMoreThan(12, 15),
    isMoreThan(12, 15.1),
    isMoreThan(NaN, 15),
    isMoreThan(0, 15),
    isMoreThan(12, NaN),
  ]).toEqual([false, true, false, false, false])
})
