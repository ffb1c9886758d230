import { describe, expect, it } from 'vitest'
import { readTraceCsv, readTraceTables, traceFromTable } from './traceCsv'
import { guessColumns } from './guessColumns'
import { callTables } from './recordings'
import type { Table } from './table'

const rows = (...lines: string[]) => lines.join('\n') + '\n'
/** What each record of a file holds, by its title. */
const read = (text: string) =>
  readTraceTables(text).map((table) => {
    const { trace, problems } = traceFromTable(table, guessColumns(table))
    return { title: table.title, time: [...trace.time], percent: [...(trace.percent ?? [])], problems: problems.map((p) => p.line) } // prettier-ignore
  })

describe('tables below each other', () => {
  it('are records of their own, called by the line above them', () => {
    const text = rows('Hawser 30', 'Time (min);Level', '0;5', '5;11', '', 'Bollard 12', 'Time (min);Level', '0;5', '5;8', '10;x') // prettier-ignore
    expect(read(text)).toEqual([
      { title: 'Hawser 30', time: [0, 300], percent: [5, 11], problems: [] },
      { title: 'Bollard 12', time: [0, 300, 600], percent: [5, 8, NaN], problems: [10] },
    ])
    // A script is told; it must not go on with half a file.
    expect(readTraceCsv(text).problems).toEqual([
      { line: 8, where: '', message: 'Here another record begins; it is left out.' },
    ])
  })

  it('may have their units in a row below each header', () => {
    const units = ['Time;Level', 'min;%', '0;5', '5;11']
    expect(read(rows(...units, ...units)).map((r) => r.time)).toEqual([[0, 300], [0, 300]]) // prettier-ignore
  })

  it('may have other columns, more of them, or names that nobody knows', () => {
    const [first, second] = readTraceTables(rows('Time,Level', '0,5', '60,6', 'Time,Watts,Level,Note', '0,18,5,a', '60,17,6,b')) // prettier-ignore
    expect([first.headers, first.rows.length]).toEqual([['Time', 'Level'], 2])
    expect([second.headers, second.rows.length, second.title]).toEqual([['Time', 'Watts', 'Level', 'Note'], 2, undefined]) // prettier-ignore
    expect(readTraceTables(rows('Minuten;Hawser;Bollard', '0;5;5', '5;9;8', 'Minuten;Hawser;Bollard', '0;5;5', '5;9;8')).length).toBe(2) // prettier-ignore
  })

  it('are one where only the header comes again and the time goes on', () => {
    const log = rows('Time,Level', '0,5', '60,6', 'Time,Level', '120,7', '180,8', 'Time,Level', '240,9')
    expect(read(log)).toEqual([{ title: undefined, time: [0, 60, 120, 180, 240], percent: [5, 6, 7, 8, 9], problems: [] }]) // prettier-ignore
    // Not after an hour; on the wall too.
    expect(read(rows('Time,Level', '0,5', '60,6', 'Time,Level', '3660,7', '3720,8'))).toHaveLength(2)
    expect(read(rows('Clock,Level', '19:00,5', '19:05,6', 'Clock,Level', '19:10,7', '19:15,8'))).toHaveLength(1) // prettier-ignore
    expect(read(rows('Clock,Level', '19:00,5', '19:05,6', 'Clock,Level', '21:10,7', '21:15,8'))).toHaveLength(2) // prettier-ignore
  })

  it('are told with all their faults where they are one, and read once however many headers stand between', () => {
    const log = rows('Time,Level', '0,5', '60', 'Time,Level', '120', '180,8')
    expect(read(log).map((r) => r.problems)).toEqual([[3, 5]]) // prettier-ignore
    const piece = (k: number) => [
      'Time,Level',
      ...Array.from({ length: 500 }, (_, i) => `${(k * 500 + i) * 10},5`),
    ]
    const [whole, ...others] = readTraceTables(rows(...Array.from({ length: 60 }, (_, k) => piece(k)).flat()))
    expect([whole.rows.length, others.length]).toEqual([30_000, 0])
  })

  it('are not parted by remarks, or by a line that returns all the time', () => {
    const remarks = rows(
      'Time,Level,Note',
      '0,5,',
      'paused,,',
      '60,6,',
      ',,time to look at the level',
      '120,7,',
    )
    expect(read(remarks)).toEqual([{ title: undefined, time: [0, 60, 120], percent: [5, 6, 7], problems: [3, 5] }]) // prettier-ignore
    const often = rows('Time,Level', ...Array.from({ length: 102 }, () => ['0,5', 'Time,Level']).flat(), '0,5') // prettier-ignore
    expect(readTraceTables(often)).toHaveLength(1)
    // A value alone is a reading that lacks the other, and no title.
    expect(read(rows('Time,Level', '0,5', '60', 'Time,Level', '0,5', '60,6'))[0]).toMatchObject({ title: undefined, time: [0, 60], percent: [5, NaN] }) // prettier-ignore
  })
})

