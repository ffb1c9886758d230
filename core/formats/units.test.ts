import { describe, expect, it } from 'vitest'
import { pacedStyle } from './clockPace'
import type { ColumnMeaning } from './columns'
import { guessColumns } from './guessColumns'
import { hasTimeUnit, namesUnit, unitMeaning } from './headingUnit'
import { inSmallerUnit, smallerUnitWords } from './thousandths'
import type { Table } from './table'
import type { TimeStyle } from './timeCell'
import { readTraceCsv, readTraceTable } from './traceCsv'

const channel = (name: string, divisor = 1) => ({ kind: 'channel', channel: name, divisor }) as ColumnMeaning
const UNITS: [unit: string, meaning: ColumnMeaning][] = [
  ['%', channel('percent')],
  ['V', channel('voltage')], ['mV', channel('voltage', 1000)],
  ['A', channel('current')], ['mA', channel('current', 1000)],
  ['W', channel('power')], ['mW', channel('power', 1000)],
  ['Wh', channel('counterWh')], ['mWh', channel('counterWh', 1000)],
  ['Ah', channel('counterAh')], ['mAh', channel('counterAh', 1000)],
  ['°C', { kind: 'temperature', place: '', fahrenheit: false }],
  ['°F', { kind: 'temperature', place: '', fahrenheit: true }],
] // prettier-ignore

describe('a unit', () => {
  it.each(UNITS)('%s tells what a heading in any language means, and what cells hold', (unit, meaning) => {
    for (const heading of [`Wert (${unit})`, `Wert [ ${unit} ] `, `Wert ${unit}`, `Wert,${unit}`, `Wert/${unit}`])
      expect(unitMeaning(heading), heading).toEqual(meaning)
    const cells = guessColumns(readTraceTable(`Time;Wert\n0;5 ${unit}\n60;-7,5${unit}\n`))
    expect(cells[1]).toEqual(meaning)
  }) // prettier-ignore

  it('is none of its own, or of another kind', () => {
    expect(['Wert', 'V', 'Kanal a', 'Wert (X)', '(V) Wert', ''].map(unitMeaning)).toEqual(Array(6).fill(undefined)) // prettier-ignore
  })

  it('of time is known behind a name', () => {
    const known = ['Zeit (s)', 'Zeit [min]', 'Zeit h', ' Zeit ms', 'Dauer (h:mm)', 'Dauer (hh:mm)', 'Dauer (h:mm:ss)', 'Dauer (hh:mm:ss)', 'Dauer (mm:ss)', 'Zeit sec', 'Test time, hours', 'Wert mins', 'Dauer (Minutes)'] // prettier-ignore
    expect(known.filter((heading) => !hasTimeUnit(heading))).toEqual([])
    expect(['5 min', 'Zeit', 's', 'Zeit (W)', 'Wert monat', '(min)'].filter(hasTimeUnit)).toEqual([])
  })

  it('stands in a heading, or does not', () => {
    const named = ['Voltage (V)', 'current_ma', 'Power W', 'E (mWh)', 'mAh', 'Volts', 'Amperes', 'amps', 'Watts', 'temp (°C)', 'temp_f', 'Celsius', 'Fahrenheit', 'millivolt'] // prettier-ignore
    expect(named.filter((heading) => !namesUnit(heading))).toEqual([])
    expect(['Voltage', 'Current', 'Power', 'Temp', 'Vavg'].filter(namesUnit)).toEqual([])
  })

  it('in cells must be that of more than nine in ten, and of one column alone', () => {
    const table = (rows: string[], head = 'Time;Wert') =>
      guessColumns(readTraceTable(`${head}\n${rows.map((row, i) => `${i};${row}`).join('\n')}\n`)).slice(1)
    const nine = Array<string>(9).fill('5 W')
    expect(table([...nine, 'x'])).toEqual([{ kind: 'ignore' }])
    expect(table([...nine, '5 W', 'x'])).toEqual([channel('power')])
    // What is empty says nothing; thousandths are the same quantity; other units are not.
    expect(table(['5 W', '', '900 mW'])).toEqual([channel('power')])
    expect(table(['5 W', '900 mA'])).toEqual([{ kind: 'ignore' }])
    expect(table(['5 W;6 W', '5 W;6 W'], 'Time;Wert;Zahl')).toEqual([{ kind: 'ignore' }, { kind: 'ignore' }])
    expect(table(['5 W;6', '5 W;6'], 'Time;Wert;Power')).toEqual([{ kind: 'ignore' }, channel('power')])
    expect(table(['5 W;6 V', '5 W;6 V'], 'Time;Wert;Zahl')).toEqual([channel('power'), channel('voltage')])
    // The first hundred tell.
    expect(table([...Array<string>(100).fill('5 W'), ...Array<string>(50).fill('5')])).toEqual([channel('power')])
  }) // prettier-ignore
})

