import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import { loadSplit } from '../analysis/load'
import { scoresOf } from '../analysis/scores'
import { traceFromReadings, type TraceEvent } from '../trace/trace'
import type { Side } from './quantities'
import { resultsOf } from './results'
import { loadQuantities, scoreRepeatability, scoreVerdict } from './underLoad'
import { ASSUMED_REPEATABILITY } from './verdict'

const side = (load: Side['load']): Side => ({
  analysis: {} as Analysis,
  usableWh: 56,
  hoursPerPoint: NaN,
  load,
})
const score = (text: string): TraceEvent => ({ t: 0, kind: 'score', text })
const scored = (...texts: string[]) => side({ phases: [], scores: scoresOf(texts.map(score)) })

/** An hour under load, read at both ends; the battery's watts or its levels. */
const loaded = (sourceW: number, batteryW: number | null, levels = [50, 50]) => {
  const trace = traceFromReadings(
    [0, 3600].map((t, i) => ({
      t,
      power: sourceW,
      percent: levels[i],
      ...(batteryW === null ? {} : { batteryPower: batteryW }),
    })),
  )
  const events = [{ t: 0, kind: 'load-start', text: 'Chart plotting' }]
  return side({ phases: loadSplit(trace, events, 56), scores: [] })
}
const columnOf = (sides: Side[], label: string) => loadQuantities(sides).find((q) => q.label === label)!
const results = (setups: Side[][], label: string) => resultsOf(setups, 0, columnOf(setups.flat(), label))

// Common practice, no source: a dock gives 55 W and 5.7–7.7 W reach the battery; the own adapter 80 W and 33 W.
it('tells that the system got the same, and the battery did not', () => {
  const setups = [[loaded(80, 33)], [loaded(55, 6.7)]]
  const system = results(setups, 'Chart plotting: system')
  expect(system.map((r) => r.value)).toEqual([47, expect.closeTo(48.3, 9)])
  expect(system[1].verdict).toBe('cannot-tell')
  expect(results(setups, 'Chart plotting: battery')[1].verdict).toBe('clear')
  expect(results(setups, 'Chart plotting: source')[1].value).toBe(55)
})

it('knows the battery’s watts less well by its level than read', () => {
  const [read, shown] = [loaded(47, 5.6), loaded(47, null, [50, 60])]
  const [byMeter, byLevel] = [read, shown].map((s) => columnOf([s], 'Chart plotting: battery').figure(s))
  expect(byMeter).toEqual({ value: 5.6, uncertainty: expect.closeTo(0.056, 9) })
  // Ten points of 56 Wh in an hour; two whole-point displays leave 1/√6 of a point open, 0.229 Wh.
  expect(byLevel.value).toBeCloseTo(5.6, 9)
  expect(byLevel.uncertainty).toBeCloseTo(0.2286, 4)
})

// Worked out by hand from the rule: pooled with 2 % at eight degrees of freedom, Student's t for thirteen is 2.1604, and a
// last digit of each, twice 1/√12.
it('judges benchmarks by how they repeat', () => {
  const setups = [
    [scored('Deck plans 1,204', 'Deck plans 1,212'), scored('deck plans 1,198')],
    [scored('Deck plans 1,190', 'Deck plans 1,203', 'Deck plans 1,185')],
    [scored('Deck plans 1,000', 'Deck plans 1,010')],
    [scored('charts 41 s')],
  ]
  const [plans, charts] = loadQuantities(setups.flat())
  expect([plans.label, plans.better, charts.label, charts.unit, charts.better]).toEqual(['Deck plans', 'higher', 'charts', 's', 'lower']) // prettier-ignore
  const told = scoreVerdict(setups, plans, ASSUMED_REPEATABILITY)!
  expect(told.leaders).toEqual([0, 1])
  expect(told.behind).toEqual([{ index: 2, atLeastShare: expect.closeTo(0.136733, 6) }])
  expect(told.resolvesShare).toBeCloseTo(0.028555, 6)
  expect(scoreVerdict(setups, charts, ASSUMED_REPEATABILITY)).toBeNull()
  expect(resultsOf(setups, 0, plans).map((r) => [r.runs, r.verdict])).toEqual([
    [3, 'baseline'],
    [3, 'cannot-tell'],
    [2, 'clear'],
    [0, 'not-reached'],
  ])
  expect(plans.figure(setups[0][0])).toEqual({ value: 1208, uncertainty: 1 / Math.sqrt(12) })
})

it('has no figures where no load was noted', () => {
  expect(loadQuantities([side(undefined), side({ phases: [], scores: [] })])).toEqual([])
})

it('learns how benchmarks repeat from enough of them, and assumes it from a few that may be alike by chance', () => {
  const pairs = (count: number) =>
    Array.from({ length: count }, () => scoresOf([score('a 99'), score('a 101')]))
  // Either lies a hundredth off their mean: s = √2 %, with one degree of freedom a pair.
  expect(scoreRepeatability([...pairs(8), scoresOf([score('b 5 s')])])).toEqual({
    share: expect.closeTo(Math.SQRT2 / 100, 9),
    freedom: 8,
    assumed: false,
  })
  expect(scoreRepeatability(pairs(7))).toBe(ASSUMED_REPEATABILITY)
  expect(scoreRepeatability([scoresOf([score('a 100'), score('a 100')]), []])).toBe(ASSUMED_REPEATABILITY)
})

it('knows a score to its last digit', () => {
  const of = (text: string) => {
    const run = scored(text)
    return loadQuantities([run])[0].figure(run)
  }
  expect(of('tiles 60 fps')).toEqual({ value: 60, uncertainty: expect.closeTo(1 / Math.sqrt(12), 9) })
  expect(of('charts 41,25 s')).toEqual({ value: 41.25, uncertainty: expect.closeTo(0.01 / Math.sqrt(12), 9) })
})
