import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../../trace/trace'
import { analyse, type AnalyseOptions } from '../analyse'

/** Readings each `step` seconds over `minutes`. */
const readings = (minutes: number, step: number, at: (m: number) => Omit<Reading, 't'>): Reading[] =>
  Array.from({ length: (minutes * 60) / step + 1 }, (_, i) => ({ t: i * step, ...at((i * step) / 60) }))

const all = (rows: Reading[], options?: AnalyseOptions) => analyse(traceFromReadings(rows), options).findings
const codes = (rows: Reading[], options?: AnalyseOptions) => all(rows, options).map((f) => f.code)
const found = (rows: Reading[], options: AnalyseOptions, code: string) =>
  all(rows, options).filter((f) => f.code === code)
/** 15 Wh usable: 12 W are 64 points an hour at the 80 % that usually arrive. */
const PACK = { usableWh: 15 }
const pace = (m: number) => (64 / 60) * m

it('finds nothing amiss in a sound run', () => {
  const sound = readings(60, 10, (m) => ({ percent: Math.floor(5 + pace(m)), voltage: 9, current: 12 / 9 }))
  expect(
    codes(sound, PACK).filter((code) => !['not-reached', 'no-level', 'no-taper-end'].includes(code)),
  ).toEqual([])
})

it('tells a display that stuck from a charge that stalled, a protective hold and a true jump', () => {
  const level = (m: number) => Math.floor(5 + pace(m))
  const stuck = readings(60, 10, (m) => ({ percent: m > 20 && m < 32 ? level(20) : level(m), power: 12 }))
  expect(found(stuck, PACK, 'stuck-then-jumped')).toMatchObject([
    { atS: 1910, message: expect.stringMatching(/13 points/) },
  ])
  expect(codes(stuck, PACK)).not.toContain('stalled')

  const stalled = readings(60, 10, (m) =>
    m > 20 && m < 40
      ? { percent: level(20), power: 0.4 }
      : { percent: level(m < 40 ? m : m - 20), power: 12 },
  )
  expect(found(stalled, PACK, 'stalled')).toMatchObject([{ atS: expect.closeTo(1200, -2) }])
  expect(codes(stalled, PACK)).not.toContain('stuck-then-jumped')

  // The last points go slowly: that is no stall.
  const slow = readings(90, 10, (m) =>
    m < 60 ? { percent: Math.floor(38 + m), power: 12 } : { percent: 98, power: 0.6 },
  )
  expect(codes(slow, PACK)).not.toContain('stalled')

  const held = readings(120, 10, (m) =>
    m < 70 ? { percent: Math.floor(5 + pace(m)), power: 12 } : { percent: 80, power: 0.5 },
  )
  expect(codes(held, PACK)).toContain('protective-hold')
  expect(codes(held, PACK)).not.toContain('stalled')

  const jumped = readings(60, 10, (m) => ({ percent: level(m) + (m > 20 ? 9 : 0), power: 12 }))
  expect(found(jumped, PACK, 'jumped')).toMatchObject([{ atS: 1210 }])
  expect(codes(jumped, PACK)).not.toContain('stuck-then-jumped')

  // Energy flows and the display never moves again: the bench may have to say so before the end.
  const still = readings(40, 10, (m) => ({ percent: level(Math.min(m, 20)), power: 12 }))
  expect(found(still, PACK, 'stuck')).toMatchObject([
    { message: expect.stringMatching(/energy for about \d+ points/) },
  ])
})

it('takes a level that stands under a load for none, where the battery’s own watts say so', () => {
  const loaded = readings(60, 10, (m) =>
    m > 20 && m < 40
      ? { percent: 26, power: 20, batteryPower: 0.1 }
      : { percent: Math.floor(m < 40 ? 5 + m : m - 14), power: 20, batteryPower: 9 },
  )
  expect(codes(loaded, PACK)).not.toContain('stuck')
  expect(
    codes(
      loaded.map(({ batteryPower: _, ...r }) => r),
      PACK,
    ),
  ).toContain('stuck')
})

it('reads a standstill by the clock where no watts were read, and lets a charge slow down near full', () => {
  const seen = (m: number) => (m < 30 ? 5 + m : m < 60 ? 35 : m - 25)
  expect(
    found(
      readings(80, 300, (m) => ({ percent: Math.floor(seen(m)) })),
      {},
      'stalled',
    ),
  ).toMatchObject([{ message: expect.stringMatching(/was not read/) }])
  const slowing = (m: number) => Math.floor(100 * (1 - Math.exp(-m / 30)))
  expect(codes(readings(180, 300, (m) => ({ percent: slowing(m) })))).not.toContain('stalled')
})

