import { expect, it } from 'vitest'
import { workbookTables } from './workbook'

const log = (...levels: number[]) => [['Time (min)', 'Level'], ...levels.map((level, i) => [i * 5, level])]
const titles = (...of: Parameters<typeof workbookTables>) => workbookTables(...of).map((t) => [t.title, t.rows.length]) // prettier-ignore

it('reads every sheet that holds readings, and names those that do not', () => {
  const sheets = [
    { sheet: 'Prices', data: [['Charger', 'Price'], ['Hawser 20', 18]] },
    { sheet: 'Phone', data: [['Hawser 20', null], ...log(5, 11), ['Bollard 12', null], ...log(5, 8, 11)] },
    { sheet: 'empty', data: [[null, '']] },
    { sheet: 'Wide', data: [['Time', 'Hawser 20', 'Bollard 12'], [0, 5, 5], [300, 11, 8]] },
    { sheet: 'Tablet', data: log(7, 9) },
  ] // prettier-ignore
  expect(titles(sheets)).toEqual([['Phone, Hawser 20', 2], ['Phone, Bollard 12', 3], ['Wide', 2], ['Tablet', 2]]) // prettier-ignore
  for (const { assumed } of workbookTables(sheets))
    expect(assumed.at(-1)).toBe('No readings were found in “Prices”: save such a sheet as a file of its own to name its columns by hand.') // prettier-ignore
  const shares: number[] = []
  workbookTables(sheets, (share) => shares.push(share))
  expect(shares).toEqual([0.25, 0.5, 0.75, 1])
})

it('says nothing of sheets where there is one, or nothing is left out', () => {
  const one = { sheet: 'Sheet1', data: log(5, 11) }
  expect(titles([one, { sheet: 'Sheet2', data: [] }])).toEqual([[undefined, 2]])
  expect(workbookTables([one])[0].assumed).toEqual(['Times are minutes since power-on.'].slice(1))
  expect(workbookTables([one, { ...one, sheet: 'b' }]).flatMap((t) => t.assumed)).toEqual([])
})

it('gives the first sheet as it is where none holds readings', () => {
  const unknown = [{ sheet: 'a', data: [['Ort', 'Wert'], ['Bug', 5]] }, { sheet: 'b', data: [['x'], [5]] }] // prettier-ignore
  expect(titles(unknown)).toEqual([['a', 1]])
  expect(() => workbookTables([])).toThrow('The file is empty.')
})

it('takes a sheet’s name for its day, where it is one', () => {
  const clocks = [
    ['Clock', 'Level'],
    ['19:30', 5],
    ['19:35', 11],
  ]
  const days = workbookTables([
    { sheet: '2026-11-20', data: clocks },
    { sheet: 'Sheet 2', data: clocks },
  ])
  expect(days.map((table) => table.day)).toEqual(['2026-11-20', undefined])
})
