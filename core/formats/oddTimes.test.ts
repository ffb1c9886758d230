import { describe, expect, it } from 'vitest'
import { readTraceCsv } from './traceCsv'

const read = (head: string, times: readonly (string | number)[]) => {
  const { trace, problems, assumed } = readTraceCsv(`${head},W\n${times.map((t, i) => `${t},${i}`).join('\n')}\n`)
  return { time: [...trace.time], kept: [...(trace.power ?? [])], problems, assumed }
} // prettier-ignore

describe('a time that is written wrongly', () => {
  it('costs its own row, not all that follow', () => {
    const { time, kept, problems } = read('time_s', [0, 300, 6000, 900, 1200])
    expect([time, kept]).toEqual([[0, 300, 900, 1200], [0, 1, 3, 4]]) // prettier-ignore
    expect(problems).toEqual([
      { line: 4, where: 'time_s', message: 'Time goes ahead to 6000 s, and back in the rows after it; the row is left out.' },
    ]) // prettier-ignore
    // In the first row, behind rows that cannot be read, and on a clock on the wall.
    expect(read('time_s', [6000, 300, 600, 900]).kept).toEqual([1, 2, 3])
    expect(read('time_s', [0, 6000, 'x', 300, '', 600]).kept).toEqual([0, 3, 5])
    expect(read('Clock', ['19:30', '22:35', '19:40', '19:45']).time).toEqual([0, 600, 900])
  })

  it('is the one that goes back where only that does', () => {
    expect(read('time_s', [0, 300, 200, 600]).kept).toEqual([0, 1, 3])
    // Two that are ahead are as likely as those after them.
    expect(read('time_s', [0, 300, 200]).kept).toEqual([0, 1])
    expect(read('time_s', [100, 300, 200, 400]).kept).toEqual([0, 1, 3])
    expect(read('time_s', [100, 300, 50, 60]).kept).toEqual([0, 1])
    expect(read('time_s', [100, 300, 200, 150]).kept).toEqual([0, 1])
  })
})

it('goes on past 12:59 on a clock of twelve hours', () => {
  const clock = ['11:50', '12:20', '12:50', '1:20', '1:50']
  expect(read('Clock', clock).time).toEqual([0, 1800, 3600, 5400, 7200])
  expect(read('Clock', clock).assumed).toContain('Hours go from 1 to 12 and on.')
  expect(read('Clock', ['11:50', '12:20']).assumed).not.toContain('Hours go from 1 to 12 and on.')
  // One that says which half of the day, or counts to 24, begins anew at midnight.
  expect(read('Clock', ['23:50', '0:20', '0:50']).time).toEqual([0, 1800, 3600])
  expect(read('Clock', ['13:50', '12:20', '14:20']).kept).toEqual([0, 2])
  expect(read('Clock', ['1:50 am', '11:50 am', '1:20 am']).kept).toEqual([0, 1])
}) // prettier-ignore

it('reads a film’s timecode, without its frames', () => {
  const { time, assumed } = read('Timecode', ['01:00:00:00', '01:05:00:12', '01:10:00:24'])
  expect(time).toEqual([3600, 3900, 4200])
  expect(assumed).toContain('Frames of a second are left out.')
  expect(read('TC', ['00:00:00;00', '00:05:00;12']).time).toEqual([0, 300])
  expect(() => read('Timecode', ['0:00:00:00'])).toThrow()
})

it('reads a clock behind a day without its year, over midnight too', () => {
  for (const days of [['11-20', '11-21'], ['Nov 20', 'Nov 21'], ['20.11.', '21.11.'], ['20 Nov', '21 Nov'], ['11/20', '11/21']]) {
    const { time, assumed, problems } = read('Time', [`${days[0]} 23:55:00.5`, `${days[0]} 23:59:00`, `${days[1]} 0:05:00`])
    expect([time, problems], days[0]).toEqual([[0, 239.5, 599.5], []])
    expect(assumed).toContain('Days without a year are left out; past midnight the clock goes on.')
  }
  expect(read('Time', ['11-20 0:05', '11-20 0:10']).time).toEqual([0, 300])
  expect(read('Clock', ['18:40', '18:45']).assumed.join()).not.toContain('year')
}) // prettier-ignore

it('takes the day numbers of a spreadsheet for moments, where all are', () => {
  // 3 November 2026 is day 46329, as any spreadsheet shows it.
  const days = [0, 300, 600, 1200].map((s) => (46329 + (19 * 3600 + s) / 86400).toFixed(6))
  const { trace, startedAt } = readTraceCsv(['Time,Level', ...days.map((d, i) => `${d},${5 + i}`)].join('\n'))
  expect([...trace.time]).toEqual([0, 300, 600, 1200])
  expect(startedAt).toBe(new Date(2026, 10, 3, 19).toISOString())
  // A log of half a day in seconds begins before.
  const long = [
    'Time,Level',
    '0.000,5',
    ...Array.from({ length: 4 }, (_, i) => `${40000 + 100 * i}.125,${50 + i}`),
  ]
  expect([...readTraceCsv(long.join('\n')).trace.time]).toEqual([
    0, 40000.125, 40100.125, 40200.125, 40300.125,
  ])
})

it('takes whole numbers that go on by thousands for milliseconds, unless the heading says seconds', () => {
  const times = (head: string) => [...readTraceCsv(`${head},W\n0,18\n1000,18\n3000,18\n4000,17\n`).trace.time]
  expect(times('Time')).toEqual([0, 1, 3, 4])
  expect(times('Time (s)')).toEqual([0, 1000, 3000, 4000])
  expect([...readTraceCsv('Time,W\n0,18\n900,18\n1800,18\n2700,17\n').trace.time]).toEqual([
    0, 900, 1800, 2700,
  ])
})

it('goes by a meter’s own count where a heading leaves the unit of its times open', () => {
  // 18 W for ten minutes are 3 Wh.
  const times = (...rows: string[]) => [...readTraceCsv(['Time,W,Wh', ...rows].join('\n')).trace.time]
  expect(times('0,18,0', '10,18,3', '20,18,6')).toEqual([0, 600, 1200])
  expect(times('0,18,0', '0.5,18,9', '1,18,18')).toEqual([0, 1800, 3600])
  expect(times('0:00,18,0', '0:10,18,3', '0:20,18,6')).toEqual([0, 600, 1200])
  expect(times('0:00,18,0', '0:10,18,0.05', '0:20,18,0.1')).toEqual([0, 10, 20])
  expect(times('0,18,0', '10,18,0.05', '20,18,0.1')).toEqual([0, 10, 20])
  // A count of something else says nothing.
  expect(times('0,18,0', '10,18,77', '20,18,150')).toEqual([0, 10, 20])
  const ah = readTraceCsv('Time,A,mAh\n0,2,0\n10,2,333\n20,2,667\n').trace.time
  expect([...ah]).toEqual([0, 600, 1200])
})