describe('a unit that is not named', () => {
  const small = (name: string, cells: string[], heading = 'x') => inSmallerUnit(channel(name), heading, cells)
  it('is a thousandth where half of the values would lie out of all bounds', () => {
    expect(small('voltage', ['60', '61', '62'])).toEqual(channel('voltage', 1000))
    expect(small('voltage', ['60', '60', '62'])).toEqual(channel('voltage'))
    expect(small('current', ['-1500', '-1400', '15'])).toEqual(channel('current', 1000))
    expect(small('voltage', ['x', '', '9000'])).toEqual(channel('voltage', 1000))
    // Not even thousandths of it would be a voltage, up to 60 V: millionths are.
    expect(small('voltage', ['60000', '60000'])).toEqual(channel('voltage', 1000))
    expect(small('voltage', ['60001', '60001'])).toEqual(channel('voltage', 1e6))
    expect(small('voltage', ['60000001', '60000001'])).toEqual(channel('voltage'))
    expect(small('current', ['2350000', '-1900000', '800000'])).toEqual(channel('current', 1e6))
    expect(small('voltage', ['9000'], 'x (V)')).toEqual(channel('voltage'))
    expect(small('percent', ['500'])).toEqual(channel('percent'))
    expect(inSmallerUnit(channel('voltage', 1000), 'x', ['900000'])).toEqual(channel('voltage', 1000))
    expect(inSmallerUnit({ kind: 'note' }, 'x', ['9000'])).toEqual({ kind: 'note' })
  })
  it('is a tenth of a degree where a device would not outlive the whole ones', () => {
    const place: ColumnMeaning = { kind: 'temperature', place: 'back', fahrenheit: false }
    const tenths = { ...place, divisor: 10 }
    expect([['150', '151', '151'], ['1500', '1500']].map((cells) => inSmallerUnit(place, 'back', cells))).toEqual([tenths, tenths]) // prettier-ignore
    expect([['150', '150'], ['1501', '1501']].map((cells) => inSmallerUnit(place, 'back', cells))).toEqual([place, place]) // prettier-ignore
    const warm = { ...place, fahrenheit: true }
    expect(inSmallerUnit(warm, 'back', ['240', '250'])).toEqual(warm)
  })
  it('is said, where the heading does not say it', () => {
    const said = (meaning: ColumnMeaning, heading: string) => smallerUnitWords(meaning, { headers: [heading] } as Table, 0) // prettier-ignore
    expect(said(channel('voltage', 1000), 'Voltage')).toBe('"Voltage" is read in mV.')
    expect(said(channel('voltage', 1000), 'Voltage (mV)')).toBe('')
    expect(said(channel('voltage'), 'Voltage')).toBe('')
    expect(said({ kind: 'temperature', place: '', fahrenheit: false, divisor: 10 }, 'Temp')).toBe('"Temp" is read in tenths of a °C.') // prettier-ignore
    expect(said({ kind: 'temperature', place: '', fahrenheit: false }, 'Temp')).toBe('')
  })
})

