import { expect, it } from 'vitest'
import { noConditions } from '../protocol/runConditions'
import { traceFromReadings } from '../trace/trace'
import { traceProblem } from '../trace/check'
import {
  addReading,
  correctBackwards,
  correctCondition,
  correctStart,
  correctTime,
  correctValue,
  correctableLabel,
} from './corrections'
import { blankRun } from './run'
import { runSchema } from './schema'

const because = { why: 'misread', when: '2026-03-02T20:00:00.000Z' }
const start = () => ({
  run: blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' }),
  trace: traceFromReadings([
    { t: 0, percent: 5, temperatures: { back: 24 } },
    { t: 600, percent: 30, note: 'light on' },
    { t: 1200, percent: 47, power: 12 },
  ]),
})

it('keeps every value that a reading ever had', () => {
  const once = correctValue(start(), 1, 'percent', 25, because)
  const twice = correctValue(once, 1, 'percent', NaN, { ...because, why: 'not read at all' })
  expect(twice.run.corrections.map(({ from, to, why }) => [from, to, why])).toEqual([
    [30, 25, 'misread'],
    [25, null, 'not read at all'],
  ])
  expect(twice.trace.percent?.[1]).toBeNaN()
  expect(start().trace.percent?.[1]).toBe(30)
})

it('puts a temperature right like any value', () => {
  const once = correctValue(start(), 0, 'temperature:back', 21.5, because)
  const twice = correctValue(once, 1, 'temperature:front', 25, because)
  expect(twice.trace.temperatures).toEqual({
    back: Float64Array.of(21.5, NaN, NaN),
    front: Float64Array.of(NaN, 25, NaN),
  })
  expect(twice.run.corrections.map(({ what, from, to }) => [what, from, to])).toEqual([
    ['temperature:back', 24, 21.5],
    ['temperature:front', null, 25],
  ])
  expect(runSchema.validateSync(twice.run).corrections).toEqual(twice.run.corrections)
  const odd = { ...twice.run, corrections: [{ ...twice.run.corrections[0], what: 'humidity' }] }
  expect(() => runSchema.validateSync(odd)).toThrow('nothing that can be put right')
})

it('moves a reading in time between its neighbours, never past them', () => {
  const moved = correctTime(start(), 1, 660, because)
  expect(Array.from(moved.trace.time)).toEqual([0, 660, 1200])
  expect(moved.run.corrections[0]).toMatchObject({ row: 1, t: 660, what: 'time', from: 600, to: 660 })
  expect(() => correctTime(start(), 1, 1201, because)).toThrow(/between its neighbours: from 0 s to 1200 s/)
  expect(() => correctTime(start(), 0, -1, because)).toThrow(RangeError)
  expect(correctTime(start(), 2, 9000, because).trace.time[2]).toBe(9000)
})

it('puts a forgotten reading in its place, and the corrections of later ones follow', () => {
  const corrected = correctValue(start(), 2, 'percent', 48, because)
  const added = addReading(corrected, { t: 900, percent: 40, power: 15 }, { ...because, why: 'on the film' })
  expect(Array.from(added.trace.time)).toEqual([0, 600, 900, 1200])
  expect(Array.from(added.trace.percent!)).toEqual([5, 30, 40, 48])
  expect(Array.from(added.trace.power!)).toEqual([NaN, NaN, 15, 12])
  expect(Array.from(added.trace.temperatures.back)).toEqual([24, NaN, NaN, NaN])
  expect(added.trace.notes).toEqual(['', 'light on', '', ''])
  expect(added.run.corrections.map((c) => [c.row, c.what])).toEqual([
    [3, 'percent'],
    [2, 'reading'],
  ])
  expect(traceProblem(added.trace)).toBeNull()
  // At the end, and on a channel that nobody had read yet.
  const last = addReading(start(), { t: 1500, voltage: 9 }, because)
  expect(Array.from(last.trace.voltage!)).toEqual([NaN, NaN, NaN, 9])
})

it('puts a condition right, and what it was before stays, all of it', () => {
  const { run } = start()
  const said = { from: 'not known', to: '24' }
  const once = correctCondition(run, 'ambientC', 24, said, because)
  const twice = correctCondition(once, 'cableId', 'c1', { from: 'not known', to: 'Long grey' }, because)
  expect(twice.conditions.ambientC).toBe(24)
  expect(twice.cableId).toBe('c1')
  expect(twice.conditionCorrections.map((c) => [c.field, c.from, c.to])).toEqual([
    ['ambientC', 'not known', '24'],
    ['cableId', 'not known', 'Long grey'],
  ])
  expect(['ambientC', 'cableId', 'startedAt'].map(correctableLabel)).toEqual(['Room', 'Cable', 'Power-on'])
  const moved = correctStart(twice, '2026-03-01T18:00:00.000Z', { from: '2 Mar', to: '1 Mar' }, because)
  expect(moved).toMatchObject({ startedAt: '2026-03-01T18:00:00.000Z', cableId: 'c1' })
  expect(moved.conditionCorrections.at(-1)).toMatchObject({ field: 'startedAt', from: '2 Mar', to: '1 Mar' })
  expect(
    correctCondition(moved, 'sourceId', 's2', { from: 'Bollard 5', to: 'Bollard 12' }, because).sourceId,
  ).toBe('s2')
  expect(runSchema.validateSync(twice)).toEqual(twice)
})

it('carries backwards what was always so, and leaves alone what already was', () => {
  const run = {
    ...start().run,
    conditions: { ...noConditions(), ratedWh: 16, voltsAssumed: true, healthPercent: 100 },
  }
  const now = { ratedWh: 15, voltsAssumed: false, healthPercent: 100 }
  const corrected = correctBackwards(run, now, because)
  expect(corrected.conditions).toMatchObject(now)
  expect(corrected.conditionCorrections).toEqual([{ field: 'ratedWh', from: '16', to: '15', ...because }])
  expect(correctBackwards(corrected, now, because)).toBe(corrected)
})
