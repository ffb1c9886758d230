import { addMinutes, format } from 'date-fns'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { guessColumns } from './guessColumns'
import { readTraceTable } from './traceCsv'
import { wideColumns, wideTraces } from './wide'

const two = (n: number) => String(Math.trunc(n)).padStart(2, '0')
const BEGUN = new Date(2026, 10, 14, 22, 41)
const TIMES: { names: string[]; write: (m: number) => string }[] = [
  { names: ['Minutes', 'Time (min)', 'min', 'Elapsed (min)', 'Time', 't/min', 'Zeit (min)', 'Time in minutes'], write: String },
  { names: ['Time', 'Elapsed', 'h:mm', 'Time (h:mm)', 't'], write: (m) => `${Math.floor(m / 60)}:${two(m % 60)}` },
  { names: ['Time', 'Clock', 'Uhrzeit'], write: (m) => format(addMinutes(BEGUN, m), 'HH:mm') },
  { names: ['Time', 'Elapsed'], write: (m) => `${m} min` },
  { names: ['Time (h)', 'Hours'], write: (m) => (m / 60).toFixed(3) },
  { names: ['Time', 'Elapsed'], write: (m) => `${two(m / 60)}:${two(m % 60)}:00` },
  { names: ['Time (s)', 'Seconds', 'sec'], write: (m) => String(60 * m) },
] // prettier-ignore
/** What chargers, cables and evenings are called. */
const PLAIN = ['Hawser 20', 'Bollard 5', 'Laptop port', 'B', 'Charger 1', 'Old brick', 'Port B', 'Gangway 100 (C1)', 'Hub', 'Hawser 30 + short cable', 'Solar', 'Ladegerät 1', 'Fast charger', 'In-car', 'Run 2', '#1', '2 Nov', 'with case', 'cold start'] // prettier-ignore
/** What could be a quantity too, where nothing else stood beside it. */
const LIKE = ['12 W', '20W PD', 'USB-C 30W', 'Car 12V', '5V 1A', '65 W', '9V 2A', 'Power bank', 'Current brick', 'Pad 15 W'] // prettier-ignore
const HEADINGS = ['N', 'N', 'N %', 'N (%)', 'N [%]', 'N level', '% N', 'Battery % N']

const wide = fc.record({
  time: fc.constantFrom(...TIMES.flatMap(({ names, write }) => names.map((name) => ({ name, write })))),
  plain: fc.uniqueArray(fc.constantFrom(...PLAIN), { minLength: 2, maxLength: 4 }),
  like: fc.uniqueArray(fc.constantFrom(...LIKE), { maxLength: 2 }),
  heading: fc.constantFrom(...HEADINGS),
  step: fc.constantFrom(5, 10, 15, 20, 30),
  rows: fc.integer({ min: 4, max: 18 }),
  from: fc.constantFrom(0, 1, 5, 10, 20),
  /** Points a minute of each. */
  rates: fc.array(fc.double({ min: 0.25, max: 1.8, noNaN: true }), { minLength: 6, maxLength: 6 }),
  unit: fc.constantFrom('', '%', ' %'),
  none: fc.constantFrom('', '-', '–', 'n/a'),
  delimiter: fc.constantFrom(',', ';', '\t', '|'),
  title: fc.constantFrom('', 'Charge test', 'Skerry P5 from 5 %'),
  turned: fc.boolean(),
})
type Wide = typeof wide extends fc.Arbitrary<infer W> ? W : never

function written(w: Wide) {
  const names = [...w.like, ...w.plain]
  const minutes = Array.from({ length: w.rows }, (_, i) => i * w.step)
  const levels = names.map((_, i) => {
    const all = minutes.map((m) => Math.min(100, Math.floor(w.from + w.rates[i] * m)))
    // Unplugged once it is full.
    return all.map((level, row) => (all[row - 1] === 100 ? NaN : level))
  })
  const cell = (level: number) => (Number.isNaN(level) ? w.none : `${level}${w.unit}`)
  const header = [w.time.name, ...names.map((name) => w.heading.replace('N', name))]
  const rows = minutes.map((m, row) => [w.time.write(m), ...levels.map((of) => cell(of[row]))])
  const grid = [header, ...rows]
  const shown = w.turned && !w.title ? header.map((_, i) => grid.map((row) => row[i])) : grid
  const text = [...(w.title ? [w.title] : []), ...shown.map((row) => row.join(w.delimiter))].join('\n')
  return { text, minutes, levels }
}

it('reads a table with one column a charger as it was meant, whatever the chargers are called', () => {
  const holds = (w: Wide) => {
    const { text, minutes, levels } = written(w)
    const table = readTraceTable(text)
    const meanings = guessColumns(table)
    const columns = wideColumns(table, meanings)
    expect(columns, text).toEqual(levels.map((_, i) => i + 1))
    const parts = columns.map((column) => [{ column, channel: 'percent' as const, divisor: 1 }])
    for (const [i, { trace }] of wideTraces(table, meanings, parts).entries()) {
      const meant = levels[i].flatMap((level, row) => (Number.isNaN(level) ? [] : [[minutes[row], level]]))
      const read = [...trace.percent!].map((level, row) => [Math.round((trace.time[row] - trace.time[0]) / 60), level]) // prettier-ignore
      expect(read, text).toEqual(meant)
    }
  }
  fc.assert(fc.property(wide, holds), { numRuns: Number(process.env.FUZZ_RUNS ?? 400) })
})
