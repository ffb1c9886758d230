import { describe, expect, it } from 'vitest'
import { idleBefore } from '../analysis/idle'
import { cut } from '../trace/cut'
import { guessColumns } from './guessColumns'
import { sheetText } from './sheetCells'
import { readTraceCsv, readTraceTable } from './traceCsv'
import { allSaid, namedBy, wideColumns, wideRuns, wideTraces } from './wide'

const open = (text: string) => {
  const table = readTraceTable(text)
  return { table, meanings: guessColumns(table) }
}

const level = (column: number) => [{ column, channel: 'percent' as const, divisor: 1 }]

describe('a table with one column a charger', () => {
  it('counts in minutes where no battery would charge so fast in seconds', () => {
    const style = (text: string) => open(text).meanings[0]
    const minutes = { kind: 'time', style: 'minutes' }
    expect(style('Time;Hawser 20;Bollard 12\n0;5;5\n5;11;8\n10;17;11\n')).toEqual(minutes)
    expect(style('Time;Hawser 20;Bollard 12\n0:00;5 %;5\n0:05;11;\n0:10;17;8\n0:15;23;11\n')).toEqual({ kind: 'time', style: 'hours-minutes' })
    // What falls, or goes past 100, is no level; nor is one column alone, or of two readings.
    const seconds = { kind: 'time', style: 'seconds' }
    expect(style('Time;Hawser 20;Bollard 12\n0;5;5\n5;18;8\n10;17;11\n')).toEqual(seconds)
    expect(style('Time;Hawser 20;Bollard 12\n0;5;5\n5;11;90\n10;17;101\n')).toEqual(seconds)
    expect(style('Time;Hawser 20;Bollard 12\n0;5;5\n5;11;8\n')).toEqual(seconds)
    expect(style('Time;Hawser 20\n0;5\n5;11\n10;17\n')).toEqual(seconds)
    // All of them must say the same.
    expect(style('Time;Hawser 20;Bollard 12\n0;5;5\n5;11;5\n10;17;6\n')).toEqual(seconds)
    expect(style('Time (s);Hawser 20;Bollard 12\n0;5;5\n5;11;8\n10;17;11\n')).toEqual(seconds)
  }) // prettier-ignore

  const { table, meanings } = open(
    'Minutes,Bollard 5,Hawser 30 %,remarks\n0,5,5,start\n5,6,18,\n10,"7,5",30,\n15,9,,done\n',
  )

  it('becomes a run for each', () => {
    const columns = wideColumns(table, meanings)
    expect(columns).toEqual([1, 2])
    const [bollard, hawser] = wideTraces(table, meanings, columns.map(level)).map((r) => r.trace)
    expect([...bollard.time]).toEqual([0, 300, 600, 900])
    expect([...bollard.percent!]).toEqual([5, 6, 7.5, 9])
    // The quicker was unplugged sooner.
    expect([...hawser.time]).toEqual([0, 300, 600])
    expect([...hawser.percent!]).toEqual([5, 18, 30])
  })

  it('is told from a quantity where a charger is called like one, above levels that begin alike', () => {
    const found = (head: string, ...rows: string[]) => {
      const own = open([head, ...rows].join('\n') + '\n')
      return wideColumns(own.table, own.meanings)
    }
    const levels = ['0;5;5;5;5', '5;8;7;9;6', '10;11;9;13;7', '15;14;11;17;8']
    expect(found('Minutes;12 W;Hawser 20;Ampere 20;Temp charger', ...levels)).toEqual([1, 2, 3, 4])
    expect(found('Minutes;A;B;C;V', ...levels)).toEqual([1, 2, 3, 4])
    // What is measured beside one column of levels stays what it is, warm or rising as it may be.
    expect(found('Minutes;Akkuprozente;Temp back;A;V', '0;5;24;1;5', '5;8;25;2;5', '10;11;26;2;9', '15;14;27;2;9')).toEqual([]) // prettier-ignore
    expect(found('Minutes;Hawser 20;Amps (A);Power', ...levels.map((row) => row.slice(0, -2)))).toEqual([])
    // A charger called by its watts, with its levels and its watts.
    const pairs = open('Minutes;12 W %;12 W W;Car %;Car W\n0;5;11;5;18\n5;8;11;9;18\n10;11;11;13;17\n')
    expect(pairs.table.headers).toEqual(['Minutes', '12 W %', '12 W (W)', 'Car %', 'Car (W)'])
  })

  it('has its times in hours and minutes where the heading says h:mm', () => {
    const { meanings: found } = open('h:mm;Hawser 20 (W);Bollard 12 (W);Car (W)\n0:00;18;11;9\n0:10;18;11;9\n0:20;17;11;9\n') // prettier-ignore
    expect(found[0]).toEqual({ kind: 'time', style: 'hours-minutes' })
  })

  it('is none where the columns say what they hold, or there is no time', () => {
    const of = (text: string) => {
      const own = open(text)
      return wideColumns(own.table, own.meanings)
    }
    expect(of('time_s,battery_percent,power_w\n0,5,18\n60,6,18\n')).toEqual([])
    expect(of('Bollard 5,Hawser 30\n5,5\n6,18\n')).toEqual([])
  })

  it('has columns of numbers, four of five at least, per cent signs or none; an empty one and words are none', () => {
    const head = 'Minutes,A 1,B 2,C 3,D 4\n'
    const rows = ['0,5 %,1,x,', '5,6%,2,y,', '10,"7,5",3,3,', '15, 8 ,4,4,', '20,9,nine,5,']
    const own = open(head + rows.join('\n') + '\n')
    const ignored = own.meanings.map((m, i) => (i ? { kind: 'ignore' as const } : m))
    expect(wideColumns(own.table, ignored)).toEqual([1, 2])
    // One alone is no such table.
    const one = { ...own.table, rows: own.table.rows.map((r) => ({ ...r, cells: [r.cells[0], r.cells[1]] })) }
    expect(wideColumns(one, ignored)).toEqual([])
  })

  it('makes one run of the levels and watts of a charger, under groups of their own too', () => {
    const rows = '0,5,18,5,9\n10,20,17.5,11,8900 mW\n20,,16,,8.5\n30,50,,,\n'
    for (const head of [
      'min,Hawser 30 (%),Hawser 30 (W),Bollard 12 (%),Bollard 12 (W)\n',
      ',Hawser 30,,Bollard 12,\nmin,%,W,%,W\n',
    ]) {
      const own = open(head + rows)
      expect(own.table.headers.slice(1)).toEqual(['Hawser 30 (%)', 'Hawser 30 (W)', 'Bollard 12 (%)', 'Bollard 12 (W)']) // prettier-ignore
      const columns = wideColumns(own.table, own.meanings)
      expect([columns, allSaid(own.table.headers, columns)]).toEqual([[1, 2, 3, 4], true])
      const runs = wideRuns(own.table.headers, columns.map((column) => ({ column, gearId: column < 3 ? 'h' : 'b' })), 'percent') // prettier-ignore
      expect(runs.map((r) => [r.gearId, r.parts.length])).toEqual([['h', 2], ['b', 2]]) // prettier-ignore
      const [hawser, bollard] = wideTraces(own.table, own.meanings, runs.map((r) => r.parts)).map((r) => r.trace) // prettier-ignore
      expect([...hawser.time]).toEqual([0, 600, 1200, 1800])
      expect([...hawser.percent!]).toEqual([5, 20, NaN, 50])
      expect([...hawser.power!]).toEqual([18, 17.5, 16, NaN])
      expect([...bollard.time]).toEqual([0, 600, 1200])
      expect([...bollard.power!]).toEqual([9, 8.9, 8.5])
    }
  })

  it('makes a run of each column of one charger that holds the same, and leaves out groups where names differ', () => {
    const columns = [1, 2, 3].map((column) => ({ column, gearId: 'h' }))
    const runs = wideRuns(['min', 'Hawser 30 W', 'Hawser 30 W again', 'Hawser 30, mW'], columns, 'percent')
    expect(runs).toEqual([
      { gearId: 'h', parts: [{ column: 1, channel: 'percent', divisor: 1 }, { column: 3, channel: 'power', divisor: 1000 }] },
      { gearId: 'h', parts: [{ column: 2, channel: 'percent', divisor: 1 }] },
    ]) // prettier-ignore
    expect(allSaid(['min', 'Hawser 30 W', 'Bollard level'], [1, 2])).toBe(false)
    expect(open('Meter,7\nmin,%,W\n0,5,18\n').table.headers).toEqual(['min', '%', 'W'])
    expect(open('evening\nmin,%,%\n0,5,5\n').table.headers).toEqual(['min', '%', '%'])
  })

  it('finds the source that a head names', () => {
    const names = ['Hawser 3', 'Hawser 30', 'Bollard 5']
    expect(namedBy('Hawser 30, %', names)).toBe(1)
    expect(namedBy('hawser_3', names)).toBe(0)
    expect(namedBy('Gangway', names)).toBe(-1)
  })
})

