import { expect, it } from 'vitest'
import { channelChoices, isOwnTable } from './columns'
import { readTable, type Table } from './table'
import { readTraceCsv } from './traceCsv'

it('says how cells are parted where that is no comma', () => {
  const assumed = (sign: string) => readTable(`a${sign}b\n1${sign}2\n`).assumed
  expect(assumed(',')).toEqual([])
  expect(assumed(';')).toEqual(['Cells are parted by semicolons.'])
  expect(assumed('\t')).toEqual(['Cells are parted by tabs.'])
  expect(assumed('|')).toEqual(['Cells are parted by bars.'])
})

it('leaves out headings that are empty at the end, and rows that hold nothing', () => {
  const { headers, rows } = readTable(' time_s , power_w ,, ,\n0,18,,,\n\n ,,,,\n5,17,,,\n')
  expect(headers).toEqual(['time_s', 'power_w'])
  expect(rows.map((r) => [r.line, r.cells.slice(0, 2)])).toEqual([
    [2, ['0', '18']],
    [5, ['5', '17']],
  ])
  expect(() => readTable('\n,\n')).toThrow('The file holds no rows.')
})

it('finds the heading below forty lines of writing, no further, and by names that are known', () => {
  const isHeader = (cells: readonly string[]) => cells[0] === 'Zeit'
  const below = (lines: number) => readTable(`${'Firmware 1.2\n'.repeat(lines)}Zeit;U\n0;9\n`, isHeader)
  expect(below(39).headers).toEqual(['Zeit', 'U'])
  expect(below(40).headers).toEqual(['Firmware 1.2'])
  // A heading of one cell is none: any word could be.
  expect(readTable('Zeit\nZeit;U\n0;9\n', isHeader).headers).toEqual(['Zeit', 'U'])
})

it('looks for it in the first part of a long file only, and reads all of it', () => {
  const row = `0;${'9'.repeat(100)}\n`
  const { rows, headers } = readTable(`a1;bb\n${row.repeat(2000)}`)
  expect([headers, rows.length]).toEqual([['a1', 'bb'], 2000])
  expect(readTable(`${'x'.repeat(70_000)};b\n1;2\n`).headers[1]).toBe('b')
})

it('takes the heading with which most rows are alike, and no row of values', () => {
  const head = (text: string) => readTable(text).headers
  expect(head('Logger;7\nMinuten;Hawser;Bollard\n0;5;5\n5;11;8\n')).toEqual(['Minuten', 'Hawser', 'Bollard'])
  expect(() => head('Logger 7\n0;5\n5;11\n')).toThrow(/more cells than the header/)
  // Both signs part the rows alike; only one parts the heading.
  expect(head('Zeit;Akku\n0:00:00,5;5\n')).toEqual(['Zeit', 'Akku'])
})

it('names faults in the order of their lines, whoever found them, and columns of one name by their place', () => {
  const { problems, assumed } = readTraceCsv(
    'time_s,power_w,note,note\n0,18,a,b\nnow,18,a,b\n10,18\n15,eighteen,a,b\n',
    [
      { kind: 'time', style: 'seconds' },
      { kind: 'channel', channel: 'power', divisor: 1 },
      { kind: 'note' },
      { kind: 'ignore' },
    ],
  )
  expect(problems.map((p) => p.line)).toEqual([3, 4, 5])
  expect(assumed).toEqual(['Column 4 is called "note" like one before it.'])
})

it('knows a table that is written as we write it', () => {
  const own = (...headers: string[]) => isOwnTable({ headers } as Table)
  expect(own('time_s', 'battery_percent', 'power_w', 'temperature_lid_c', 'note')).toBe(true)
  expect(own('Time_S', 'POWER_W', 'Note', 'Temperature_C')).toBe(true)
  expect(own('power_w', 'note')).toBe(false)
  expect(own('time_s', 'power_w', 'Mode')).toBe(false)
})

it('offers each quantity in its unit and in thousandths, and levels as shares too', () => {
  const titles = channelChoices().map((c) => c.title)
  expect(titles).toContain('watts, W')
  expect(titles).toContain('watts, mW')
  expect(titles).toContain('level, %')
  expect(titles).not.toContain('level, m%')
  expect(channelChoices().find((c) => c.title === 'level, as a share of one')).toEqual({
    value: 'percent-0.01',
    title: 'level, as a share of one',
    meaning: { kind: 'channel', channel: 'percent', divisor: 0.01 },
  })
  expect(new Set(channelChoices().map((c) => c.value)).size).toBe(titles.length)
})

it('takes no reading for a heading that is like all below it but for its figures', () => {
  const text = 'a1 23 %;18.5 W\na2 26 %;18.2 W\na3 30 %;17.9 W\n'
  expect(readTable(text).rows).toHaveLength(3)
  expect(readTable(`hub 1;hub 2\n${text}`).rows).toHaveLength(3)
})

it('loses no reading of a table that begins with its values', () => {
  const { headers, rows, assumed } = readTable('0:00;5\n0:05;11\n')
  expect([headers, rows.length, assumed[0]]).toEqual([
    ['column 1', 'column 2'],
    2,
    'No line names the columns.',
  ])
  const { trace } = readTraceCsv('0:00:00\t5 %\n0:05:00\t11 %\n', [
    { kind: 'time', style: 'clock' },
    { kind: 'channel', channel: 'percent', divisor: 1 },
  ])
  expect([[...trace.time], [...trace.percent!]]).toEqual([[0, 300], [5, 11]]) // prettier-ignore
  // One line of figures may be names, as of years; two are none.
  expect(readTable('2025;2026\na;b\n').headers).toEqual(['2025', '2026'])
  expect(readTable('5\n6\n').headers).toEqual(['5'])
})
