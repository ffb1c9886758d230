import { expect, it } from 'vitest'
import { openDocumentSheets } from './openDocument'
import { workbookTables } from './workbook'
import { traceFromTable } from './traceCsv'
import { guessColumns } from './guessColumns'

/** A document as OpenDocument 1.3 has it (from memory): kinds of cells, repeats, and what is no text of a cell. */
const document = (tables: string) =>
  `<?xml version="1.0"?><office:document-content xmlns:office="o"><office:body><office:spreadsheet>${tables}</office:spreadsheet></office:body></office:document-content>`
const table = (name: string, rows: string) => `<table:table table:name="${name}">${rows}</table:table>`
const row = (cells: string, repeats = '') => `<table:table-row${repeats}>${cells}</table:table-row>`
const text = (words: string) =>
  `<table:table-cell office:value-type="string"><text:p>${words}</text:p></table:table-cell>`
const value = (kind: string, attribute: string, shown = '?') =>
  `<table:table-cell office:value-type="${kind}" ${attribute}><text:p>${shown}</text:p></table:table-cell>`
const EMPTY = '<table:table-cell table:number-columns-repeated="16380"/>'

it('reads every kind of cell, and repeats what stands there several times', () => {
  const rows = [
    row(text('a &amp; b') + text('two<text:s text:c="2"/>words') + EMPTY),
    row(EMPTY, ' table:number-rows-repeated="2"'),
    row(
      value('float', 'office:value="18.25"') +
        value('percentage', 'office:value="0.05"', '5 %') +
        value('time', 'office:time-value="PT25H05M30S"') +
        value('date', 'office:date-value="2026-03-02"') +
        value('date', 'office:date-value="2026-03-02T19:30:00.5"') +
        value('boolean', 'office:boolean-value="true"', 'TRUE'),
    ),
    row(
      '<table:table-cell table:number-columns-repeated="2" office:value-type="float" office:value="7"/>' +
        '<table:table-cell><office:annotation><text:p>said of it</text:p></office:annotation></table:table-cell>' +
        text('end'),
      ' table:number-rows-repeated="2"',
    ),
    row(EMPTY, ' table:number-rows-repeated="1048000"'),
  ]
  const [sheet] = openDocumentSheets(document(table('Evening', rows.join('\n'))))
  expect(sheet.sheet).toBe('Evening')
  expect(sheet.data).toEqual([
    ['a & b', 'two  words', null, null, null, null],
    [],
    [],
    [
      18.25,
      0.05,
      new Date(Date.UTC(1899, 11, 31, 1, 5, 30)),
      new Date('2026-03-02T00:00:00Z'),
      new Date('2026-03-02T19:30:00.500Z'),
      'TRUE',
    ],
    [7, 7, null, 'end', null, null],
    [7, 7, null, 'end', null, null],
  ])
})

it('is a trace like any other once it is read', () => {
  const rows = Array.from({ length: 4 }, (_, i) =>
    row(
      value('time', `office:time-value="PT00H${5 * i}M00S"`) + value('float', `office:value="${5 + 7 * i}"`),
    ),
  )
  const sheets = openDocumentSheets(document(table('Hawser 20', row(text('Time') + text('Level %')) + rows.join('')) + table('Prices', row(text('Charger'))))) // prettier-ignore
  const [found] = workbookTables(sheets)
  const { trace } = traceFromTable(found, guessColumns(found))
  expect([...trace.time]).toEqual([0, 300, 600, 900])
  expect([...trace.percent!]).toEqual([5, 12, 19, 26])
  expect(found.title).toBe('Hawser 20')
})

it('refuses what is no spreadsheet, or a damaged one', () => {
  for (const xml of [
    '',
    'nothing',
    document('<text:p>a letter</text:p>'),
    '<office:document-content><table:table',
  ])
    expect(() => openDocumentSheets(xml)).toThrow(/no spreadsheet, or it is damaged/)
  // A cell without its value is one that was not read.
  const bare = ['float', 'date', 'time'].map((kind) => value(kind, '', '')).join('')
  expect(openDocumentSheets(document(table('Bare', row(bare))))[0].data).toEqual([
    [NaN, expect.any(Date), ''],
  ])
  const many = row(value('float', 'office:value="1"'), ' table:number-rows-repeated="9999999"')
  expect(() => openDocumentSheets(document(table('Many', many)))).toThrow(/more than \d+ rows/)
})
