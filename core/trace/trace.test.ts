import { describe, expect, it } from 'vitest'
import { LONGEST_S } from './bounds'
import { CHANNELS, columnTitle, plainUnit, scalesOf, type Channel } from './channels'
import { traceProblem } from './check'
import { bounded, boundedOrNull, freeText, id, isMoment, isPlainKey, moment, optionalId } from './fields'
import { placesProblem } from './places'
import { highestAt, leastOf, medianInterval, samplesOf, usualStep, valueAt } from './samples'
import {
  channelsOf,
  currentColumn,
  durationOf,
  powerColumn,
  traceFromReadings,
  watchedOf,
  wattsOf,
  withValue,
  withWatched,
} from './trace'

const column = (...values: number[]) => Float64Array.from(values)

describe('columns', () => {
  const trace = traceFromReadings([
    { t: 0, percent: 5, voltage: 9, current: 2, note: 'begun' },
    { t: 60, power: 12, voltage: NaN, temperatures: { back: 31 } },
    { t: 120, percent: 7, voltage: 10, power: 20 },
  ])

  it('hold what was read, and NaN where nothing was', () => {
    expect(trace.percent).toEqual(column(5, NaN, 7))
    expect(trace.temperatures).toEqual({ back: column(NaN, 31, NaN) })
    expect(trace.notes).toEqual(['begun', '', ''])
    expect(trace.batteryPower).toBeUndefined()
    expect(channelsOf(trace)).toEqual(['percent', 'voltage', 'current', 'power'])
    expect(channelsOf({ ...trace, percent: column(NaN, NaN, NaN) })).not.toContain('percent')
    expect(durationOf(trace)).toBe(120)
    expect(durationOf(traceFromReadings([]))).toBe(0)
    expect(traceFromReadings([{ t: 0, percent: NaN }, { t: 1 }]).percent).toBeUndefined()
    expect(traceFromReadings([{ t: 0, percent: 1 }]).notes).toBeUndefined()
  })

  it('give watts and amperes as read, else from the others', () => {
    expect(powerColumn(trace)).toEqual(column(18, 12, 20))
    expect(powerColumn({ ...trace, power: undefined })).toEqual(column(18, NaN, NaN))
    expect(powerColumn({ ...trace, voltage: undefined })).toEqual(column(NaN, 12, 20))
    expect(powerColumn({ ...trace, power: undefined, current: undefined })).toBeUndefined()
    expect(currentColumn(trace)).toEqual(column(2, NaN, 2))
    expect(currentColumn({ ...trace, current: undefined })).toEqual(column(NaN, NaN, 2))
    expect(currentColumn({ ...trace, voltage: undefined })).toEqual(column(2, NaN, NaN))
    expect(currentColumn({ ...trace, current: undefined, power: undefined })).toBeUndefined()
    expect([{ power: 5, voltage: 9, current: 2 }, { voltage: 9, current: 2 }].map((r) => wattsOf({ t: 0, ...r }))).toEqual([5, 18]) // prettier-ignore
    expect([wattsOf({ t: 0, voltage: 9 }), wattsOf({ t: 0, current: 2 })]).toEqual([NaN, NaN])
  })

  it('change one value in a copy', () => {
    const changed = withValue(trace, 2, 'percent', 8)
    expect([changed.percent![2], trace.percent![2]]).toEqual([8, 7])
    expect(withValue(trace, 0, 'counterWh', 1).counterWh).toEqual(column(1, NaN, NaN))
    expect(() => withValue(trace, 3, 'percent', 8)).toThrow('no reading number 4')
    expect(() => withValue(trace, -1, 'percent', 8)).toThrow('no reading number 0')
  })

  it('know which levels were watched', () => {
    const watched = withWatched(trace, [7, 99])
    expect(watched.watched).toEqual(column(NaN, NaN, 1))
    expect(watchedOf(watched)).toEqual([{ t: 120, percent: 7 }])
    expect(watchedOf({ ...watched, watched: column(NaN, 1, 0) })).toEqual([])
    expect(watchedOf(trace)).toEqual([])
    expect(withWatched(trace, [])).toBe(trace)
    expect(withWatched(watched, [5]).watched).toEqual(column(1, NaN, 1))
    expect(watched.watched![0]).toBeNaN()
  })

  it('are headed by label and unit, and may stand in thousandths where a unit has them', () => {
    expect(columnTitle('percent')).toBe('Level, %')
    expect(columnTitle('watched')).toBe('Watched')
    expect(CHANNELS.filter((c) => scalesOf(c).length === 0)).toEqual(['percent', 'watched'])
    const sizes = (of: Channel) => scalesOf(of).map(({ unit, divisor }) => [unit, divisor])
    expect(sizes('voltage')).toEqual([['mV', 1e3], ['µV', 1e6]]) // prettier-ignore
    expect(sizes('counterWh')).toEqual([['mWh', 1e3], ['µWh', 1e6], ['kWh', 1e-3]]) // prettier-ignore
    expect(['uA', 'μA', 'µA', 'UA', 'mA', 'u'].map(plainUnit)).toEqual(['µA', 'µA', 'µA', 'µA', 'mA', 'u'])
  })
})

