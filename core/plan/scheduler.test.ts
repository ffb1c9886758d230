import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lowerBounds } from './bound'
import { alwaysFirst, lengthOf, schedule } from './scheduler'
import type { Job, Means, Placed, Window } from './timetable'

const HOUR = 3600
const DAY = 86_400
const evenings = (count: number, hours = 4): Window[] =>
  Array.from({ length: count }, (_, i) => ({
    startS: i * DAY + 18 * HOUR,
    endS: i * DAY + (18 + hours) * HOUR,
    day: `day ${i}`,
  }))
const grid = (devices: number, sources: number, repeats: number, charge: (d: number, s: number) => number): Job[] =>
  Array.from({ length: devices * sources * repeats }, (_, i) => {
    const [d, s] = [i % devices, Math.floor(i / devices) % sources]
    return { id: `r${i}`, device: `d${d}`, source: `s${s}`, pair: `${d} ${s}`, chargeS: charge(d, s), prepS: 5 * HOUR }
  }) // prettier-ignore

/** The rules, written again from their words rather than from the code that keeps them. */
function broken(
  placed: readonly Placed[],
  windows: readonly Window[],
  means: Means,
  readyFromS: number,
): string[] {
  const faults: string[] = []
  for (const a of placed) {
    const w = windows[a.window]
    if (a.startS < w.startS || a.endS > w.endS) faults.push(`${a.job.id} charges outside the free hours`)
    if (a.endS - a.startS !== a.job.chargeS) faults.push(`${a.job.id} was cut`)
    if (a.startS - a.job.prepS < readyFromS) faults.push(`${a.job.id} had no time to drain and rest`)
    const beside = placed.filter((b) => b.startS <= a.startS && a.startS < b.endS)
    if (beside.length > means.atOnce) faults.push('more at once than lanes')
    if (new Set(beside.map((b) => b.lane)).size < beside.length) faults.push('a lane twice at once')
    for (const b of placed) {
      if (a === b) continue
      const together = a.startS < b.endS && b.startS < a.endS
      if (together && a.job.source === b.job.source) faults.push('a source twice at once')
      const sameUnit = a.job.device === b.job.device && a.unit === b.unit
      if (sameUnit && a.startS >= b.startS && a.startS - a.job.prepS < b.endS)
        faults.push('no rest between runs')
      if (a.job.pair === b.job.pair && windows[a.window].day === windows[b.window].day)
        faults.push('repeats on one day')
    }
    if (a.unit >= (means.units[a.job.device] ?? 1)) faults.push('a unit that is not there')
  }
  return faults
}

const instance = fc.record({
  devices: fc.integer({ min: 1, max: 4 }),
  sources: fc.integer({ min: 1, max: 5 }),
  repeats: fc.integer({ min: 1, max: 3 }),
  minutes: fc.array(fc.integer({ min: 5, max: 300 }), { minLength: 20, maxLength: 20 }),
  prepHours: fc.integer({ min: 0, max: 20 }),
  atOnce: fc.integer({ min: 1, max: 4 }),
  units: fc.integer({ min: 1, max: 3 }),
  windows: fc.integer({ min: 0, max: 40 }),
  seed: fc.integer({ min: 1, max: 1e9 }),
})

