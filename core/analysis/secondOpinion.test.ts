import { expect, it } from 'vitest'
import { randomFrom } from '../stats/random'
import { traceFromReadings, type Reading } from '../trace/trace'
import { energy } from './energy'
import { marks } from './marks'
import { milestones } from './milestones'

/*
 * Milestones, marks and energy once more, as plainly as can be: second by second, by the definitions alone, sharing
 * nothing with the program but the shape of a reading. Times are even seconds, so that every midpoint is a whole one.
 */

type Row = Reading & { power?: number; percent?: number; watched?: number }

/** A run as awkward as they come: gaps, steps at one instant, levels that fall or jump, power that turns round. */
function awkwardRun(seed: number): Row[] {
  const random = randomFrom(seed)
  const upTo = (n: number) => Math.floor(random.uniform() * n)
  const chance = (share: number) => random.uniform() < share
  const rows: Row[] = []
  const usual = [2, 10, 60, 300][upTo(4)]
  let t = chance(0.5) ? 0 : 2 * upTo(200)
  let level = upTo(40)
  const turns = chance(0.3)
  for (let i = 0; i < 8 + upTo(40); i++) {
    const row: Row = { t }
    if (chance(0.7)) row.percent = level
    if (chance(0.7)) row.power = upTo(60) - (turns && chance(0.3) ? 20 : 0)
    if (row.percent !== undefined && i > 0 && chance(0.15)) row.watched = 1
    rows.push(row)
    t += chance(0.1) ? 0 : chance(0.1) ? usual * 20 : usual
    level = Math.max(0, Math.min(100, level + (chance(0.1) ? -upTo(4) : upTo(chance(0.1) ? 30 : 6))))
  }
  return rows
}

const endOf = (rows: Row[]) => rows[rows.length - 1].t
const withPower = (rows: Row[]) => rows.filter((r) => r.power !== undefined)

/** The watts in the middle of each second, and how long the interval is that it lies in; worked out once a run. */
function secondsOf(rows: Row[]): { watts: number; interval: number }[] {
  if (rows === last.rows) return last.seconds
  const known = withPower(rows)
  const seconds: { watts: number; interval: number }[] = []
  let next = 0
  for (let s = 0; s < endOf(rows); s++) {
    while (next < known.length && known[next].t <= s) next++
    const [before, after] = [known[next - 1], known[next]]
    if (!before || !after) seconds.push({ watts: (before ?? after)?.power ?? NaN, interval: Infinity })
    else {
      const interval = after.t - before.t
      const share = (s + 0.5 - before.t) / interval
      seconds.push({ watts: before.power! + share * (after.power! - before.power!), interval })
    }
  }
  last = { rows, seconds }
  return seconds
}
let last: { rows: Row[]; seconds: { watts: number; interval: number }[] } = { rows: [], seconds: [] }

function usualStep(rows: Row[]): number {
  const steps = withPower(rows)
    .map((r, i, all) => (i ? r.t - all[i - 1].t : 0))
    .filter((step) => step > 0)
    .sort((a, b) => a - b)
  const half = steps.length / 2
  return steps.length % 2 ? steps[Math.floor(half)] : (steps[half - 1] + steps[half]) / 2
}

function energyPlainly(rows: Row[]): { measured: number; bridged: number } {
  const step = usualStep(rows)
  const gap = Number.isNaN(step) ? 60 : Math.max(60, 3 * step)
  const sum = { measured: 0, bridged: 0 }
  for (const { watts, interval } of secondsOf(rows))
    sum[interval <= gap ? 'measured' : 'bridged'] += watts / 3600
  return sum
}

/** Joules second by second between two moments; nothing where the meter does not cover them, or power turns round. */
function joules(rows: Row[], from: number, to: number): number[] | null {
  const known = withPower(rows)
  if (!known.some((r) => r.t <= from) || !known.some((r) => r.t >= to)) return null
  const list = secondsOf(rows)
    .slice(from, to)
    .map(({ watts }) => watts)
  // What was read inside counts, and the two sides that face inwards at the ends.
  if (known.some((r) => r.t > from && r.t < to && r.power! < 0)) return null
  const edge = [list[0] - (list[1] - list[0]) / 2, list[list.length - 1]]
  return list.some((w) => w < 0) || edge.some((w) => w < -1e-9) ? null : list
}

/** When a share of what happens between two moments is done: by energy, else by time. */
function whenDone(rows: Row[], from: number, to: number, share: number): number {
  const list = joules(rows, from, to)
  const all = list?.reduce((a, b) => a + b, 0) ?? 0
  if (!list || !(all > 0)) return from + share * (to - from)
  let left = share * all
  for (let i = 0; i < list.length; i++) {
    if (list[i] >= left) return from + i + (list[i] > 0 ? left / list[i] : 0)
    left -= list[i]
  }
  return to
}