describe('what keeps a trace from being taken', () => {
  const good = () => traceFromReadings([{ t: 0, percent: 5, temperatures: { back: 30 } }, { t: 60, percent: 6, note: 'x' }]) // prettier-ignore
  const problem = (over: object) => traceProblem({ ...good(), ...over })

  it('is nothing in a sound one, bounds included', () => {
    expect(traceProblem(good())).toBeNull()
    expect(problem({ time: column(0, LONGEST_S), percent: column(0, 100) })).toBeNull()
    expect(problem({ time: column(60, 60) })).toBeNull()
    expect(problem({ notes: undefined, temperatures: {} })).toBeNull()
  })

  it.each([
    [{ time: [0, 60] }, 'the trace has no times'],
    [{ time: column() }, 'the trace holds no reading'],
    [{ time: column(-1, 60) }, 'trace.time holds -1 s, which is no time of a run'],
    [{ time: column(0, LONGEST_S + 1) }, /which is no time of a run/],
    [{ time: column(0, NaN) }, /holds NaN s/],
    [{ time: column(60, 0) }, 'trace.time goes backwards'],
    [{ percent: column(5) }, 'trace.percent is not a list of 2 numbers'],
    [{ percent: [5, 6] }, 'trace.percent is not a list of 2 numbers'],
    [{ percent: column(5, 101) }, 'trace.percent holds 101, outside 0 to 100 (reading 2)'],
    [{ power: column(-301, 5) }, /^trace.power holds −301, outside −300 to 500 \(reading 1\)/],
    [{ temperatures: null }, 'the trace has no list of temperatures'],
    [{ temperatures: 5 }, 'the trace has no list of temperatures'],
    [{ temperatures: { back: column(1, 151) } }, /^trace.temperatures.back holds 151/],
    [
      { temperatures: { back: column(1, 2), Back: column(1, 2) } },
      'trace.temperatures: "Back" is there twice',
    ],
    [{ notes: ['x'] }, 'trace.notes has the wrong length'],
    [{ notes: 'xy' }, 'trace.notes has the wrong length'],
    [{ notes: ['x', 5] }, /^trace.notes holds something/],
    [{ notes: ['x', 'y'.repeat(2001)] }, /at most 2000 characters/],
  ])('names %j', (over, said) => {
    expect(problem(over)).toMatch(said)
  })

  it('names places that cannot stand', () => {
    expect(placesProblem(['', 'front', 'back'])).toBeNull()
    expect(placesProblem(Array.from({ length: 24 }, (_, i) => `p${i}`))).toBeNull()
    expect(placesProblem(Array.from({ length: 25 }, (_, i) => `p${i}`))).toBe('are more than 24 places')
    expect(placesProblem([' back'])).toBe('" back" cannot be the name of a place')
    expect(placesProblem(['b'.repeat(40)])).toBeNull()
    expect(placesProblem(['b'.repeat(41)])).toBe(`"${'b'.repeat(40)}" cannot be the name of a place`)
    expect(placesProblem(['__proto__'])).toMatch(/cannot be/)
    expect(placesProblem(['ß', 'SS'])).toBeNull()
  })
})

