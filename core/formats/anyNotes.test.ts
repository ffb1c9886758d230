import { addMinutes, format } from 'date-fns'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readTraceCsv } from './traceCsv'

const two = (n: number) => String(Math.trunc(n)).padStart(2, '0')
const BEGUN = new Date(2026, 10, 14, 22, 41)
const wall = (pattern: string) => (m: number) => format(addMinutes(BEGUN, m), pattern)
const parted = (m: number, hours: string, minutes: string) =>
  m < 60 ? `${m} ${minutes}` : `${Math.floor(m / 60)} ${hours}${m % 60 ? `, ${m % 60} ${minutes}` : ''}`
/** Ways of writing down when it was, `m` minutes after the first line. */
const TIMES: ((m: number) => string)[] = [
  ...['HH:mm', 'h:mm a', 'h:mmaaa', 'h:mm aaaa', 'HH:mm:ss', "HH.mm 'Uhr'", "HH:mm 'Uhr'", "HH'h'mm", "'at' H:mm", '[HH:mm]', "HH:mm 'h'", 'HHmm'].map(wall),
  ...['yyyy-MM-dd HH:mm', 'd.M. HH:mm', 'dd/MM/yyyy HH:mm'].map(wall),
  ...['N min', 'Nmin', "N'", 'N minutes', 'after N min', '+N min', '+N', 't=N min', 'T+N min', 'minute N', 'N m', 'nach N Minuten', '@N min'].map((way) => (m: number) => way.replace('N', `${m}`)),
  (m) => `${Math.floor(m / 60)}:${two(m % 60)}`,
  (m) => `${two(m / 60)}:${two(m % 60)}:00`,
  (m) => `@ ${Math.floor(m / 60)}:${two(m % 60)} h`,
  (m) => `${Math.floor(m / 60)}h${two(m % 60)}`,
  (m) => `${(m / 60).toFixed(3)} h`,
  (m) => parted(m, 'hour', 'min'),
  (m) => parted(m, 'h', 'min').replace(',', ''),
  (m) => parted(m, 'hours', 'minutes').replace(',', ' and'),
] // prettier-ignore
const LEVELS = [
  'N%',
  'N %',
  'N percent',
  'battery N%',
  'N% battery',
  'at N%',
  'SoC N %',
  'level: N%',
  '=N%',
  'N Prozent',
]
const WATTS = ['N W', 'NW', 'N watts', '(N W)', '@ N W', 'drawing N W', 'P=NW', 'power N W']
const VOLTS = ['N V', 'NV', 'U=N V', 'N volts']
const TITLES = [
  '',
  'Skerry P5 on Hawser 20',
  'Skerry P5, Hawser 20, 1 m cable',
  '14 Nov 2026',
  'Phone 2 / brick B',
  'charging test\n14 November 2026',
  'Room 21 °C',
]

const page = fc.record({
  time: fc.constantFrom(...TIMES),
  step: fc.constantFrom(1, 5, 10, 15, 30),
  lines: fc.integer({ min: 3, max: 18 }),
  from: fc.integer({ min: 0, max: 40 }),
  watts: fc.integer({ min: 5, max: 90 }),
  /** From empty to full, h. */
  hours: fc.double({ min: 0.7, max: 4, noNaN: true }),
  level: fc.constantFrom(...LEVELS),
  power: fc.option(fc.constantFrom(...WATTS), { freq: 3 }),
  volts: fc.option(fc.constantFrom(...VOLTS), { freq: 2 }),
  comma: fc.boolean(),
  between: fc.constantFrom(' ', ': ', ' - ', ' – ', ', ', '  ', '\t', ' | ', ' → ', '; '),
  among: fc.constantFrom(' ', ', ', ' / ', '; '),
  timeLast: fc.boolean(),
  start: fc.boolean(),
  title: fc.constantFrom(...TITLES),
  remark: fc.constantFrom('', ' screen on', ', warm', ' (checked twice)'),
})
type Page = typeof page extends fc.Arbitrary<infer P> ? P : never

function written(p: Page) {
  const truth = Array.from({ length: p.lines }, (_, i) => ({
    minutes: i * p.step,
    percent: Math.floor(p.from + (100 / 60 / p.hours) * i * p.step),
    power: p.watts - i / 10,
    voltage: 9 + (i % 3) / 10,
  })).filter(({ percent }) => percent <= 100)
  const number = (n: number) => (p.comma ? n.toFixed(1).replace('.', ',') : n.toFixed(1))
  const isSince = /^\D*0/.test(p.time(0)) && !p.time(0).includes('22')
  const lines = truth.map(({ minutes, percent, power, voltage }, i) => {
    const time = p.start && i === 0 && isSince ? 'start' : p.time(minutes)
    const values = [p.level.replace('N', `${percent}`)]
    if (p.volts) values.push(p.volts.replace('N', number(voltage)))
    if (p.power) values.push(p.power.replace('N', number(power)))
    const line = [time, values.join(p.among)]
    return (p.timeLast ? line.reverse() : line).join(p.between) + (i === 2 ? p.remark : '')
  })
  return { truth, text: [...(p.title ? [p.title] : []), ...lines].join('\n') }
}

type Line = Partial<Record<'percent' | 'power' | 'voltage', number>> & { minutes: number }
const isNear = (read: number | undefined, meant: number): boolean =>
  read === undefined || Number.isNaN(read) || Math.abs(read - meant) < 0.05

it('reads a page of notes as it was meant, in whatever way its times and values are written, or names what it does not read', () => {
  let [read, all] = [0, 0]
  const holds = ({ p, truth, text }: { p: Page } & ReturnType<typeof written>) => {
    all++
    let result: ReturnType<typeof readTraceCsv>
    try {
      result = readTraceCsv(text)
    } catch {
      return
    }
    const { trace, problems } = result
    const found = Array.from(trace.time, (t, i): Line => ({ minutes: Math.round((t - trace.time[0]) / 60), percent: trace.percent?.[i], power: trace.power?.[i], voltage: trace.voltage?.[i] })) // prettier-ignore
    if (problems.length === 0) {
      read++
      const meant = truth.map(({ minutes, percent, power, voltage }) => ({
        minutes,
        percent,
        power: p.power ? (expect.closeTo(power, 1) as number) : undefined,
        voltage: p.volts ? (expect.closeTo(voltage, 1) as number) : undefined,
      }))
      expect(found, text).toEqual(meant)
    }
    // Of a page with lines that were named, what was read is right all the same.
    const isMeant = (line: Line, from: number) =>
      truth.some((t) => t.minutes === line.minutes + from && isNear(line.percent, t.percent) && isNear(line.power, t.power) && isNear(line.voltage, t.voltage)) // prettier-ignore
    expect(
      truth.some(({ minutes }) => found.every((line) => isMeant(line, minutes))),
      text,
    ).toBe(true)
  }
  const pages = page.map((p) => ({ p, ...written(p) })).filter(({ truth }) => truth.length > 2)
  fc.assert(fc.property(pages, holds), { numRuns: Number(process.env.FUZZ_RUNS ?? 600) })
  // Nearly all: a page that is refused must be typed anew.
  expect(read / all).toBeGreaterThan(0.97)
})
