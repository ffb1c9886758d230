import { expect, it } from 'vitest'
import { isObjectLines, pairedTable } from './paired'
import { readTraceCsv } from './traceCsv'

const lines = (of: (s: number) => string) => Array.from({ length: 30 }, (_, i) => of(10 * i)).join('\n')
const clock = (s: number) => `19:${30 + Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`

it('reads a log whose lines name their values, with their units or without', () => {
  const plain = readTraceCsv(lines((s) => `t=${s} V=9.02 A=1.995 level=${5 + Math.floor(s / 60)}%`))
  expect(plain.problems).toEqual([])
  expect(plain.assumed).toContain('Each line names its values.')
  expect([plain.trace.time[29], plain.trace.voltage![0], plain.trace.current![0]]).toEqual([290, 9.02, 1.995])
  expect(plain.trace.percent![29]).toBe(9)
  const stamped = readTraceCsv(
    lines((s) => `[${clock(s)}] Volts: 9.02 V, Amps: 1995 mA, Power: 17.99W`),
  ).trace
  expect([stamped.time[29], stamped.voltage![3], stamped.current![3], stamped.power![3]]).toEqual([290, 9.02, 1.995, 17.99]) // prettier-ignore
})

it('takes a moment for one value, however its day is written', () => {
  const begun = (stamp: (s: number) => string) => {
    const { trace, startedAt, problems } = readTraceCsv(lines((s) => `time=${stamp(s)} V=9.02 A=1.995`))
    return [startedAt, trace.time[29], problems.length]
  }
  const told = ['2026-03-02T19:30:00.000Z', 290, 0]
  expect(begun((s) => `2026-03-02T${clock(s)}`)).toEqual(told)
  expect(begun((s) => `2026-03-02 ${clock(s)}`)).toEqual(told)
  expect(begun((s) => `02.03.2026 ${clock(s)}`)).toEqual(told)
  expect(begun((s) => `2026/3/2 ${clock(s)}`)).toEqual(told)
  expect(begun((s) => `0:${clock(s).slice(3)}`)).toEqual([null, 29 * 10 + 1800, 0])
})

it('reads a list of objects, alone or within another, and objects within them', () => {
  const of = (i: number) => ({ time: `2026-11-03T19:0${i}:00`, usb: { voltage: 9.02, current: 1.995 }, battery: { level: 5 + i, temp: 24.5, charging: true } }) // prettier-ignore
  const list = Array.from({ length: 5 }, (_, i) => of(i))
  const kept = { device: 'Skerry P5', markers: [{ at: 1 }, { at: 2 }], samples: list }
  const texts = [JSON.stringify(list), JSON.stringify(list, null, 2), JSON.stringify(kept, null, 1), list.map((o) => JSON.stringify(o)).join('\n')] // prettier-ignore
  for (const text of texts) {
    const { trace, problems } = readTraceCsv(text)
    expect([...trace.time]).toEqual([0, 60, 120, 180, 240])
    expect([trace.voltage![1], trace.current![1], trace.percent![4], trace.temperatures.battery[0]]).toEqual([9.02, 1.995, 9, 24.5]) // prettier-ignore
    expect([problems, isObjectLines(text)]).toEqual([[], true])
  }
  // A logbook, whole or damaged, is none; nor is what holds no two objects.
  for (const text of [
    '{"format":"inkpath-logbook","runs":[{"a":1},{"a":2}]}',
    '{"devices":[{},{}]}',
    '[]',
    '[{}]',
    '[1,2]',
    '{"a":1}',
    '[{"a":1},{"a":2}',
  ])
    // prettier-ignore
    expect(isObjectLines(text), text).toBe(false)
})

it('reads a log of an object a line, which is no logbook', () => {
  const text = lines((s) =>
    JSON.stringify({ elapsed: s, voltage: 9.02, current: -1.5, ok: true, of: { a: 1 } }),
  )
  const { trace } = readTraceCsv(text)
  expect([trace.time[29], trace.voltage![0], trace.current![0]]).toEqual([290, 9.02, -1.5])
  expect([isObjectLines(text), isObjectLines(text.slice(0, -5))]).toEqual([true, true])
  for (const logbook of [
    '{"format":"inkpath-logbook","runs":[]}',
    '{\n"format": "inkpath-logbook",\n"runs": []\n}',
  ])
    expect([isObjectLines(logbook), pairedTable(logbook)]).toEqual([false, undefined])
})

it('tells the line of what it cannot read, and keeps what only some lines name', () => {
  const table = pairedTable('t=0 V=9\nt=10 V=9 T=25\n--- restarted ---\nt=20 V=9\nt=30 V=9\nt=40 V=9')!
  expect(table.headers).toEqual(['t', 'V', 'T'])
  expect(table.rows.map(({ line, cells }) => [line, cells[2]])).toEqual([[1, ''], [2, '25'], [4, ''], [5, ''], [6, '']]) // prettier-ignore
  expect(table.problems.kept).toEqual([
    { line: 3, where: '', message: '"--- restarted ---" names no values; it is left out.' },
  ])
})

it('leaves alone what is a table already', () => {
  for (const text of [
    'time_s,battery_percent,note\n0,5,\n60,6,fan: 3 V: 5\n120,7,\n180,8,',
    'Start: 19:30\nMeter: 3\ntime,level\n0,5\n60,6\n120,7\n180,8\n240,9\n300,10\n360,11\n420,12\n480,13',
    'time;level\n19:30:00;5\n19:35:00;11',
    '2026-03-02T19:30:00,5,18\n2026-03-02T19:31:00,6,18',
    '19:30 5% 18.0 W\n19:35 11% 17.5 W',
    `${'a('.repeat(30_000)}\n${'a=1 '.repeat(2000)}`,
  ])
    expect(pairedTable(text)).toBeUndefined()
})
