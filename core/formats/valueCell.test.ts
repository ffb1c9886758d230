import { expect, it } from 'vitest'
import type { Channel } from '../trace/channels'
import type { ColumnMeaning } from './columns'
import { readTraceCsv, readTraceTable, traceFromTable } from './traceCsv'
import { sheetText } from './sheetCells'
import { guessColumns } from './guessColumns'
import { areShares, groupingOf, valueOf } from './valueCell'
import { wideColumns, wideTraces } from './wide'

const read = (text: string) => readTraceCsv(text)
const said = (text: string) => read(text).assumed.join(' ')

it('a value that carries its unit is read by it, whatever the heading says', () => {
  const { trace, problems } = read(
    'time_s,level,volts,current (mA),watts,lid temp\n0,5%,9.02V,1995,18.0 W,24.0°C\n60,6 %,9.01 V,1.9 A,17 500 mW,75.2 °F\n120,7,9,1900 mA,17.5,25\n',
  )
  expect(problems).toEqual([])
  expect(trace.percent).toEqual(Float64Array.of(5, 6, 7))
  expect(trace.voltage).toEqual(Float64Array.of(9.02, 9.01, 9))
  expect(Array.from(trace.current!).map((a) => a.toFixed(3))).toEqual(['1.995', '1.900', '1.900'])
  expect(trace.power).toEqual(Float64Array.of(18, 17.5, 17.5))
  expect(Array.from(trace.temperatures.lid).map((c) => c.toFixed(1))).toEqual(['24.0', '24.0', '25.0'])
})

it('a unit of another kind is no reading', () => {
  expect(read('time_s,watts\n0,18\n60,9 V\n120,18 Wh\n').problems.map((p) => p.line)).toEqual([3, 4])
})

it('units in the row below the heading belong to it', () => {
  const text = 't,U,I,P,Q\ns,[V],mA,W,(mAh)\n0,9,2000,18,0\n5,9.1,1990,18.1,2.8\n'
  const { trace, problems } = read(text)
  expect(problems).toEqual([])
  expect(said(text)).toContain('Line 2 holds the units.')
  expect(Array.from(trace.time)).toEqual([0, 5])
  expect(trace.current).toEqual(Float64Array.of(2, 1.99))
  expect(trace.counterAh![1]).toBeCloseTo(0.0028, 12)
  expect(Array.from(read('t,P\nmin,W\n0,18\n5,17\n').trace.time)).toEqual([0, 300])
})

it('levels that are shares of one, as a spreadsheet keeps its percentages, are told from percent', () => {
  const shares = 'minute,battery %\n0,0.05\n5,0.11\n10,0.17\n15,1\n'
  expect(Array.from(read(shares).trace.percent!).map(Math.round)).toEqual([5, 11, 17, 100])
  expect(said(shares)).toMatch(/shares of one/)
  // Ones and noughts alone, or a sign for percent in the cell, are no shares.
  expect(Array.from(read('minute,level\n0,0\n5,1\n10,1\n').trace.percent!)).toEqual([0, 1, 1])
  expect(Array.from(read('minute,level\n0,0.2%\n5,0.5%\n').trace.percent!)).toEqual([0.2, 0.5])
  // Our own column is what it says; as it may be meant otherwise, it is said.
  const own = 'time_s,battery_percent\n0,0.2\n5,0.5\n'
  expect(Array.from(read(own).trace.percent!)).toEqual([0.2, 0.5])
  expect(said(own)).toMatch(/as %, not as shares of one/)
})

it('one column a charger may hold shares, or values with their unit', () => {
  const table = readTraceTable('minute,Hawser 30,Bollard 12\n0,0.05,0.05\n30,0.4,0.25\n60,0.7,\n')
  const meanings = guessColumns(table)
  expect(wideColumns(table, meanings)).toEqual([1, 2])
  const [first, second] = wideTraces(
    table,
    meanings,
    [1, 2].map((column) => [{ column, channel: 'percent', divisor: 1 }]),
  )
  expect(Array.from(first.trace.percent!).map(Math.round)).toEqual([5, 40, 70])
  expect(Array.from(second.trace.percent!).map(Math.round)).toEqual([5, 25])
  const watts = readTraceTable('minute,Hawser 30,Bollard 12\n0,26 W,12 W\n30,18 W,11.5 W\n')
  expect(wideColumns(watts, guessColumns(watts))).toEqual([1, 2])
  expect(
    wideTraces(watts, guessColumns(watts), [[{ column: 1, channel: 'power', divisor: 1 }]])[0].trace.power,
  ).toEqual(Float64Array.of(26, 18))
})

