import { describe, expect, it } from 'vitest'
import { parseMoment } from './momentCell'
import { readTraceCsv, readTraceTable, readTraceTables, traceFromTable } from './traceCsv'

const read = (text: string) => {
  const { trace, problems, startedAt, assumed } = readTraceCsv(text)
  expect(problems).toEqual([])
  return { times: Array.from(trace.time), startedAt, said: assumed.join(' ') }
}
const at = (...parts: [number, number, number, number, number, number?]) => new Date(...parts).toISOString()

it('joins a date and a time that stand in columns of their own, over midnight too', () => {
  const expected = { times: [0, 300], startedAt: at(2026, 10, 12, 23, 58) }
  const dotted = read('Date;Time;Volts\n12.11.2026;23:58:00;9\n13.11.2026;00:03:00;9\n')
  expect(dotted).toMatchObject(expected)
  expect(dotted.said).toContain('The date stands in "Date", beside "Time".')
  expect(read('Time,Volts,Day\n23:58,9,2026-11-12\n00:03,9,2026-11-13\n')).toMatchObject(expected)
  expect(read('Date,Time,Volts\n11/12/2026,11:58:00 PM,9\n11/13/2026,12:03:00 AM,9\n')).toMatchObject(
    expected,
  )
  // A spreadsheet's date is midnight of its day.
  expect(read('Date,Time,Volts\n2026-11-12T00:00:00,23:58:00,9\n2026-11-13T00:00:00,0:03:00,9\n')).toMatchObject(expected) // prettier-ignore
})

it('takes a date that stands in the first row only for that row’s, and leaves it out beside times that count', () => {
  const { times, said, startedAt } = read('Date,Time,Volts\n12.11.2026,23:58:00,9\n,0:03:00,9\n,0:08:00,9\n')
  expect([times, startedAt]).toEqual([[0, 300, 600], at(2026, 10, 12, 23, 58)]) // prettier-ignore
  expect(said).toContain('"Date" has the day of the first row.')
  expect(said).toContain('The first row is of "12.11.2026".')
  const since = 'Date,Elapsed,Volts\n2026-11-12,0:00:00,9\n2026-11-12,0:05:00,9\n'
  expect(read(since)).toMatchObject({ times: [0, 300], startedAt: null })
  // A clock that begins at nothing counts from power-on, whatever it is called.
  expect(read(since.replace('Elapsed', 'Time'))).toMatchObject({ times: [0, 300], startedAt: null })
  expect(read(since.replace('Elapsed', 'Minute').replace(/0:0(\d):00/g, '$1 min')).times).toEqual([0, 300])
})

it('reads moments as they are written in many places', () => {
  const seven = at(2026, 2, 2, 18, 40)
  for (const moment of ['2026/03/02 18:40', '2026.3.2 18:40:00', '2026-03-02, 6:40 p.m.', '02.03.26 18:40', '02-Mar-2026 18:40', '2 March 2026, 18:40', 'Mar 2 2026 6:40 PM'])
    expect(read(`time;level\n${moment};5\n`).startedAt, moment).toBe(seven)
  expect(read('Date,Time,Volts\n2026/3/2,6:40 p.m.,9\n2026/3/2,6:45 p.m.,9\n').startedAt).toBe(seven)
  expect(read('Date,Time,Volts\n2-Mar-2026,18:40,9\n2-Mar-2026,18:45,9\n').startedAt).toBe(seven)
  expect(read('Date,Time,Volts\n25/3/26,18:40,9\n25/3/26,18:45,9\n').startedAt).toBe(at(2026, 2, 25, 18, 40))
  expect(() => read('time;level\n2026-03.02 18:40;5\n')).toThrow()
}) // prettier-ignore

it('refuses moments that cannot be', () => {
  const seconds = (text: string) => parseMoment(text) - parseMoment('2026-03-02 00:00')
  expect(seconds(' 2026-03-02 12:40 am ')).toBe(40 * 60)
  expect(seconds('2026-03-02 12:40 pm')).toBe(12 * 3600 + 40 * 60)
  expect(seconds('2026-03-02 1:40 am')).toBe(3600 + 40 * 60)
  expect(seconds('2026-03-02 23:59:59.5')).toBe(86_399.5)
  for (const odd of ['24:00', '18:60', '18:40:60', '0:40 am', '13:40 pm', '18', ''])
    expect(seconds(`2026-03-02 ${odd}`), odd).toBeNaN()
  for (const odd of ['31.02.2026 18:40', '1.13.2026 18:40', '2 Mxr 2026 18:40', '2026-3-32 18:40'])
    expect(parseMoment(odd), odd).toBeNaN()
})

