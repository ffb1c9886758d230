import { addSeconds, format } from 'date-fns'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { Channel } from '../trace/channels'
import { readTraceCsv } from './traceCsv'

/** Names, units and divisors under which tables hold a channel. */
const NAMES: Record<string, { names: string[]; units: [unit: string, factor: number][]; digits: number }> = {
  percent: { names: ['Battery', 'SoC', 'Charge level', 'Shown level', 'Percent', 'Akku'], units: [['%', 1]], digits: 0 },
  power: { names: ['Power', 'P', 'Watts', 'Input power', 'Current power', 'Leistung', 'P_in'], units: [['W', 1], ['watt', 1], ['mW', 1000]], digits: 2 },
  voltage: { names: ['Voltage', 'U', 'Volts', 'Vbus', 'Bus voltage', 'Current voltage', 'Spannung'], units: [['V', 1], ['volt', 1], ['mV', 1000]], digits: 2 },
  current: { names: ['Current', 'I', 'Amps', 'Ibus', 'Charging current', 'Strom'], units: [['A', 1], ['amp', 1], ['mA', 1000]], digits: 3 },
  counterWh: { names: ['Energy', 'E', 'Total energy'], units: [['Wh', 1], ['mWh', 1000]], digits: 4 },
  counterAh: { names: ['Capacity', 'Charge', 'Q'], units: [['Ah', 1], ['mAh', 1000]], digits: 4 },
} // prettier-ignore

/** Times under names of their own: how each is written, `t` s since the first row. */
const BEGUN = new Date(2026, 10, 14, 22, 41, 17)
const moment = (pattern: string) => (t: number) => format(addSeconds(BEGUN, t), pattern)
const two = (n: number) => String(Math.trunc(n)).padStart(2, '0')
const TIMES: { names: string[]; write: (t: number) => string; points?: true }[] = [
  { names: ['Time (s)', 'Elapsed [s]', 'elapsed_time_s', 'Duration, seconds', 'time_s'], write: String },
  { names: ['Time (min)', 'Elapsed time, minutes', 'Test time (min)'], write: (t) => (t / 60).toFixed(4), points: true },
  { names: ['Time (h)', 'Run time, hours'], write: (t) => (t / 3600).toFixed(6), points: true },
  { names: ['Time (ms)', 'Elapsed'], write: (t) => String(1000 * t) },
  { names: ['Time', 'Elapsed'], write: (t) => [t / 3600, (t / 60) % 60, t % 60].map(two).join(':') },
  { names: ['Time', 'Clock', 'Time of day'], write: moment('HH:mm:ss') },
  { names: ['Time', 'Clock'], write: moment('h:mm:ss a') },
  { names: ['Timestamp', 'Recorded at', 'Date/Time'], write: moment("yyyy-MM-dd'T'HH:mm:ss") },
  { names: ['Timestamp', 'Date and time', 'Logged'], write: moment('yyyy-MM-dd HH:mm:ss') },
  { names: ['Timestamp', 'Date'], write: moment('dd.MM.yyyy HH:mm:ss') },
  { names: ['Timestamp', 'DateTime'], write: moment('M/d/yyyy h:mm:ss a') },
  { names: ['Timestamp', 'When'], write: (t) => String(Math.round(BEGUN.getTime() / 1000) + t) },
  { names: ['Timestamp', 'Moment'], write: (t) => String(BEGUN.getTime() + 1000 * t) },
] // prettier-ignore

/** What stands beside and is none of ours. */
const OTHERS = ['Sample', '#', 'Index', 'Mode', 'Humidity (%)', 'CPU (%)', 'D+ (V)', 'Ripple (mV)', 'Resistance (Ohm)', 'Signal (dBm)', 'Set voltage (V)', 'Battery health (%)', 'Time remaining (min)', 'Fan speed (rpm)'] // prettier-ignore
const valueOfOther = (name: string, i: number) =>
  /Sample|#|Index/.test(name) ? String(i + 1) : name === 'Mode' ? 'CC' : '7'

const HEADINGS = [
  (name: string, unit: string) => `${name} (${unit})`,
  (name: string, unit: string) => `${name} [${unit}]`,
  (name: string, unit: string) => `${name} / ${unit}`,
  (name: string, unit: string) => `${name}, ${unit}`,
  (name: string, unit: string) => `${name}_${unit}`.replaceAll(' ', '_'),
]

