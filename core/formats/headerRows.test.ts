import { describe, expect, it } from 'vitest'
import { headingRows, headsBelow, onlyCell } from './headerRows'

const rows = (...lines: string[]) => lines.map((line, i) => ({ line: i + 1, cells: line.split(';') }))
const NAMES = ['Time;Level', '0;5']
/** Where headers stand below the first line, of which these names are known. */
const heads = (known: string[], ...lines: string[]) =>
  headsBelow(rows(...lines), 0, (cells) => known.includes(cells.join(';')))

describe('a header further down', () => {
  it('says the same again, or what is known, above values', () => {
    expect(heads([], ...NAMES, ' time ;LEVEL', '0;5')).toEqual([2])
    expect(heads([], ...NAMES, 'Ti;meLevel', '0;5')).toEqual([])
    expect(heads(['Clock;Watts'], ...NAMES, 'Clock;Watts', '0;18', '5;17', 'Clock;Watts', ';18')).toEqual([2, 5]) // prettier-ignore
    expect(heads([], ...NAMES, 'Clock;Watts', '0;18')).toEqual([])
    expect(heads(['Clock;Watts'], ...NAMES, 'Clock;Watts', 'none;-', 'Clock;Watts')).toEqual([])
    // Units stand right below the names.
    expect(heads(['s;%'], 'Time;Level', 's;%', '0;5')).toEqual([])
    expect(heads(['s;%'], ...NAMES, 'Time;Level', 's;%', '0;5')).toEqual([2])
    expect(heads(['s;%'], ...NAMES, 'x;y', 's;%', '0;5')).toEqual([3])
  })

  it('holds no value, and more than one name', () => {
    for (const row of ['0;Level', ' 5;Level', '+5;Level', '-5;Level', '−5;Level', '.5;Level', ',5;Level', '"5;Level', "'5;Level", 'Time;5 V', 'Time; 5', ';Time', 'Time; '])
      expect(heads([row], ...NAMES, row, '0;5'), row).toEqual([])
    for (const row of ['Time 1;Level 2', 'x5;y', ';Time;Level']) expect(heads([row], ...NAMES, row, '0;5'), row).toEqual([2])
  }) // prettier-ignore

  it('is none where it returns all the time', () => {
    const often = (n: number) => heads([], 'Time;Level', ...Array.from({ length: n }, () => ['0;5', 'Time;Level']).flat(), '0;5') // prettier-ignore
    expect([often(100).length, often(101).length]).toEqual([100, 0])
  })
})

it('a title is the first cell alone, and no value but a date', () => {
  const said = ['Hawser 20; ;', ' 20 W charger ', '12.11.2026;', 'a;b', ';a', '5 min', '18:40;', ''].map((line) => onlyCell(line.split(';'))) // prettier-ignore
  expect(said).toEqual(['Hawser 20', '20 W charger', '12.11.2026', '', '', '', '', ''])
  expect(onlyCell([])).toBe('')
})

it('a title or the names of groups belong to the header below them', () => {
  const of = (above: string, after = 0) => headingRows(rows('Time;Level', '0;5', above, 'Time;Level', '0;5'), 3, after)
  expect(['Hawser 20;', 'Hawser;Bollard', '12.11.2026'].map((above) => of(above))).toEqual([1, 1, 1])
  expect(['60;6', '60;', ';late', ';'].map((above) => of(above))).toEqual([0, 0, 0, 0])
  // The header of the table before is none of this one's.
  expect(headingRows(rows('Time;Level', 'Time;Level'), 1, 0)).toBe(0)
}) // prettier-ignore