it('commas that group thousands are told from decimal commas', () => {
  const grouped = 'time_s,E (mWh)\n0,998\n10,"1,010"\n20,"12,283.5"\n'
  expect(Array.from(read(grouped).trace.counterWh!)).toEqual([0.998, 1.01, 12.2835])
  expect(said(grouped)).toMatch(/group thousands/)
  expect(Array.from(read('time_s;E (mWh)\n0;998\n10;1.010,5\n20;12.283,5\n').trace.counterWh!)).toEqual([0.998, 1.0105, 12.2835]) // prettier-ignore
  expect(read('time_s;power_w\n0;1,125\n10;1,250\n').trace.power).toEqual(Float64Array.of(1.125, 1.25))
  // Where nothing reaches a thousand, no comma groups one: three decimals stand beside a round hundred.
  expect(read('time_s;level\n0;99,375\n10;100\n').trace.percent).toEqual(Float64Array.of(99.375, 100))
  expect(read('time_s;counter_wh\n0;99,875\n10;100\n20;100,125\n').trace.counterWh).toEqual(Float64Array.of(99.875, 100, 100.125)) // prettier-ignore
  expect(read('time_s;power_w\n0;18\n10;17,125\n').trace.power).toEqual(Float64Array.of(18, 17.125))
})

it('a heading in another tongue is found by the shape of the table, and can be named by hand', () => {
  const text =
    'Messung vom 12.11.2026\nGerät;Telefon\n\nZeit;Spannung;Akku\n00:00:00,250;9,02;5\n00:05:00,250;9,01;11\n'
  const table = readTraceTable(text)
  expect(table.headers).toEqual(['Zeit', 'Spannung', 'Akku'])
  expect(table.assumed).toContain('The header is in line 4; what stands before it was left out.')
  const { trace, problems } = traceFromTable(table, [
    { kind: 'time', style: 'clock' },
    { kind: 'channel', channel: 'voltage', divisor: 1 },
    { kind: 'channel', channel: 'percent', divisor: 1 },
  ])
  expect(problems).toEqual([])
  expect(Array.from(trace.time)).toEqual([0.25, 300.25])
  expect(trace.voltage).toEqual(Float64Array.of(9.02, 9.01))
  // Rows of values are no heading, and a heading that is shorter than its rows stays one.
  expect(() => readTraceTable('a,b\n0,10,5\n60,11,25\n')).toThrow(/more cells than the header/)
})

it('what says that nothing was read is no fault', () => {
  const { trace, problems } = read('minute,level,watts\n0,5,-\n5,–,n/a\n10,?,NaN\n15,none,null\n20,9,-1.5\n')
  expect(problems).toEqual([])
  expect(trace.percent).toEqual(Float64Array.of(5, NaN, NaN, NaN, 9))
  expect(trace.power).toEqual(Float64Array.of(NaN, NaN, NaN, NaN, -1.5))
})

it('degrees without a letter are the column’s, and a capital parts a unit from its name', () => {
  const { trace, problems } = read('time_s,temp back,busV,loadmA\n0,24°,9.02,1995\n60,25 °,9.01,1990\n')
  expect(problems).toEqual([])
  expect([...trace.temperatures.back, trace.voltage![0], trace.current![0]]).toEqual([24, 25, 9.02, 1.995])
})

it('a spreadsheet’s rows keep their numbers, and a bare “Battery” is the level where it can be', () => {
  const text = sheetText([
    ['November\nevenings'],
    [],
    ['Minute', 'Battery', 'Remark'],
    [0, 0.05, 'by the\nwindow'],
    [5, 0.1, null],
    [10, '', null],
  ])
  const { trace, problems, assumed } = readTraceCsv(text)
  expect(assumed).toContain('The header is in line 3; what stands before it was left out.')
  expect(problems.map((p) => [p.line, p.where])).toEqual([])
  expect(trace.notes![0]).toBe('by the window')
  const levels = (...cells: string[]) =>
    guessColumns({ headers: ['Minute', 'Battery'], rows: cells.map((c, i) => ({ line: i, cells: [String(i), c] })) } as never)[1].kind // prettier-ignore
  expect([levels('5', '11 %', ''), levels('0.05', '1'), levels('3.71', '3.75'), levels(''), levels('4200')]).toEqual(['channel', 'channel', 'ignore', 'ignore', 'ignore']) // prettier-ignore
})