describe('how fast a level rises', () => {
  const rows = (cells: string[][]) => cells.map((of, i) => ({ line: i + 1, cells: of }))
  const paced = (style: TimeStyle, heading: string, cells: string[][], points = 1) =>
    pacedStyle(style, heading, rows(cells), { time: 0, level: 1, points })
  const clock = (...cells: string[][]) => paced('clock', 'Time', cells)
  it('tells hours and minutes from minutes and seconds: hardly a battery takes more than eight points a minute', () => {
    expect(clock(['0:00', '5'], ['1:00', '13'])).toBe('clock')
    expect(clock(['0:00', '5'], ['1:00', '14 %'])).toBe('hours-minutes')
    expect(clock(['1:00', '5'], ['2:00', '14'])).toBe('hours-minutes')
    expect(clock(['1:00', '14'], ['2:00', '22'])).toBe('clock')
    expect(clock(['0:00', '5'], ['0:00:30', '20'], ['0:59', '90'])).toBe('clock')
    // A log whose newest row stands first rises from its end; a fall is none.
    expect(clock(['0:00', '90'], ['1:00', '5'])).toBe('clock')
  })
  it('tells them by the watts too: no phone is full of three watt-hours', () => {
    const powered = (watts: number, ...cells: [time: string, level: number][]) =>
      pacedStyle('clock', 'Time', rows(cells.map(([t, level]) => [t, String(level), String(watts)])), { time: 0, level: 1, points: 1, watts: (of) => Number(of[2]) }) // prettier-ignore
    // 18 W in a minute and a half are 0.45 Wh, in as many hours 27: a tenth of a battery of 270 Wh, or of 4.5.
    expect(powered(18, ['0:00', 5], ['0:30', 9], ['1:30', 15])).toBe('clock')
    expect(powered(12, ['0:00', 5], ['0:30', 9], ['1:30', 15])).toBe('hours-minutes')
    // A watch takes so long for it; and two points may as well be three.
    expect(powered(1, ['0:00', 5], ['2:00', 9], ['4:00', 15])).toBe('clock')
    expect(powered(12, ['0:00', 5], ['0:30', 7])).toBe('clock')
    // 240 W fill a phone that fast, and nothing faster still.
    expect(powered(240, ['0:00', 5], ['0:30', 10], ['1:30', 23])).toBe('clock')
    expect(powered(900, ['0:00', 5], ['0:30', 10], ['1:30', 36])).toBe('hours-minutes')
  })
  it('goes from the first to the last row that was read', () => {
    expect(clock(['', '5'], ['0:00', 'x'], ['0:05', '5'], ['0:10', '50'], ['0:15', ''], ['x', '50'], [])).toBe('hours-minutes')
    expect(clock(['0:00', 'x'], ['', '5'])).toBe('clock')
    expect(clock()).toBe('clock')
  })
  it('tells minutes and dotted clocks from seconds where the heading leaves it open', () => {
    const five = [['0', '5'], ['5', '11'], ['10', '17']]
    expect(paced('seconds', 'Time', five)).toBe('minutes')
    expect(paced('seconds', 'Time', five.map(([t, level]) => [t, String(Number(level) / 100)]), 100)).toBe('minutes')
    for (const heading of ['time_s', 'Time (sec)', 'Seconds', 'Test Time / s', 'secs'])
      expect(paced('seconds', heading, five), heading).toBe('seconds')
    expect(paced('seconds', 'Time', [['0', '5'], ['300', '11']])).toBe('seconds')
    expect(paced('seconds', 'Time', [['19.30', '5'], ['19.35', '11']])).toBe('time-of-day')
    expect(paced('seconds', 'Time', [['19.3', '5'], ['19.35', '11']])).toBe('seconds')
    // Not even in minutes could it be.
    expect(paced('seconds', 'Time', [['0', '5'], ['1', '50']])).toBe('seconds')
    expect(paced('milliseconds', 'Time', five)).toBe('milliseconds')
  })
  it('is said to be in seconds where nothing says so', () => {
    const assumed = (heading: string) => readTraceCsv(`${heading},W\n0,18\n5,18\n`).assumed
    expect(assumed('Time')).toEqual(['Times are seconds since power-on.'])
    expect([assumed('time_s'), assumed('Seconds')]).toEqual([[], []])
  })
}) // prettier-ignore