/** Time to a level by the definitions, with its bracket; null where there is none. */
function timePlainly(rows: Row[], p: number) {
  const levels = rows.filter((r) => r.percent !== undefined)
  if (!levels.length || levels[0].percent! >= p) return null
  const at = levels.findIndex((r) => r.percent! >= p)
  if (at < 0) return null
  const [a, b] = [levels[at - 1], levels[at]]
  if (b.watched && p > b.percent! - 1) return { time: b.t, earliest: Math.max(a.t, b.t - 5), latest: b.t }
  const from = a.percent! + (a.watched ? 0 : 0.5)
  const saturated = b.percent === 100 && !b.watched
  const to = saturated ? 100 : b.percent! + (b.watched ? 0 : 0.5)
  const end = saturated ? (a.t + b.t) / 2 : b.t
  const share = to > from ? Math.min(1, Math.max(0, (p - from) / (to - from))) : 1
  return { time: whenDone(rows, a.t, end, share), earliest: a.t, latest: b.t }
}

// Where each change to the program is tried, a few must do.
const SEEDS = Array.from({ length: process.env.MUTANTS_ROOM ? 40 : 1000 }, (_, i) => i + 1)

it('energy agrees on a thousand awkward runs', () => {
  for (const seed of SEEDS) {
    const rows = awkwardRun(seed)
    if (!withPower(rows).length) continue
    const mine = energy(traceFromReadings(rows))
    const plain = energyPlainly(rows)
    expect([seed, mine.energyWh]).toEqual([seed, expect.closeTo(plain.measured, 9)])
    expect([seed, mine.bridgedWh]).toEqual([seed, expect.closeTo(plain.bridged, 9)])
  }
})

it('times to a level agree on a thousand awkward runs, and never fall as the level rises', () => {
  const percents = Array.from({ length: 100 }, (_, i) => i + 1)
  let compared = 0
  for (const seed of SEEDS) {
    const rows = awkwardRun(seed)
    const mine = milestones(traceFromReadings(rows), percents)
    let before = -Infinity
    for (const m of mine) {
      // Most of a hundred levels share a bracket: every few are compared, all are held in order.
      if (m.reason === undefined) {
        expect(m.timeS, `seed ${seed}, ${m.percent} %`).toBeGreaterThanOrEqual(before - 1e-9)
        before = m.timeS
      }
      if ((m.percent + seed) % 7 && m.percent < 99) continue
      const plain = timePlainly(rows, m.percent)
      expect([seed, m.percent, Boolean(m.reason)]).toEqual([seed, m.percent, plain === null])
      if (!plain) continue
      compared++
      expect([seed, m.percent, m.earliestS, m.latestS]).toEqual([
        seed,
        m.percent,
        plain.earliest,
        plain.latest,
      ])
      expect(Math.abs(m.timeS - plain.time), `seed ${seed}, ${m.percent} %`).toBeLessThan(1)
      expect(m.uncertaintyS).toBeLessThanOrEqual(
        Math.hypot(m.latestS - m.earliestS, 5) / Math.sqrt(12) + 1e-9,
      )
    }
  }
  expect(compared).toBeGreaterThan(3 * SEEDS.length)
})

it('levels at the marks agree on a thousand awkward runs', () => {
  let compared = 0
  for (const seed of SEEDS) {
    const rows = awkwardRun(seed)
    const levels = rows.filter((r) => r.percent !== undefined)
    for (const m of marks(traceFromReadings(rows))) {
      const after = levels.findIndex((r) => r.t >= m.atS)
      const near = levels.some((r) => Math.abs(r.t - m.atS) <= 10)
      if (after < 1 || near) continue
      const [a, b] = [levels[after - 1], levels[after]]
      const end = b.percent === 100 && !b.watched ? (a.t + b.t) / 2 : b.t
      const list = joules(rows, a.t, end)
      const all = list?.reduce((x, y) => x + y, 0) ?? 0
      const done =
        list && all > 0
          ? list.slice(0, m.atS - a.t).reduce((x, y) => x + y, 0) / all
          : (m.atS - a.t) / (end - a.t)
      const plain = m.atS >= end ? b.percent! : a.percent! + (b.percent! - a.percent!) * done
      compared++
      expect(Math.abs(m.percent - plain), `seed ${seed}, ${m.atS} s`).toBeLessThan(1e-6)
      expect([m.low, m.high]).toEqual([a.percent!, b.percent!].sort((x, y) => x - y))
    }
  }
  expect(compared).toBeGreaterThan(SEEDS.length / 2)
})
