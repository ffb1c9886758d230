import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blankDevice } from '../gear/deviceFields'
import { traceFromReadings } from '../trace/trace'
import { emptyLogbook, freeInk, isEmptyLogbook, mergeRecords, nextInk, SHELF_NAMES } from './logbook'
import { blankRun } from './run'
import { columnsFromJson, traceFromJson, traceToJson } from './traceColumns'

describe('inks', () => {
  it('the least used comes next, the first of them where several are', () => {
    expect(nextInk([])).toBe(0)
    expect(nextInk([0, 0, 1])).toBe(2)
    // An ink beyond the eighth is one of the eight.
    expect(nextInk([0, 9, 2, 3, 4, 5, 6])).toBe(7)
    expect(nextInk([0, 1, 2, 3, 4, 5, 6, 7, 0, 1])).toBe(2)
    expect(nextInk([0, 1], 2)).toBe(0)
  })
  it('on the bench one that no lane has, and of those the device’s least used', () => {
    expect(freeInk([], [])).toBe(0)
    expect(freeInk([], [0, 1])).toBe(2)
    expect(freeInk([2, 2, 3], [0, 9])).toBe(4)
    expect(freeInk([1, 2, 3, 4, 5, 6, 7], [0])).toBe(1)
    expect(freeInk([0], [0, 1, 2, 3, 4, 5, 6, 7])).toBe(1)
    fc.assert(
      fc.property(fc.array(fc.nat(20)), fc.array(fc.nat(20), { maxLength: 7 }), (used, bench) => {
        expect(bench.map((ink) => ink % 8)).not.toContain(freeInk(used, bench))
      }),
    )
  })
})

describe('a logbook', () => {
  it('is empty until anything is in it', () => {
    expect(isEmptyLogbook(emptyLogbook())).toBe(true)
    expect(SHELF_NAMES).not.toContain('runs')
    expect(SHELF_NAMES).toHaveLength(8)
    const run = blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })
    const trace = traceFromReadings([{ t: 0, percent: 5 }])
    expect(isEmptyLogbook({ ...emptyLogbook(), runs: [{ run, trace }] })).toBe(false)
  })
  it('takes another’s records in; of one id the collection decides', () => {
    const device = (id: string, name: string) => blankDevice({ id, name, kind: 'phone' })
    const merged = mergeRecords(
      'devices',
      [device('a', 'mine'), device('b', 'mine')],
      [device('b', 'theirs'), device('c', 'theirs')],
    )
    expect(merged.map((d) => `${d.id} ${d.name}`)).toEqual(['a mine', 'b theirs', 'c theirs'])
  })
})

describe('a trace in a file', () => {
  const trace = traceFromReadings([
    { t: 0, percent: 5, temperatures: { back: 21 }, note: 'on' },
    { t: 60, power: 18 },
  ])
  it('is columns of numbers with null for what was not read, and nothing that was never read', () => {
    expect(traceToJson(trace)).toEqual({
      time: [0, 60],
      percent: [5, null],
      power: [null, 18],
      temperatures: { back: [21, null] },
      notes: ['on', ''],
    })
    expect(traceToJson(traceFromReadings([{ t: 0, percent: 5 }]))).toEqual({ time: [0], percent: [5] })
    expect(traceFromJson(traceToJson(trace))).toEqual(trace)
    expect(traceFromJson({ time: [0], percent: null, notes: null, power: undefined })).toEqual({
      time: Float64Array.of(0),
      temperatures: {},
    })
  })
  it.each([
    [null, 'the trace has no times'],
    [7, 'the trace has no times'],
    [{ percent: [1] }, 'the trace has no times'],
    [{ time: 'now' }, 'the trace has no times'],
    [{ time: [0, null] }, 'trace.time is not a list of numbers'],
    [{ time: ['0'] }, 'trace.time is not a list of numbers'],
    [{ time: [0], percent: ['5'] }, 'trace.percent is not a list of numbers'],
    [{ time: [0], percent: 5 }, 'trace.percent is not a list of numbers'],
    [{ time: [0], temperatures: { back: [true] } }, 'trace.temperatures.back is not a list of numbers'],
    [
      { time: [0], temperatures: { ['x'.repeat(90)]: [{}] } },
      `trace.temperatures.${'x'.repeat(40)} is not a list of numbers`,
    ],
  ])('is refused where it is none: %j', (json, said) => expect(() => columnsFromJson(json)).toThrow(said))
})