describe('fields', () => {
  const takes = (schema: { isValidSync(v: unknown): boolean }, ...values: unknown[]) =>
    values.map((v) => schema.isValidSync(v))

  it('take keys that do no harm', () => {
    const all = [
      'a',
      'x'.repeat(100),
      'x'.repeat(101),
      '',
      'a\u0000',
      'a\u007f',
      'constructor',
      'prototype',
      '..',
      5,
    ]
    expect(all.map((v) => isPlainKey(v))).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
      false,
      false,
      false,
    ])
    expect(takes(id(), ...all)).toEqual([true, true, false, false, false, false, false, false, false, true])
    expect(takes(optionalId(), null, undefined, 'a', '__proto__')).toEqual([true, true, true, false])
    expect(optionalId().getDefault()).toBeNull()
    expect(() => id().validateSync('')).toThrow('is missing')
    expect(() => id().validateSync('__proto__')).toThrow('is not usable as an id')
    expect(() => optionalId().validateSync('__proto__')).toThrow('is not usable as an id')
  })

  it('take numbers, texts and moments within their bounds', () => {
    expect(takes(bounded(0, 5), 0, 5, -0.1, 5.1, undefined, NaN)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ])
    expect(() => bounded(0, 5).validateSync(6)).toThrow('must lie between 0 and 5')
    expect(() => bounded(0, 5).validateSync(undefined)).toThrow('is missing')
    expect(takes(boundedOrNull(0, 5), null, 5, 6, undefined)).toEqual([true, true, false, false])
    expect(() => boundedOrNull(0, 5).validateSync(6)).toThrow('must lie between 0 and 5')
    expect(takes(freeText(3), 'abc', 'abcd')).toEqual([true, false])
    expect(() => freeText(3).validateSync('abcd')).toThrow('is longer than 3')
    expect(freeText(3).validateSync(undefined)).toBe('')
    const late = '2199-12-31T23:59:59.999Z'
    const moments = ['2026-03-02T19:00:00Z', late, '2201-01-01T00:00:00Z', '1989-12-31T00:00:00Z', 'soon', 5]
    expect(moments.map((m) => isMoment(m))).toEqual([true, true, false, false, false, false])
    expect(isMoment(`${late}${' '.repeat(40)}`)).toBe(false)
    expect(takes(moment(), moments[0], 'soon', undefined)).toEqual([true, false, false])
  })
})

describe('samples', () => {
  it('are what was read', () => {
    const { t, v } = samplesOf(column(0, 60, NaN, 180), column(1, NaN, 3, 4))
    expect([t, v]).toEqual([column(0, 180), column(1, 4)])
    expect(samplesOf(column(0), undefined)).toEqual({ t: column(), v: column() })
    expect(leastOf(column(NaN, 3, -2, NaN, 4))).toBe(-2)
    expect(leastOf(column(NaN))).toBeNaN()
    expect(highestAt(column(1, 3, 2, 3))).toBe(1)
  })

  it('have a value between two of them, on the straight line, and none outside', () => {
    const s = { t: column(10, 20, 40), v: column(1, 3, 13) }
    expect([10, 15, 20, 30, 40].map((at) => valueAt(s, at))).toEqual([1, 2, 3, 8, 13])
    expect([9.9, 40.1].map((at) => valueAt(s, at))).toEqual([NaN, NaN])
  })

  it('have a usual step', () => {
    expect(medianInterval({ t: column(0, 10, 20, 120), v: column() })).toBe(10)
    expect(medianInterval({ t: column(0, 7), v: column() })).toBe(7)
    expect(medianInterval({ t: column(5), v: column() })).toBeNaN()
    expect(usualStep({ time: column(100, 400, 700) })).toBe(300)
    // An hour that was left out makes a log of seconds no log of minutes.
    expect(usualStep({ time: column(0, 1, 2, 3, 3600, 3601) })).toBe(1)
    expect(usualStep({ time: column(5) })).toBe(60)
    expect(usualStep({ time: column(0, 0.1, 0.2) })).toBe(0.1)
    expect(usualStep({ time: column(0, 0.001, 0.002) })).toBe(0.01)
    expect(usualStep({ time: column(0, 0.97, 2) })).toBe(1)
    expect(usualStep({ time: column(0, 90_000) })).toBe(7200)
  })
})
