import fc from 'fast-check'
import Papa from 'papaparse'
import { expect, it } from 'vitest'
import { tableText } from './tableText'

const table = [
  ['Source', 'to full'],
  ['Hawser 30', '1 h 13 min'],
  ['a|b "c"', '−4 min'],
]

it('is copied as text, CSV, Markdown and cells', () => {
  expect(tableText(table, 'text')).toBe('Source     to full\nHawser 30  1 h 13 min\na|b "c"    −4 min\n')
  expect(tableText(table, 'csv')).toBe('Source,to full\r\nHawser 30,1 h 13 min\r\n"a|b ""c""",−4 min\r\n')
  expect(tableText(table, 'markdown')).toBe(
    '| Source | to full |\n| --- | --- |\n| Hawser 30 | 1 h 13 min |\n| a\\|b "c" | −4 min |\n',
  )
  expect(tableText(table, 'cells')).toContain('Hawser 30\t1 h 13 min\n')
})

it('comes back out of CSV and cells as it was, and never as a formula', () => {
  const cell = fc.string().map((s) => s.replace(/\s+/g, ' ').replace(/^'+/, '').trim())
  const rows = fc.array(fc.array(cell, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 5 })
  fc.assert(
    fc.property(rows, (of) => {
      for (const form of ['csv', 'cells'] as const) {
        const back = Papa.parse<string[]>(tableText(of, form), {
          delimiter: form === 'csv' ? ',' : '\t',
          skipEmptyLines: false,
        }).data.slice(0, -1)
        expect(back.map((r) => r.map((c) => c.replace(/^'(?=[=+@\t\r-])/, '')))).toEqual(of)
        expect(back.flat().some((c) => /^[=+@]/.test(c))).toBe(false)
      }
    }),
    { numRuns: 200 },
  )
})
