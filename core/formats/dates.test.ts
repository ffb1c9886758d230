import { expect, it } from 'vitest'
import { readTraceCsv, readTraceTable, traceFromTable } from './traceCsv'

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

it('leaves out a date that stands in the first row only', () => {
  const { times, said } = read('Date,Time,Volts\n12.11.2026,18:40:00,9\n,18:45:00,9\n,18:50:00,9\n')
  expect(times).toEqual([0, 300, 600])
  expect(said).toContain('"Date" holds dates without a time of day, and was left out.')
  const since = 'Date,Elapsed,Volts\n2026-11-12,0:00:00,9\n2026-11-12,0:05:00,9\n'
  expect(read(since)).toMatchObject({ times: [0, 300], startedAt: null })
  // A clock that begins at nothing counts from power-on, whatever it is called.
  expect(read(since.replace('Elapsed', 'Time'))).toMatchObject({ times: [0, 300], startedAt: null })
  expect(read(since.replace('Elapsed', 'Minute').replace(/0:0(\d):00/g, '$1 min')).times).toEqual([0, 300])
})

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