it('finds a battery that falls while it is connected, by its level or by its own watts', () => {
  const falling = readings(60, 300, (m) => ({ percent: Math.round(40 - m / 10), power: 4 }))
  expect(found(falling, {}, 'draining')).toHaveLength(1)
  expect(codes(readings(60, 300, (m) => ({ percent: 40 + (m % 10 === 5 ? 1 : 0), power: 4 })))).not.toContain(
    'draining',
  )
  const load = readings(10, 10, (m) => ({ power: 20, batteryPower: m > 4 && m < 6 ? -3 : 5 }))
  expect(found(load, {}, 'draining')).toMatchObject([{ atS: 250, message: expect.stringMatching(/−3.0 W/) }])
})

it('says stop where it is hot, and suspects heat behind a step down below 60 %', () => {
  const warm = readings(40, 10, (m) => ({
    percent: Math.floor(10 + m),
    power: m < 20 ? 25 : 14,
    ...(m % 5 === 0 ? { temperatures: { back: 25 + m } } : {}),
  }))
  expect(found(warm, {}, 'hot')).toMatchObject([
    { atS: 1200, message: expect.stringMatching(/The back reached 45 °C/) },
  ])
  expect(codes(warm, { context: { stopLimitC: 70 } })).not.toContain('hot')
  expect(found(warm, {}, 'thermal-step')).toMatchObject([{ atS: expect.closeTo(1200, -2) }])
})

it('names readings that came late or not at all, by the rule they were due by', () => {
  const context = { reading: { kind: 'every', seconds: 300 } } as const
  // A late answer is one until the next mark comes: 13:10 answers minute 10, and nothing answers minute 20.
  const rows = [0, 300, 790, 900, 1500, 1800].map((t, i) => ({ t, percent: 5 + i }))
  expect(found(rows, { context }, 'late-reading')).toMatchObject([{ atS: 790 }])
  expect(found(rows, { context }, 'missed-reading')).toMatchObject([{ atS: 1200 }])
  expect(codes(rows)).not.toContain('late-reading')
})

it('says when the supply stayed below what the two should settle on', () => {
  const at = (volts: number) => readings(10, 1, (m) => ({ voltage: m < 0.1 ? 5 : volts, power: 10 }))
  expect(codes(at(5.1), { context: { expectedVolts: 9 } })).toContain('wrong-supply')
  expect(codes(at(9.05), { context: { expectedVolts: 9 } })).not.toContain('wrong-supply')
  expect(codes(at(5.1))).not.toContain('wrong-supply')
})

it('finds more gain in a stretch than the meter delivered, though the whole adds up', () => {
  const late = readings(100, 10, (m) => ({
    percent: Math.floor(m < 30 ? 5 + m : 35 + (m - 30) / 2),
    power: m < 30 ? 3 : 12,
  }))
  expect(codes(late, PACK)).toContain('gain-exceeds-energy')
})

it('knows a switched charge, a late first level, a coarse full mark, a full level at a mark, one end alone, and what nobody noted', () => {
  const switched = readings(60, 10, (m) => ({
    percent: Math.floor(5 + m / 3),
    power: m > 20 && m < 40 && Math.floor(m) % 4 < 2 ? 0.2 : 12,
  }))
  expect(found(switched, {}, 'on-off')).toHaveLength(1)
  const dead = readings(30, 10, (m) => (m < 4 ? { power: 5 } : { power: 5, percent: Math.floor(m) }))
  expect(found(dead, {}, 'start-delay')).toMatchObject([{ atS: 240 }])
  const checks = [0, 20, 40, 60, 80].map((m) => ({ t: m * 60, percent: Math.min(100, 10 + 1.5 * m) }))
  expect(codes(checks)).toEqual(expect.arrayContaining(['coarse-data', 'near-ceiling']))
  // One jump of the display is no rate, and a battery that falls is at no ceiling.
  const jumpy = readings(60, 300, (m) => ({ percent: 5 + m / 2 + (m > 30 ? 24 : 0) }))
  expect(codes(jumpy)).not.toContain('near-ceiling')
  expect(codes(readings(60, 300, (m) => ({ percent: Math.round(60 - m / 10) })))).not.toContain(
    'near-ceiling',
  )
  const ends = readings(10, 60, (m) => (m % 2 ? { power: 9 } : { batteryPower: 7 }))
  expect(codes(ends)).toContain('one-end')
  // A run that ends with the plug pulled has no pause.
  expect(found(checks, { context: { unpluggedS: 1260 } }, 'open-pause')).toMatchObject([
    { atS: 1260, severity: 'warning', message: expect.stringContaining('unplugged at 0:21:00') },
  ])
  expect(found(checks, { context: { unpluggedS: 4800 } }, 'open-pause')).toEqual([])
  expect(found(checks, {}, 'open-pause')).toEqual([])
  expect(
    found(checks, { context: { unknownConditions: ['Cable', 'Room'] } }, 'conditions-missing'),
  ).toMatchObject([{ message: 'Not known: Cable, Room.' }])
})
