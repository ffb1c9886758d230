import { expect, it } from 'vitest'
import { spacedToTabs } from './spaced'

/** Cells by line; none where it is no table parted by spaces. */
const cells = (...lines: string[]) =>
  spacedToTabs(lines.join('\n'))
    ?.split('\n')
    .map((line) => line.split('\t'))

it('parts at two spaces or more where most lines are aligned so, else at any', () => {
  expect(cells('  Clock    Level (%)', '0:05     11', '0:10     17')).toEqual([['Clock', 'Level (%)'], ['0:05', '11'], ['0:10', '17']])
  expect(cells('1 h 5 min   11 %', '1 h 10 min   17 %')).toEqual([['1 h 5 min', '11 %'], ['1 h 10 min', '17 %']])
  expect(cells('0:05  11 % 18 W', '0:10  17 % 18 W')?.[1]).toEqual(['0:10', '17 %', '18 W'])
  expect(cells('0:05 11 18', ' 0:10  17 18 ')).toEqual([['0:05', '11', '18'], ['0:10', '17', '18']])
  expect(cells('10% 4 min 30 s', '20% 1h 9m 10s')).toEqual([['10%', '4 min 30 s'], ['20%', '1h 9m 10s']])
}) // prettier-ignore

it('keeps a number with its unit, a name with what stands in brackets, and a sign between two readings out of the cells', () => {
  const units = ['%', 'W', 'mW', 'V', 'mA', 'Wh', 'mAh', '°C', 'min', 's', 'sec', 'h']
  for (const unit of units)
    expect(cells(`1  ${unit} 5 x`, `2  ${unit} 6 x`)?.[0], unit).toEqual([`1 ${unit}`, '5', 'x'])
  expect(cells('1 x 5', '2 x 6')?.[0]).toEqual(['1', 'x', '5'])
  expect(cells('Time (min) Level [%] W', '0 5 18', '5 11 18', '10 17 18')?.[0]).toEqual(['Time (min)', 'Level [%]', 'W'])
  for (const between of [' - ', ' – ', ' — ', ': ', ':  '])
    expect(cells(`5 min${between}11 %`, `10 min${between}17 %`), between).toEqual([['5 min', '11 %'], ['10 min', '17 %']])
  expect(cells('0:05 -11', '0:10 -17')?.[0]).toEqual(['0:05', '-11'])
}) // prettier-ignore

it('takes a comma for a decimal one before a unit only, and leaves what other signs part', () => {
  expect(cells('0:05 18,0W 9,02 V', '0:10 17,5W 9,02 V')?.[1]).toEqual(['0:10', '17,5W', '9,02 V'])
  const others = [
    ['2026-11-20 19:30,5%', '2026-11-20 19:35,11%'],
    ['0:05 1,5', '0:10 2,5'],
    ['0:05 2026,5%', '0:10 2026,6%'],
    ['a 5;6 7', 'b 6;7 8'],
    ['5 6|7', '6 7|8'],
    ['5 6\t7', '6 7\t8'],
  ]
  for (const lines of others) expect(cells(...lines), lines[0]).toBeUndefined()
})

it('is no table of one line or one column, nor prose, nor lines that differ', () => {
  expect(cells('0:05 11')).toBeUndefined()
  expect(cells('5', '11')).toBeUndefined()
  expect(cells('It charged well', 'It was warm')).toBeUndefined()
  // Four lines of five alike are enough, three of five are not; three cells of five hold a digit, two of five do not.
  const lines = ['0:05 11', '0:10 17', '0:15 23', '0:20 29', 'then it stopped']
  expect(cells(...lines)).toHaveLength(5)
  expect(cells(...lines.with(3, 'it was warm'))).toBeUndefined()
  expect(cells('a 1 2 3 b', 'a 4 5 6 b')).toHaveLength(2)
  expect(cells('a 1 2 b c', 'a 4 5 b c')).toBeUndefined()
})

it('reads lines of either kind of break, empty ones as well, and looks at the first of a long text', () => {
  expect(cells('0:05 11\r', '', '0:10 17\r')).toEqual([['0:05', '11'], [''], ['0:10', '17']])
  const long = Array.from({ length: 4000 }, (_, i) => `${i} 11`)
  expect(cells(...long, 'the end, at last')).toHaveLength(4001)
  expect(cells(...long.slice(0, 3000), 'the end, at last')).toHaveLength(3001)
  expect(cells(...long.slice(0, 100), 'the end, at last')).toBeUndefined()
}) // prettier-ignore