describe('a timetable', () => {
  it('breaks no rule, and places every run or names it', () => {
    fc.assert(
      fc.property(instance, (i) => {
        const windows = evenings(i.windows)
        const jobs = grid(i.devices, i.sources, i.repeats, (d, s) => i.minutes[d * 5 + s] * 60).map((j) => ({
          ...j,
          prepS: i.prepHours * HOUR,
        }))
        const means = { atOnce: i.atOnce, units: { d0: i.units } }
        const plan = schedule(jobs, windows, means, { seed: i.seed, readyFromS: 0, passes: 3 })
        expect(broken(plan.placed, windows, means, 0)).toEqual([])
        const named = [...plan.placed.map((p) => p.job.id), ...plan.unplaceable.map((u) => u.job.id)]
        expect(named.sort()).toEqual(jobs.map((j) => j.id).sort())
        // Nothing can be shorter than the least it can be.
        if (plan.unplaceable.length === 0 && jobs.length) {
          const [bound] = lowerBounds(jobs, windows, means)
          expect(plan.freeS).toBeGreaterThanOrEqual(bound.freeS - 1e-6)
          expect(plan.windowsUsed).toBeGreaterThanOrEqual(Math.max(...plan.bounds.map((b) => b.windows)))
        }
      }),
      { numRuns: 120 },
    )
  })

  it('is the same for the same seed, and another for another', () => {
    const jobs = grid(2, 5, 2, () => 90 * 60)
    const order = (seed: number) =>
      schedule(jobs, evenings(60), { atOnce: 2, units: {} }, { seed })
        .placed.map((p) => p.job.id)
        .join()
    expect(order(7)).toBe(order(7))
    expect(order(7)).not.toBe(order(8))
  })

  it('takes as many evenings as the one phone needs, by hand count', () => {
    // One unit, five hours of draining between 90-minute runs: one run an evening, so ten evenings for ten runs.
    const plan = schedule(
      grid(1, 5, 2, () => 90 * 60),
      evenings(60),
      { atOnce: 3, units: {} },
      { seed: 1 },
    )
    expect(plan.windowsUsed).toBe(10)
    expect(plan.bounds[0]).toMatchObject({ kind: 'unit', id: 'd0', windows: 10 })
    const two = schedule(
      grid(1, 5, 2, () => 90 * 60),
      evenings(60),
      { atOnce: 3, units: { d0: 2 } },
      { seed: 1 },
    )
    expect(two.windowsUsed).toBe(5)
  })

  it('keeps one source from always coming first', () => {
    const plan = schedule(
      grid(3, 5, 2, () => 60 * 60),
      evenings(60),
      { atOnce: 3, units: {} },
      { seed: 3 },
    )
    expect(alwaysFirst(plan.placed)).toBe(0)
  })

  it('counts the devices on which one source leads every round, by the order in time', () => {
    const place = (source: string, startS: number, device = 'd0'): Placed =>
      ({ job: { id: `${device} ${source} ${startS}`, device, source }, startS }) as unknown as Placed
    // a, b, then b, a: each leads once. Handed over in any order.
    const fair = [place('b', 3), place('a', 4), place('b', 2), place('a', 1)]
    expect(alwaysFirst(fair)).toBe(0)
    const leads = [place('b', 4), place('a', 3), place('b', 2), place('a', 1)]
    expect(alwaysFirst(leads)).toBe(1)
    // The second round counts, not the third, which only one of them has.
    expect(alwaysFirst([...leads, place('b', 5)])).toBe(1)
    // One round, or one source, favours nobody.
    expect(alwaysFirst([place('a', 1), place('b', 2)])).toBe(0)
    expect(alwaysFirst([place('a', 1), place('a', 2)])).toBe(0)
    expect(alwaysFirst([...leads, ...leads.map((p) => place(p.job.source, p.startS, 'd1'))])).toBe(2)
  })

  it('takes the free hours before the last end, whichever run was handed over last', () => {
    const at = (window: number, endS: number) => ({ window, endS }) as Placed
    const windows = evenings(3)
    const end = windows[1].startS + HOUR
    expect(lengthOf([at(1, end), at(0, windows[0].endS)], windows)).toEqual([2, 5 * HOUR])
  })

  it('names a run that no stretch can hold', () => {
    const plan = schedule(
      grid(1, 1, 1, () => 5 * HOUR),
      evenings(9),
      { atOnce: 1, units: {} },
      { seed: 1 },
    )
    expect(plan.unplaceable).toMatchObject([{ reason: 'too-long', needsS: 5 * HOUR, longestS: 4 * HOUR }])
    expect(lengthOf(plan.placed, evenings(9))).toEqual([0, 0])
  })
})