const dialect = fc.record({
  steps: fc.oneof(
    fc.tuple(fc.constantFrom(1, 10, 60, 300), fc.integer({ min: 5, max: 40 })).map(([s, n]) => Array<number>(n).fill(s)), // prettier-ignore
    fc.array(fc.integer({ min: 61, max: 900 }), { minLength: 4, maxLength: 40 }),
  ),
  watts: fc.integer({ min: 5, max: 60 }),
  channels: fc.subarray(Object.keys(NAMES), { minLength: 1 }),
  pick: fc.array(fc.nat(1000), { minLength: 20, maxLength: 20 }),
  time: fc.constantFrom(...TIMES),
  other: fc.option(fc.constantFrom(...OTHERS)),
  first: fc.boolean(),
  delimiter: fc.constantFrom(',', ';', '\t', '|'),
  comma: fc.boolean(),
  unitsIn: fc.constantFrom('headings', 'headings', 'cells', 'row'),
  before: fc.constantFrom('', 'Charge log', 'Logger 7, serial 0012\nRate: 1/min\n'),
  newestFirst: fc.boolean(),
  quoted: fc.boolean(),
  bom: fc.constantFrom('', '\uFEFF'),
  end: fc.constantFrom('\n', '\r\n'),
})
type Dialect = typeof dialect extends fc.Arbitrary<infer D> ? D : never

function written(d: Dialect) {
  const picks = d.pick.values()
  const one = <T>(of: readonly T[]): T => of[picks.next().value! % of.length]
  const time = [0]
  for (const step of d.steps) time.push(time[time.length - 1] + step)
  // A point every twenty seconds at most: no battery is faster.
  const rate = Math.min(0.05, 60 / time[time.length - 1])
  const truth: Record<string, number[]> = {
    percent: time.map((t) => Math.floor(20 + rate * t)),
    power: time.map((_, i) => d.watts + (i % 5) / 20),
    voltage: time.map((_, i) => 9 + (i % 3) / 50),
    current: time.map((_, i) => d.watts / 9 + (i % 4) / 250),
    counterWh: time.map((t) => (d.watts * t) / 3600),
    counterAh: time.map((t) => (d.watts * t) / 9 / 3600),
  }
  const comma = d.comma && d.delimiter !== ','
  const point = (text: string) => (comma ? text.replace('.', ',') : text)
  const heading = one(HEADINGS)
  const columns = d.channels.map((channel) => {
    const { names, units, digits } = NAMES[channel]
    const name = one(names)
    const [unit, factor] = one(units)
    const cells = truth[channel].map((v) => point((v * factor).toFixed(digits)))
    const head = d.unitsIn === 'headings' ? heading(name, unit) : name
    return { head, unit, cells: d.unitsIn === 'cells' ? cells.map((cell) => `${cell} ${unit}`) : cells }
  })
  const timed = { head: one(d.time.names), unit: '', cells: time.map((t) => d.time.points ? point(d.time.write(t)) : d.time.write(t)) } // prettier-ignore
  const other = d.other
    ? [{ head: d.other, unit: '', cells: time.map((_, i) => valueOfOther(d.other!, i)) }]
    : []
  const all = d.first ? [...other, timed, ...columns] : [timed, ...columns, ...other]
  const cut = (cells: string[]) =>
    cells.map((cell) => (d.quoted || cell.includes(d.delimiter) ? `"${cell}"` : cell)).join(d.delimiter)
  const rows = time.map((_, i) => cut(all.map(({ cells }) => cells[i])))
  if (d.newestFirst) rows.reverse()
  const units = d.unitsIn === 'row' ? [cut(all.map(({ unit }) => unit))] : []
  const lines = [
    ...(d.before ? d.before.split('\n') : []),
    cut(all.map(({ head }) => head)),
    ...units,
    ...rows,
  ]
  return { text: d.bom + lines.join(d.end) + d.end, time, truth }
}

it('reads a table as it was meant, whatever signs, units, clocks and names it is written with', () => {
  const holds = (d: Dialect) => {
    const { text, time, truth } = written(d)
    const { trace } = readTraceCsv(text)
    expect(trace.time.length, text).toBe(time.length)
    time.forEach((t, i) => expect(trace.time[i] - trace.time[0], text).toBeCloseTo(t, 0))
    const read = Object.keys(NAMES).filter((name) => trace[name as Channel])
    expect(read.sort(), text).toEqual([...d.channels].sort())
    for (const name of read)
      truth[name].forEach((v, i) => {
        const unit = 0.51 * 10 ** -NAMES[name].digits
        expect(Math.abs(trace[name as Channel]![i] - v), `${name}, row ${i}\n${text}`).toBeLessThanOrEqual(name === 'percent' ? 0 : unit) // prettier-ignore
      })
  }
  fc.assert(fc.property(dialect, holds), { numRuns: Number(process.env.FUZZ_RUNS ?? 400) })
}, 600_000)