describe('tables beside each other', () => {
  it('are records of their own where each has a time', () => {
    const text = rows('Hawser 30,,,Bollard 12,,', 'Time (min),Level,W,Time (min),Level,W', '0,5,18,0,5,9', '5,11,17,6,8,9', ',,,12,11,9') // prettier-ignore
    expect(read(text)).toEqual([
      { title: 'Hawser 30', time: [0, 300], percent: [5, 11], problems: [] },
      { title: 'Bollard 12', time: [0, 360, 720], percent: [5, 8, 11], problems: [] },
    ])
    expect(read(rows('Time,Level,,Time,Level', '0,5,,0,5', '60,6,,90,6')).map((r) => r.time)).toEqual([[0, 60], [0, 90]]) // prettier-ignore
  })

  it('are cut where each begins, empty columns between them left out', () => {
    const table = rows('a,,,b,,', 'Time,Level,,Time,Level,', '0,5,x,0,5,', ' ,, ,60,6,')
    const [first, second] = readTraceTables(table)
    expect([first.headers, second.headers]).toEqual([['Time', 'Level'], ['Time', 'Level']]) // prettier-ignore
    expect([first.rows.map((r) => r.cells), second.rows.length]).toEqual([[['0', '5', 'x']], 2]) // prettier-ignore
    expect([first.title, second.title]).toEqual(['a', 'b'])
    // Faults of the whole table are told once.
    const faulty = readTraceTables(rows('Time,Level,Time,Level', '0,5,0,5', '60,6,60'))
    expect(faulty.map((t) => t.problems.count)).toEqual([1, 0])
  })

  it('are what two instruments read at their own times, or chargers whose names head the columns', () => {
    const ends = readTraceTables(rows('Time,Level,Time,W', '0,5,0,18', '300,11,60,17', '600,17,120,16'))
    expect(ends.map((t) => [t.headers.join(), t.rows[2].cells.join()])).toEqual([['Time,Level', '600,17'], ['Time,W', '120,16']]) // prettier-ignore
    const chargers = rows(
      'Minute 1;Hawser 20;Minute 2;Bollard 12',
      '0;5;0;5',
      '5;11;6;8',
      '10;17;12;11',
      ';;18;14',
    )
    expect(read(chargers)).toEqual([
      { title: 'Hawser 20', time: [0, 300, 600], percent: [5, 11, 17], problems: [] },
      { title: 'Bollard 12', time: [0, 360, 720, 1080], percent: [5, 8, 11, 14], problems: [] },
    ])
    // At one and the same times they are columns of chargers; watts are named by hand.
    expect(readTraceTables(rows('Time;Hawser 20;Time;Bollard 12', '0;5;0;5', '5;11;5;8'))).toHaveLength(1)
    const watts = readTraceTables(
      rows('Time;Hawser 20;Time;Bollard 12', '0;18.5;0;9', '5;17;6;9', '10;16;12;8'),
    )
    expect(watts.map((t) => [t.title, t.headers[1]])).toEqual([[undefined, 'Hawser 20'], [undefined, 'Bollard 12']]) // prettier-ignore
  })

  it('are one where a second time stands beside other readings, or none', () => {
    expect(readTraceTables(rows('Time,Uptime,Level', '0,5000,5', '60,5060,6'))).toHaveLength(1)
    expect(readTraceTables(rows('Start time,V,End time,W', '0,9,5,18', '5,9,10,18'))).toHaveLength(1)
    expect(readTraceTables(rows('Time,Level,W', '0,5,18'))).toHaveLength(1)
  })
})

describe('a time that begins again', () => {
  const log = (times: number[]) => rows('time_s,battery_percent', ...times.map((t, i) => `${t},${i}`))
  const parts = (...times: number[]) => read(log(times)).map((r) => r.percent)
  it('begins another record', () => {
    expect(parts(0, 60, 120, 0, 60, 120)).toEqual([[0, 1, 2], [3, 4, 5]]) // prettier-ignore
    expect(parts(100, 160, 1000, 100, 160, 0, 60)).toEqual([[0, 1, 2], [3, 4], [5, 6]]) // prettier-ignore
    // Near the start is a tenth of the way.
    expect(parts(0, 500, 1000, 100, 200)).toEqual([[0, 1, 2], [3, 4]]) // prettier-ignore
    expect(parts(0, 500, 1000, 101, 200)).toHaveLength(1)
  })
  it('is none where one time was written wrongly, or was forgotten and stands last', () => {
    expect(parts(0, 60, 12_000, 70, 80)).toEqual([[0, 1, 3, 4]])
    expect(parts(0, 60, 120, 0, 180)).toEqual([[0, 1, 2, 4]])
    expect(parts(0, 60, 120, 5)).toEqual([[0, 1, 2]])
    expect(parts(120, 0, 60, 120)).toEqual([[1, 2, 3]])
    expect(parts(240, 180, 120, 60, 0)).toEqual([[4, 3, 2, 1, 0]])
  })
  it('is told by titles that differ, else by numbers', () => {
    const called = (...titles: (string | undefined)[]) =>
      callTables(titles.map((title) => ({ title }) as Table))
    expect([called('a'), called(undefined), called('a', 'b'), called('a', 'a', undefined)]).toEqual([[''], [''], ['a', 'b'], ['a, record 1', 'a, record 2', 'record 3']]) // prettier-ignore
  })
  it('begins no more records than anyone would bring in', () => {
    expect(parts(...Array.from({ length: 101 }, () => [0, 60, 120]).flat())).toHaveLength(1)
    expect(parts(...Array.from({ length: 100 }, () => [0, 60, 120]).flat())).toHaveLength(100)
  })
  it('keeps faults with the record they are in', () => {
    const text = rows('time_s,battery_percent', '0,5,9', '0,5', '60,6', 'x', '120', '0,5', '60', '120,8')
    expect(read(text).map((r) => r.problems)).toEqual([[2, 5, 5, 6], [8]]) // prettier-ignore
  })
})