describe('the lines before the header', () => {
  const begun = (...lines: string[]) => read([...lines, 'Time (s);Level', '0;5', '60;6', ''].join('\n')).startedAt
  const seven = at(2026, 2, 2, 18, 40)
  it('tell when the record began', () => {
    expect(begun('Start: 2026-03-02 18:40')).toBe(seven)
    expect(begun('Logger 7', 'Start Time;2026/03/02 18:40:00', 'Rate;1')).toBe(seven)
    expect(begun('2 Mar 2026 18:40')).toBe(seven)
    expect(begun('Recorded on March 2 2026 18:40')).toBe(seven)
    expect(begun('# Date: 02.03.2026', '# Time: 18:40')).toBe(seven)
    const { said } = read('Date;02.03.2026\nTime;18:40\nTime (s);Level\n0;5\n60;6\n')
    expect(said).toContain('Before the header stands when it began: "02.03.2026 18:40".')
  })
  it('tell it whatever signs stand before and behind, and whatever else is said', () => {
    for (const line of ['# 2026-03-02 18:40', ': 2026-03-02 18:40', 'Began = 2026-03-02 18:40  ', 'Begin:2026-03-02 18:40', 'Begun 2026-03-02 18:40', 'Power on 2026-03-02 18:40'])
      expect(begun(line), line).toBe(seven)
    expect(begun('Start', 'no figures', 'Owner 7', 'Start: 3/2/2026 6:40 PM')).toBe(seven)
    // A day in a column of the table goes before.
    const inRows = readTraceTables('Start: 2020-01-01 00:00\nDate,Time,W\n02.03.2026,18:40,9\n,18:45,9\n')
    expect([inRows[0].day, inRows[0].begun]).toEqual(['02.03.2026', undefined])
    expect(readTraceTables('time_s,power_w\n0,1\n')[0]).not.toHaveProperty('begun')
  })
  it('do not, where they are of the file, or of nothing that is known', () => {
    for (const line of ['Exported 2026-03-02 18:40', 'End: 2026-03-02 18:40', 'Firmware 2026-03-02 18:40', 'Owner 2026-03-02 18:40', 'Start: 31.02.2026 18:40', 'Date: 02.03.2026'])
      expect(begun(line), line).toBeNull()
  })
  it('tell the day of a clock on the wall', () => {
    const wall = read('Date: 02.03.2026\nClock;Level\n18:40;5\n18:45;6\n')
    expect([wall.startedAt, wall.times]).toEqual([seven, [0, 300]])
    expect(wall.said).toContain('The first row is of "02.03.2026".')
    // The dates of the rows themselves go before.
    expect(read('Date: 01.01.2020\ntime;level\n2026-03-02 18:40;5\n').startedAt).toBe(seven)
  })
  it('tell it of their own record alone', () => {
    const [first, second] = readTraceTables('Start: 2026-03-02 18:40\ntime_s,power_w\n0,1\n60,2\n120,2\n0,1\n60,2\n')
    expect([first.begun, second.begun]).toEqual([Date.parse(seven) / 1000, undefined])
    const below = readTraceTables('02.03.2026\nClock,W\n18:40,1\n18:45,2\n03.03.2026\nClock,W\n18:40,1\n18:45,2\n')
    expect(below.map((table) => table.day)).toEqual(['02.03.2026', '03.03.2026'])
  })
}) // prettier-ignore

it('tells the day from the month by what can be, then by the shorter run, then by the clock', () => {
  const pm = { times: [0, 300], startedAt: at(2026, 10, 13, 18, 40, 5) }
  expect(read('time,level\n11/13/2026 6:40:05 PM,5\n11/13/2026 6:45:05 PM,9\n')).toMatchObject(pm)
  expect(read('time,level\n13/11/2026 6:40:05 pm,5\n13/11/2026 6:45:05 pm,9\n')).toMatchObject(pm)
  const overnight = read('time,level\n3/4/2026 23:58,5\n3/5/2026 00:03,9\n')
  expect(overnight).toMatchObject({ times: [0, 300], startedAt: at(2026, 2, 4, 23, 58) })
  expect(overnight.said).toContain('month first')
  const either = read('time,level\n3/4/2026 18:40,5\n3/4/2026 18:45,9\n')
  expect(either.startedAt).toBe(at(2026, 3, 3, 18, 40))
  expect(either.said).toContain('day first')
  expect(read('time,level\n3/4/2026 6:40 PM,5\n3/4/2026 6:45 PM,9\n').startedAt).toBe(at(2026, 2, 4, 18, 40))
  expect(() => readTraceCsv('time,level\n3/4/2026 13:40 PM,5\n')).toThrow(/No row has a time/)
})

it('takes a column of clocks for the time where no name says so, and units in square brackets', () => {
  const { trace } = readTraceCsv(
    'Zeit;Spannung [V];Strom [mA];Akku [%]\n0:00:00;9;1400;5\n0:05:00;9;1400;9\n',
  )
  expect(Array.from(trace.time)).toEqual([0, 300])
  expect([trace.voltage![0], trace.current![0], trace.percent![0]]).toEqual([9, 1.4, 5])
})

it('names the columns that were found, without a line they may not stand in', () => {
  const table = readTraceTable('Firmware 1\nWann;Was\n1;2\n2;3\n')
  expect(() => traceFromTable(table, [{ kind: 'ignore' }, { kind: 'ignore' }])).toThrow(
    expect.objectContaining({
      problems: [{ line: null, where: '', message: 'Columns found: "Wann", "Was".' }],
    }),
  )
})