it('reads a spreadsheet’s cells: numbers, texts, times and moments', () => {
  const clock = (h: number, m: number) => new Date(Date.UTC(1899, 11, 30, h, m))
  const text = sheetText([
    ['time', 'level %'],
    [clock(0, 0), 5],
    [null, undefined],
    [clock(0, 5), 11],
    [clock(25, 0), 80],
  ])
  expect(text).toBe('time,level %\n0:00:00,5\n,\n0:05:00,11\n25:00:00,80')
  expect([...readTraceCsv(text).trace.time]).toEqual([0, 300, 90_000])
  expect(sheetText([[new Date(Date.UTC(2026, 2, 2, 19, 30))]])).toBe('2026-03-02T19:30:00')
})

it('begins a log at power-on where it idled before', () => {
  const rows = Array.from({ length: 120 }, (_, t) => `${t},${t < 37 ? 0 : 9},5`)
  const { trace } = readTraceCsv(`time_s,power_w,battery_percent\n${rows.join('\n')}`)
  // The last reading at which nothing flowed.
  expect(idleBefore(trace)).toBe(36)
  const rest = cut(trace, 36)
  expect([rest.time.length, rest.time[0], rest.power![0], rest.power![1]]).toEqual([84, 0, 0, 9])
  expect(idleBefore(rest)).toBe(0)
  expect([...cut(trace, 36, 38).time]).toEqual([0, 1, 2])
})
