import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { UnreadableFile } from './problem'
import { readTraceCsv } from './traceCsv'
import { writeTraceCsv } from './traceCsvOut'

const read = (text: string) => readTraceCsv(text)
const percents = (text: string) => Array.from(read(text).trace.percent ?? [])
const times = (text: string) => Array.from(read(text).trace.time)

describe('reading a trace', () => {
  it('takes the contract’s columns without a word', () => {
    const { trace, problems, assumed } = read(
      'time_s,battery_percent,voltage_v,current_a,power_w,temperature_back_c,note\r\n0,5,5.1,0.5,2.55,21.5,"said ""hello"", then"\r\n60,,9,1.4,12.6,,\r\n',
    )
    expect(problems).toEqual([])
    expect(assumed).toEqual([])
    expect(trace.percent).toEqual(Float64Array.of(5, NaN))
    expect(trace.temperatures.back).toEqual(Float64Array.of(21.5, NaN))
    expect(trace.notes).toEqual(['said "hello", then', ''])
  })

  it('forgives a BOM, semicolons, tabs and decimal commas, and says what it assumed', () => {
    const { trace, assumed } = read('\uFEFFtime_s;battery_percent;power_w\n0;5;2,55\n60;6;12,6\n')
    expect(trace.power).toEqual(Float64Array.of(2.55, 12.6))
    expect(assumed.join(' ')).toMatch(/semicolons.*decimal comma/)
    expect(percents('time_s\tbattery_percent\n0\t5\n60\t6\n')).toEqual([5, 6])
  })

  it('keeps to the first header, whatever a note further down looks like with another delimiter', () => {
    const { trace, assumed } = read('time_s,battery_percent,note\n0,5,I;T\n60,6,time;level\n120,7,a|t\n')
    expect(assumed).toEqual([])
    expect(trace.percent).toEqual(Float64Array.of(5, 6, 7))
    expect(trace.notes).toEqual(['I;T', 'time;level', 'a|t'])
  })

  it('reads clocks, milliseconds, minutes and moments', () => {
    expect(times('time_s,battery_percent\n0:00:00,5\n0:05:30,6\n1:00:00,7\n')).toEqual([0, 330, 3600])
    expect(times('time,battery_percent\n00:00,5\n05:30,6\n65:00,7\n')).toEqual([0, 330, 3900])
    expect(times('time_ms,battery_percent\n0,5\n1500,6\n')).toEqual([0, 1.5])
    expect(times('minutes,battery_percent\n0,5\n2.5,6\n')).toEqual([0, 150])
    expect(
      times(
        'time,battery_percent\n2026-03-29T01:59:30+01:00,5\n2026-03-29T03:00:30+02:00,6\n2026-03-29T03:01:00+02:00,7\n',
      ),
    ).toEqual([0, 60, 90])
  })

  it('understands other headers and thousandths', () => {
    const { trace } = read('Elapsed (s),Level %,Voltage (V),Current (mA),Temp °F\n0,5,9,1400,68\n')
    expect(trace.current).toEqual(Float64Array.of(1.4))
    expect(trace.percent).toEqual(Float64Array.of(5))
    expect(trace.temperatures['']).toEqual(Float64Array.of(20))
  })

  it('says what it took each column for, and which it left', () => {
    expect(
      read('Elapsed (s),battery_percent,Current (mA),Temp °F,Weather,\n0,5,1400,68,fair,\n').columns,
    ).toEqual([
      'Read "Elapsed (s)" as time; "Current (mA)" as amperes, mA; "Temp °F" as temperature, °F.',
      'Not read: "Weather".',
    ])
    const long = read(`time_s,battery_percent,note\n0,5,${'a'.repeat(2001)}\n`)
    expect([long.trace.notes?.[0].length, long.assumed]).toEqual([
      2000,
      ['Notes are cut after 2000 characters.'],
    ])
  })

  it('names a bad cell by its line, counts it as not read, and keeps the rest', () => {
    const { trace, problems } = read(
      'time_s,battery_percent,power_w\n0,5,10\n60,abc,11\n120,101,12\n180,8,9000\n',
    )
    expect(problems.map((p) => [p.line, p.where])).toEqual([
      [3, 'battery_percent'],
      [4, 'battery_percent'],
      [5, 'power_w'],
    ])
    expect(trace.percent).toEqual(Float64Array.of(5, NaN, NaN, 8))
    expect(trace.power).toEqual(Float64Array.of(10, 11, 12, NaN))
  })

  it('leaves out a row whose time goes backwards, by line, also past a quoted line break', () => {
    const { trace, problems } = read('time_s,battery_percent,note\n0,5,"two\nlines"\n60,6,\n30,7,\n90,8,\n')
    expect(problems).toHaveLength(1)
    expect(problems[0]).toMatchObject({ line: 5, where: 'time_s' })
    expect(problems[0].message).toMatch(/backwards/)
    expect(Array.from(trace.time)).toEqual([0, 60, 90])
  })

  it('refuses what is no trace, and says why', () => {
    expect(() => read('')).toThrow(/empty/)
    expect(() => read('level,watts\n5,10\n')).toThrow(/no time column/)
    expect(() => read('time_s,colour\n0,red\n')).toThrow(/no readings beside it/)
    expect(() => read('\u0089PNG\r\n\u001a\n\0\0\0\rIHDR')).toThrow(/not a text file/)
    expect(() => read('time_s,battery_percent\nsoon,5\nlater,6\n')).toThrow(UnreadableFile)
  })
})

describe('writing a trace', () => {
  const value = fc.option(fc.double({ min: 0, max: 48, noNaN: true }), { nil: undefined })
  const reading = fc.record({
    dt: fc.double({ min: 0, max: 900, noNaN: true }),
    percent: fc.option(fc.integer({ min: 0, max: 100 }), { nil: undefined }),
    voltage: value,
    power: value,
    back: value,
    note: fc.string(),
  })

  it('loses nothing on the way out and in', () => {
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 40 }), (rows) => {
        let t = 0
        const trace = traceFromReadings(
          rows.map(({ dt, back, note, ...r }) => ({
            ...r,
            t: (t += dt),
            note: note.replace(/[\p{Cc}\p{Cs}]/gu, ''),
            temperatures: back === undefined ? undefined : { back },
          })),
        )
        fc.pre(Object.keys(trace).length > 2 || Object.keys(trace.temperatures).length > 0)
        fc.pre(trace.percent !== undefined || trace.voltage !== undefined || trace.power !== undefined)
        expect(read(writeTraceCsv(trace)).trace).toEqual(trace)
      }),
    )
  })
})

it('names a cell outside what its column may hold, with the bounds', () => {
  const { trace, problems } = readTraceCsv('time_s,power_w\n0,18\n60,9999\n120,-301\n180,18\n')
  expect(problems.map(({ line, where, message }) => `${line} ${where}: ${message}`)).toEqual([
    '3 power_w: "9999" is outside −300 to 500; it counts as not read.',
    '4 power_w: "-301" is outside −300 to 500; it counts as not read.',
  ])
  expect(Array.from(trace.power!)).toEqual([18, NaN, NaN, 18])
})
