import { expect, it } from 'vitest'
import { LONGEST_S } from '../trace/bounds'
import type { Trace } from '../trace/trace'
import { mendRun, mendTrace } from './mend'

it('says of every column how many values it took out, however many they are', () => {
  const time = Float64Array.from({ length: 40 }, (_, i) => i * 60)
  const { mended, said } = mendTrace({
    time,
    percent: time.map((_, i) => (i < 10 ? 5 : 104)),
    power: time.map((_, i) => (i === 2 ? 9000 : 20)),
    temperatures: {},
  })
  expect(said).toEqual([
    'percent 104 at 600 s, and 29 more of its values, are beyond what can be and counted as not read.',
    'power 9000 at 120 s is beyond what can be and counted as not read.',
  ])
  expect([...mended.percent!].filter(Number.isNaN)).toHaveLength(30)
  expect(mended.power![3]).toBe(20)
})

const from = (time: number[], percent: number[], notes?: string[]): Trace => ({
  time: Float64Array.from(time),
  percent: Float64Array.from(percent),
  temperatures: { back: Float64Array.from(percent, (p) => p + 20) },
  ...(notes ? { notes } : {}),
})

it('puts readings in the order of their times, those of one moment as they came', () => {
  const { mended, said } = mendTrace(from([60, 0, 60, 30], [7, 5, 8, 6], ['c', 'a', 'd', 'b']))
  expect([...mended.time]).toEqual([0, 30, 60, 60])
  expect([...mended.percent!]).toEqual([5, 6, 7, 8])
  expect([...mended.temperatures.back]).toEqual([25, 26, 27, 28])
  expect(mended.notes).toEqual(['a', 'b', 'c', 'd'])
  expect(said).toEqual(['The readings were put in the order of their times.'])
})

it('leaves out readings without a time, and says how many', () => {
  expect(mendTrace(from([0, Infinity, 60], [5, 6, 7])).said).toEqual([
    '1 reading without a time was left out.',
  ])
  const { mended, said } = mendTrace(from([-1, NaN, 0, 60], [4, 5, 6, 7]))
  expect(said).toEqual(['2 readings without a time were left out.'])
  expect([...mended.percent!]).toEqual([6, 7])
  expect(mendTrace(from([0, LONGEST_S], [5, 6])).said).toEqual([])
})

it('takes out what no channel and no place can hold, and leaves the bounds themselves', () => {
  const { mended, said } = mendTrace({
    time: Float64Array.of(0, 60),
    percent: Float64Array.of(0, 100),
    temperatures: { back: Float64Array.of(21, 900) },
  })
  expect(said).toEqual(['temperature back 900 at 60 s is beyond what can be and counted as not read.'])
  expect([...mended.percent!]).toEqual([0, 100])
  expect(mended.temperatures.back[1]).toBeNaN()
})

it('says in the run’s notes what it did, after what stood there, and leaves a whole run and a broken one alone', () => {
  const run = { notes: 'in the drawer', trace: { time: [60, 0], percent: [6, 5] } }
  expect(mendRun(run)).toEqual({
    notes: 'in the drawer The readings were put in the order of their times.',
    trace: { time: [0, 60], percent: [5, 6] },
  })
  expect(mendRun({ trace: run.trace }).notes).toBe('The readings were put in the order of their times.')
  const whole = { notes: 'x', trace: { time: [0, 60], percent: [5, 6] } }
  expect(mendRun(whole)).toBe(whole)
  const broken = { trace: 'none' }
  expect(mendRun(broken)).toBe(broken)
})