const column = (...cells: string[]) => cells.map((cell, i) => ({ line: i + 2, cells: [cell] }))
const channelOf = (channel: Channel, divisor = 1): ColumnMeaning => ({ kind: 'channel', channel, divisor })

it('groups thousands only where nothing else can be meant', () => {
  const inMwh = (...cells: string[]) => groupingOf(column(...cells), 0, channelOf('counterWh', 1000))
  expect([inMwh('998', '1,010'), inMwh('998.5', '1,010'), inMwh('1,010.5'), inMwh('1.010,5')]).toEqual([',', ',', ',', '.']) // prettier-ignore
  // Not beside two digits or a thousand written without a sign; not with two decimals, or with none that has a comma.
  for (const cells of [['99', '1,010'], ['998', '1,010', '1000'], ['998', '1,01'], ['998', '1,010', '1,5'], ['998', '1.5'], ['998', 'x', '']])
    expect(inMwh(...cells), cells.join(' ')).toBe('') // prettier-ignore
  expect(inMwh('999', '1,010')).toBe(',')
  expect(groupingOf(column('998', '1,010'), 0, channelOf('counterWh'))).toBe('')
  expect(groupingOf(column('998', '1,010'), 1, channelOf('counterWh', 1000))).toBe('')
})

it('reads a cell by its own unit, its sign and its scale', () => {
  const percent = channelOf('percent')
  expect([' Full ', 'FULL', '7', ' 7 % '].map((cell) => valueOf(cell, percent, ''))).toEqual([100, 100, 7, 7])
  expect(valueOf('full', channelOf('power'), '')).toBeNaN()
  expect(['5/100', ' 100 / 100 '].map((cell) => valueOf(cell, percent, ''))).toEqual([5, 100])
  expect([valueOf('5/100', channelOf('power'), ''), valueOf('5/10', percent, ''), valueOf('1/5/100', percent, '')]).toEqual([NaN, NaN, NaN]) // prettier-ignore
  expect(['fuller', '', 'x', '7 W'].map((cell) => valueOf(cell, percent, ''))).toEqual([NaN, NaN, NaN, NaN])
  expect(valueOf('0.29', channelOf('percent', 0.01), '')).toBe(29)
  const mwh = channelOf('counterWh', 1000)
  expect([valueOf('1,010', mwh, ','), valueOf('1.010,5', mwh, '.'), valueOf('1.5', mwh, '')]).toEqual([1.01, 1.0105, 0.0015]) // prettier-ignore
  const outwards = channelOf('current', -1)
  expect(['2', '2 A', '900 mA'].map((cell) => valueOf(cell, outwards, ''))).toEqual([-2, -2, -0.9])
  expect(Object.is(valueOf('0', outwards, ''), 0)).toBe(true)

  const place: ColumnMeaning = { kind: 'temperature', place: '', fahrenheit: false }
  expect(['24', '24 °C', '24c', '24 ℃', '75.2 °F', '75.2f', '75.2 ℉'].map((cell) => Math.round(valueOf(cell, place, '')))).toEqual(Array(7).fill(24)) // prettier-ignore
  expect(['24 degc', '24 cx', '24 degf', '24 fx', '24 W'].map((cell) => valueOf(cell, place, ''))).toEqual(Array(5).fill(NaN)) // prettier-ignore
  expect(valueOf('240', { ...place, divisor: 10 }, '')).toBe(24)
  expect(valueOf('24 °C', { ...place, fahrenheit: true }, '')).toBe(24)
  expect(valueOf('1', { kind: 'note' }, '')).toBeNaN()
})

it('takes levels for shares of one by all of them', () => {
  const shares = (...cells: string[]) => areShares(column(...cells), 0)
  expect([shares('0', '0.5', '1'), shares('0.5', ' ', 'x', '0,6')]).toEqual([true, true])
  for (const cells of [['0', '1'], ['0.5'], ['0.5', '1.1'], ['0.5', '-0.1'], ['0.5', '0.6 %'], []])
    expect(shares(...cells), cells.join(' ')).toBe(false)
  expect(areShares(column('0.5', '0.6'), 1)).toBe(false)
})
