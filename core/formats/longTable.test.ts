import { expect, it } from 'vitest'
import { readTraceCsv, readTraceTable } from './traceCsv'
import { readTable } from './table'

/** Longer than one piece: 200,000 rows of about 45 characters, some quoted, one of them over two lines. */
const row = (i: number) =>
  `${i},${i % 101},${(9 + (i % 7) / 100).toFixed(2)},"note ${i}, ""quoted""${i === 123_456 ? '\nover two lines' : ''}"`
const text = (rows: string[]) => ['time_s,battery_percent,voltage_v,note', ...rows].join('\n')
const ROWS = Array.from({ length: 200_000 }, (_, i) => row(i))

it('reads a long file piece by piece as it would whole, and tells how far it is', () => {
  const told: number[] = []
  const table = readTraceTable(text(ROWS), (share) => told.push(share))
  expect(text(ROWS).length).toBeGreaterThan(4 * 1024 * 1024)
  expect(told.length).toBeGreaterThan(1)
  expect(told.every((share, i) => share > (told[i - 1] ?? 0) && share <= 1)).toBe(true)
  expect(table.rows).toHaveLength(ROWS.length)
  for (const i of [0, 77_777, 123_456, 199_999]) {
    expect(table.rows[i].cells).toEqual([
      String(i),
      String(i % 101),
      (9 + (i % 7) / 100).toFixed(2),
      `note ${i}, "quoted"${i === 123_456 ? '\nover two lines' : ''}`,
    ])
    expect(table.rows[i].line).toBe(i + 2 + (i > 123_456 ? 1 : 0))
  }
})

it('names a bad cell far into a long file by its line, and refuses a quote that never closes', () => {
  const bad = ROWS.with(150_000, '150000,1000,9,""')
  const { trace, problems } = readTraceCsv(text(bad))
  expect(problems).toMatchObject([{ line: 150_003, where: 'battery_percent' }])
  expect(trace.percent?.[150_000]).toBeNaN()
  expect(trace.time).toHaveLength(ROWS.length)
  const plain = ROWS.map((_, i) => `${i},${i % 101},9,a note of no importance`)
  expect(() => readTable(text(plain.with(160_000, '160000,5,9,"no end')))).toThrow(/never closed/)
})
