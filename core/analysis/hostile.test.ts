import { expect, it } from 'vitest'
import { traceFromReadings, type Reading, type Trace } from '../trace/trace'
import { withTime, withValue } from '../trace/trace'
import { analyse } from './analyse'
import { headlineOf } from './headline'
import { binsOf } from './parts/bins'

const rows = (count: number, at: (i: number) => Partial<Reading>): Trace =>
  traceFromReadings(Array.from({ length: count }, (_, i) => ({ t: i * 60, ...at(i) })))
const NAN = (count: number) => new Float64Array(count).fill(NaN)

/** Traces as they come from a broken meter, a hand in a hurry, or nobody at all. */
const HOSTILE: Record<string, Trace> = {
  nothing: rows(0, () => ({})),
  'one reading': rows(1, () => ({ percent: 5, power: 9 })),
  'two readings': rows(2, (i) => ({ percent: 5 + i, power: 9, temperatures: { back: 25 } })),
  'all equal': rows(200, () => ({ percent: 50, power: 9, voltage: 9, current: 1 })),
  'all at one moment': traceFromReadings(
    Array.from({ length: 50 }, (_, i) => ({ t: 0, percent: i, power: i })),
  ),
  falling: rows(200, (i) => ({ percent: 100 - i / 2, power: 9 - i / 20 })),
  'columns of nothing': {
    ...rows(50, () => ({})),
    percent: NAN(50),
    power: NAN(50),
    temperatures: { back: NAN(50) },
  },
  'only the level': rows(100, (i) => ({ percent: i })),
  'only watts': rows(100, (i) => ({ power: 20 - i / 6 })),
  'only volts': rows(100, (i) => ({ voltage: i < 3 ? 5 : 9 })),
  'only heat': rows(100, (i) => ({ temperatures: { front: 25 + i / 9 } })),
  'feeding out': rows(100, (i) => ({ percent: 80 - i / 4, power: -12, batteryPower: -14 })),
  'gaps of a day': traceFromReadings(
    [0, 60, 86_400, 86_460].map((t, i) => ({ t, percent: 20 * i, power: 9 })),
  ),
  'every time twice': traceFromReadings(
    Array.from({ length: 100 }, (_, i) => ({ t: 60 * (i >> 1), percent: i, power: i % 2 ? 20 : 5 })),
  ),
  'wild figures': rows(100, (i) => ({
    percent: (i * 37) % 101,
    power: ((i * 91) % 300) - 40,
    voltage: (i * 13) % 60,
  })),
}

it.each(Object.entries(HOSTILE))('takes %s without a figure that cannot be', (_, trace) => {
  const a = analyse(trace, { usableWh: 15, claims: [{ percent: 50, seconds: 1800 }] })
  for (const f of a.findings) expect(f.message).not.toMatch(/NaN|undefined|Infinity/)
  for (const [i, part] of a.parts.entries()) {
    expect(part.endS).toBeGreaterThan(part.startS)
    if (i > 0) expect(part.startS).toBe(a.parts[i - 1].endS)
  }
  for (const m of a.milestones)
    if (!m.reason) expect([m.timeS >= m.earliestS, m.timeS <= m.latestS]).toEqual([true, true])
  const found = a.findings.map((f) => f.atS).filter(Number.isFinite)
  expect(found).toEqual(found.toSorted((x, y) => x - y))
  expect(headlineOf(a).durationS).toBe(a.durationS)
})

it('tells a hundred thousand falls of the level as the first few and a count, and makes no room for a year of nothing', () => {
  const wild = rows(2000, (i) => ({ percent: i % 2 ? 40 : 60 }))
  const falls = analyse(wild).findings.filter((f) => f.code === 'level-fell')
  expect(falls).toHaveLength(25)
  expect(falls[24].message).toContain('And 975 more like it.')
  const time = Float64Array.from({ length: 101 }, (_, i) => (i < 100 ? i : 3e7))
  const lonely = { time, power: new Float64Array(101).fill(9), temperatures: {} }
  expect(binsOf({ t: time, v: lonely.power }, 5).t).toHaveLength(21)
  expect(analyse(lonely).parts.length).toBeLessThan(4)
})

it('works everything out anew where a reading is put right', () => {
  const trace = rows(100, (i) => ({ percent: Math.min(100, i), power: 20 - i / 10 }))
  const half = (of: Trace) => analyse(of).milestones[0].timeS
  // Half a point short of 50 at minute 49, a point a minute; then 48 to 50 in one step, three quarters of it done.
  expect(Math.abs(half(trace) - 2970)).toBeLessThan(1)
  expect(Math.abs(half(withValue(trace, 49, 'percent', 50)) - 2925)).toBeLessThan(1)
  expect(half(withTime(trace, 50, trace.time[50] - 30))).toBeLessThan(half(trace))
  expect(analyse(withValue(trace, 30, 'power', 60)).power.peakW).toBe(60)
})
