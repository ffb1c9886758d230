import fc from 'fast-check'
import { expect, it } from 'vitest'
import { lowerBounds } from './bound'
import { schedule } from './scheduler'
import type { Job, Means, Window } from './timetable'

const HALF = 1800
const DAY = 86_400
const SLOTS = 6

/** The rules from their words, on a grid of half hours: every possible timetable is tried, the shortest is told. */
function shortest(jobs: readonly Job[], windows: readonly Window[], means: Means): number {
  interface Stand { job: Job; start: number; unit: number; day: string; free: number } // prettier-ignore
  let best = Infinity
  /** Time between two moments in which a unit can be drained and rested. */
  const between = (from: number, to: number): number =>
    means.attended
      ? windows.reduce((sum, w) => sum + Math.max(0, Math.min(to, w.endS) - Math.max(from, w.startS)), 0)
      : to - from
  const allowed = (a: Stand, others: readonly Stand[]): boolean => {
    for (const b of others) {
      if (a.job.pair === b.job.pair && a.day === b.day) return false
      if (a.job.device !== b.job.device || a.unit !== b.unit) continue
      // A unit is drained and rested between two runs.
      const [first, second] = a.start <= b.start ? [a, b] : [b, a]
      const ended = first.start + first.job.chargeS
      if (second.start < ended || between(ended, second.start) < second.job.prepS) return false
    }
    const all = [...others, a]
    const ports = (source: string) => means.ports?.[source] ?? 1
    const from = (p: Stand) => all.filter((q) => q.job.source === p.job.source)
    const isFed = all.every(
      (p) =>
        from(p).filter((q) => q.start <= p.start && p.start < q.start + q.job.chargeS).length <=
        ports(p.job.source),
    )
    return (
      isFed &&
      all.every(
        (p) =>
          all.filter((q) => q.start <= p.start && p.start < q.start + q.job.chargeS).length <= means.atOnce,
      )
    )
  }
  const place = (i: number, stands: Stand[], free: number): void => {
    if (free >= best) return
    if (i === jobs.length) {
      best = free
      return
    }
    const job = jobs[i]
    windows.forEach((w, k) => {
      for (let start = w.startS; start + job.chargeS <= w.endS; start += HALF) {
        const used = k * SLOTS * HALF + start + job.chargeS - w.startS
        for (let unit = 0; unit < (means.units[job.device] ?? 1); unit++) {
          const stand = { job, start, unit, day: w.day, free: used }
          if (between(0, start) >= job.prepS && allowed(stand, stands))
            place(i + 1, [...stands, stand], Math.max(free, used))
        }
      }
    })
  }
  place(0, [], 0)
  return best
}

it('is as short as the shortest of all timetables, on small cases; the bound never lies above it', () => {
  const windows: Window[] = [1, 2, 3].map((d) => ({
    startS: d * DAY,
    endS: d * DAY + SLOTS * HALF,
    day: `${d}`,
  }))
  const job = fc.record({
    device: fc.constantFrom('a', 'b'),
    source: fc.constantFrom('s', 't'),
    half: fc.integer({ min: 1, max: 4 }),
    prep: fc.constantFrom(0, 1, 2, 30),
  })
  fc.assert(
    fc.property(
      fc.array(job, { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 1, max: 3 }),
      fc.boolean(),
      (drawn, atOnce, units, ports, attended) => {
        const jobs = drawn.map(({ device, source, half, prep }, i) => ({
          id: `r${i}`,
          device,
          source,
          pair: `${device} ${source}`,
          chargeS: half * HALF,
          prepS: prep * HALF,
        }))
        const means = { atOnce, units: { a: units }, ports: { s: ports }, attended }
        const least = shortest(jobs, windows, means)
        const plan = schedule(jobs, windows, means, { seed: 1, readyFromS: 0 })
        // Where not all can stand, some are named; a timetable is never shorter than the shortest.
        expect(plan.unplaceable.length > 0).toBe(least === Infinity)
        if (least === Infinity) return
        expect(plan.freeS).toBe(least)
        expect(Math.max(...lowerBounds(jobs, windows, means).map((b) => b.freeS))).toBeLessThanOrEqual(least)
      },
    ),
    { seed: 11, numRuns: 200 },
  )
})
