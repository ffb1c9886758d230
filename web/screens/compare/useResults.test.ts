import { expect, it } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import { ASSUMED_REPEATABILITY } from '@core/compare/verdict'
import { traceFromReadings } from '@core/trace/trace'
import { useResults } from './useResults'
import type { SetUp } from './useVerdict'

/** A set-up of one run that gains a point every so many seconds. */
const setUp = (key: string, secondsPerPoint: number, minutes: number): SetUp => {
  const readings = Array.from({ length: minutes + 1 }, (_, m) => ({ t: m * 60, percent: 15 + Math.floor((m * 60) / secondsPerPoint) })) // prettier-ignore
  const analysis = analyse(traceFromReadings(readings))
  return { key, runs: [], sides: [{ analysis, usableWh: NaN, hoursPerPoint: NaN }] }
}
const resultsOf = (setups: SetUp[]) =>
  useResults({
    setups,
    names: setups.map((s) => s.key),
    baseline: 0,
    underLoad: [],
    priorOf: () => ASSUMED_REPEATABILITY,
  })

it('opens at the first figures that there are: tests of half an hour have no times to a level', () => {
  const { group, groups, columns, order, sortBy } = resultsOf([
    setUp('slow', 120, 30),
    setUp('quick', 80, 30),
  ])
  expect([group.value, groups.value]).toEqual(['levels', ['levels']])
  expect(columns.value.map(({ quantity }) => quantity.key)).toContain('gain-30')
  sortBy('gain-30')
  sortBy('gain-30')
  expect(order.value).toEqual([1, 0])
  // What is not there cannot be chosen.
  group.value = 'heat'
  expect(group.value).toBe('levels')
})

it('keeps the group that was chosen while it has figures', () => {
  const { group, groups, compared } = resultsOf([setUp('slow', 60, 60), setUp('quick', 40, 60)])
  // From 15 %, a point a minute is at 75 after the hour: what it never reached, nobody is set against.
  expect(compared.value.map(({ quantity }) => quantity.key)).toEqual(['to-50'])
  expect([group.value, groups.value]).toEqual(['times', ['times', 'levels']])
  group.value = 'levels'
  expect(group.value).toBe('levels')
})
