import { describe, expect, it } from 'vitest'
import { LONGEST_S } from '../trace/bounds'
import { ProblemList } from './problem'
import type { Table } from './table'
import type { TimeStyle } from './timeCell'
import { isNewestFirst, momentsOf, readTimes } from './timeColumn'

const rowsOf = (...cells: string[]) =>
  cells.map((cell, i) => ({ line: i + 2, cells: cell === '∅' ? [] : [cell] }))
/** A column of times as it is read in a style. */
function read(style: TimeStyle, cells: string[], heading = 'time_s') {
  const problems = new ProblemList()
  const table = { headers: [heading], rows: rowsOf(...cells) } as Table
  const { time, rows, assumed } = readTimes(table, 0, { kind: 'time', style }, problems)
  return { time: [...time], lines: rows.map((r) => r.line), assumed, problems: problems.kept.map((p) => `${p.line} ${p.message}`) } // prettier-ignore
}

describe('a row is left out, and says why', () => {
  it('where it has no time, an earlier one, or one that cannot be', () => {
    const { time, lines, problems } = read('seconds', ['-5', '0', 'x', '∅', '60', '60', '30', String(LONGEST_S), String(LONGEST_S + 1)]) // prettier-ignore
    expect([time, lines]).toEqual([[0, 60, 60, LONGEST_S], [3, 6, 7, 9]]) // prettier-ignore
    expect(problems).toEqual([
      '2 Time is before power-on (-5 s); the row is left out.',
      '4 "x" is not a time; the row is left out.',
      '5 "" is not a time; the row is left out.',
      '8 Time goes backwards, from 60 s to 30 s; the row is left out.',
      `10 "${LONGEST_S + 1}" is longer than any run; the row is left out.`,
    ])
  })
  it('where it alone is ahead, by any amount, of rows that go on from the one before', () => {
    expect(read('seconds', ['0', '61', '60', '60', '120']).time).toEqual([0, 60, 60, 120])
    expect(read('seconds', ['0', '61', '0', '0', '120']).time).toEqual([0, 0, 0, 120])
    expect(read('seconds', ['0', '61', '60', '61', '120']).time).toEqual([0, 61, 61, 120])
    expect(read('seconds', ['0', '61', '60', '59', '120']).time).toEqual([0, 61, 120])
    expect(read('seconds', ['0', '60', '60', '60']).time).toEqual([0, 60, 60, 60])
    // Counted from the first row too.
    expect(read('running-seconds', ['1000', '9000', '1060', '1120']).time).toEqual([0, 60, 120])
  })
})

describe('what was assumed', () => {
  it('is said of dates either way, of clocks of two parts, and of seconds nobody named', () => {
    const said = (style: TimeStyle, cells: string[], heading?: string) => read(style, cells, heading).assumed
    const day = 'Dates are read with the day first.'
    expect(said('moments', ['13.04.2026 18:40', '3/4/2026 18:45'])).toContain(day)
    expect(said('moments', ['2026-04-03 18:40'])).not.toContain(day)
    expect(said('moments-month-first', ['3/4/2026 18:40'])).not.toContain(day)
    const parts = 'Times are minutes and seconds since power-on.'
    expect(said('clock', ['0:05', '0:10'])).toContain(parts)
    expect(said('clock', ['0:05', '0:00:10'])).not.toContain(parts)
    expect(said('seconds', ['0'], 'Time')).toEqual(['Times are seconds since power-on.'])
    expect(said('minutes', ['0'], 'Time')).toEqual(['Times are minutes since power-on.'])
    expect(said('clock', ['0:00:05', '00:00:10:12'])).toContain('Frames of a second are left out.')
    expect(said('clock', ['0:00:05'])).not.toContain('Frames of a second are left out.')
  })
})

describe('a clock on the wall', () => {
  const moments = (...cells: string[]) => [...momentsOf(rowsOf(...cells), 0, 'time-of-day').moments].map((s) => s / 3600) // prettier-ignore
  it('goes round in twelve hours where all lie from 1:00 to 12:59 and nothing says which half', () => {
    expect(moments('12:59', '1:00', '', '6:00', '12:30', '1:30').map(Math.floor)).toEqual([12, 13, NaN, 18, 24, 25]) // prettier-ignore
    for (const other of ['0:59', '13:00']) expect(moments(other, '12:59', '7:59')[2], other).toBeCloseTo(7.983, 3)
    expect(moments('12:59 pm', '1:00 am')[1]).toBe(1)
    expect(moments('12:00', '6:00')).toEqual([12, 6])
    expect(moments('12:01', '6:00')[1]).toBe(18)
  }) // prettier-ignore
  it('goes round in a day otherwise', () => {
    expect(moments('23:30', '0:30', '23:30', '0:30')).toEqual([23.5, 24.5, 47.5, 48.5])
    expect(moments('18:00', '6:00')).toEqual([18, 6])
    // Of one column and way only; asked again, of another.
    const rows = rowsOf('18:00', '19:00')
    expect(momentsOf(rows, 0, 'time-of-day').moments[0]).toBe(64_800)
    expect(momentsOf(rows, 0, 'clock').moments[0]).toBe(1080)
    expect(momentsOf(rows, 1, 'clock').moments[0]).toBeNaN()
    expect(momentsOf(rows, 0, 'clock')).toMatchObject({ isHalfDay: false })
  })
})

it('has its newest row first where more than nine in ten steps go back, midnights aside', () => {
  const newest = (style: TimeStyle, ...cells: string[]) => isNewestFirst(rowsOf(...cells), 0, style)
  expect([newest('seconds', '60', '30', '30', 'x', '0'), newest('seconds', '0', '30'), newest('seconds', '5')]).toEqual([true, false, false]) // prettier-ignore
  const falling = Array.from({ length: 11 }, (_, i) => String(100 - i))
  expect([newest('seconds', ...falling), newest('seconds', ...falling, '95'), newest('seconds', '80', ...falling)]).toEqual([true, true, true]) // prettier-ignore
  expect(newest('seconds', ...falling.slice(0, 10), '95')).toBe(false)
  expect([newest('time-of-day', '0:10', '0:05', '23:55', '23:50'), newest('time-of-day', '23:50', '23:55', '0:05')]).toEqual([true, false]) // prettier-ignore
  expect(newest('seconds', '90000', '30')).toBe(true)
})
