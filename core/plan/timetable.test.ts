import fc from 'fast-check'
import { expect, it } from 'vitest'
import { Timetable, type Job, type Means, type Placed, type Window } from './timetable'

/** Seconds are few here, so that every moment can be looked at. */
const WINDOWS: Window[] = [
  { startS: 10, endS: 22, day: 'mon' },
  { startS: 26, endS: 38, day: 'mon' },
  { startS: 50, endS: 64, day: 'tue' },
]
const READY_FROM_S = 3

const job = fc.record({
  device: fc.constantFrom('d1', 'd2'),
  source: fc.constantFrom('s1', 's2'),
  pair: fc.constantFrom('p1', 'p2', 'p3', 'p4', 'p5'),
  chargeS: fc.integer({ min: 1, max: 9 }),
  prepS: fc.integer({ min: 0, max: 9 }),
})
const means = fc.record({
  atOnce: fc.integer({ min: 1, max: 3 }),
  units: fc.constantFrom<Record<string, number>>({}, { d1: 2 }, { d1: 2, d2: 2 }),
  ports: fc.constantFrom<Record<string, number>>({}, { s1: 2 }),
})

/** The rules once more, moment by moment, as they are said to a reviewer. */
function mayStand(placed: readonly Placed[], { units, ports, atOnce }: Means, j: Job, w: number, startS: number): boolean {
  const endS = startS + j.chargeS
  const window = WINDOWS[w]
  if (startS < window.startS || endS > window.endS) return false
  if (startS < READY_FROM_S + j.prepS) return false
  if (placed.some((p) => p.job.pair === j.pair && WINDOWS[p.window].day === window.day)) return false
  for (let s = startS; s < endS; s++) {
    const now = placed.filter((p) => p.startS <= s && s < p.endS)
    if (now.length >= atOnce) return false
    if (now.filter((p) => p.job.source === j.source).length >= (ports?.[j.source] ?? 1)) return false
  }
  const free = (unit: number) =>
    placed
      .filter((p) => p.job.device === j.device && p.unit === unit)
      .every((p) => p.endS + j.prepS <= startS || endS + p.job.prepS <= p.startS)
  return Array.from({ length: units[j.device] ?? 1 }, (_, unit) => unit).some(free)
} // prettier-ignore

it('lets a run stand exactly where the rules do, finds the earliest such place, and gives each a lane of its own', () => {
  fc.assert(
    fc.property(fc.array(job, { minLength: 1, maxLength: 9 }), means, (jobs, given) => {
      const table = new Timetable(WINDOWS, given, READY_FROM_S)
      const placed: Placed[] = []
      jobs.forEach((j, i) => {
        const one = { id: `j${i}`, ...j }
        let done = false
        WINDOWS.forEach(({ startS, endS }, w) => {
          const moments = Array.from({ length: endS - startS + 4 }, (_, i) => startS - 2 + i)
          const may = moments.filter((s) => mayStand(placed, given, one, w, s))
          expect(moments.filter((s) => table.tryAt(one, w, s).ok)).toEqual(may)
          const earliest = table.earliestIn(one, w)
          expect(earliest?.startS).toBe(may[0])
          const later = startS + 3
          expect(table.earliestIn(one, w, later)?.startS).toBe(may.find((s) => s >= later))
          if (!earliest || done) return
          done = true
          expect(earliest).toMatchObject({ endS: earliest.startS + one.chargeS, window: w })
          table.add(earliest)
          placed.push(earliest)
        })
      })
      const laid = table.placed
      expect(laid.map((p) => p.startS)).toEqual(placed.map((p) => p.startS).sort((a, b) => a - b))
      laid.forEach((a, i) => {
        expect(a.lane).toBeLessThan(given.atOnce)
        for (const b of laid.slice(i + 1)) expect(a.lane === b.lane && a.endS > b.startS).toBe(false)
      })
    }),
    { numRuns: 150 },
  )
})

it('says what stands in the way, and which run', () => {
  const one = (over: Partial<Job>): Job => ({ id: 'j', device: 'd1', source: 's1', pair: 'p1', chargeS: 4, prepS: 2, ...over }) // prettier-ignore
  const table = new Timetable(WINDOWS, { atOnce: 2, units: {} }, READY_FROM_S)
  const first = table.earliestIn(one({}), 0)!
  expect(first).toMatchObject({ startS: 10, endS: 14, unit: 0 })
  table.add(first)
  const why = (over: Partial<Job>, window: number, startS: number) => {
    const tried = table.tryAt(one(over), window, startS)
    return tried.ok ? 'ok' : tried.obstacle
  }
  expect(why({}, 0, 9)).toEqual({ rule: 'outside-hours' })
  expect(why({}, 0, 22)).toEqual({ rule: 'outside-hours' })
  expect(why({}, 0, 19)).toEqual({ rule: 'does-not-fit', needsS: 4, leftS: 3 })
  // In the other stretch of the same day too, before it and after.
  expect(why({ device: 'd2', source: 's2' }, 1, 30)).toEqual({ rule: 'same-day', by: first })
  expect(why({ device: 'd2', source: 's2' }, 2, 50)).toBe('ok')
  expect(why({ device: 'd2', pair: 'p2' }, 0, 13)).toEqual({ rule: 'source-busy', by: first })
  expect(why({ source: 's2', pair: 'p2' }, 0, 13)).toEqual({ rule: 'unit-busy', by: first })
  expect(why({ source: 's2', pair: 'p2' }, 0, 15)).toEqual({ rule: 'unit-not-ready', readyS: 16, by: first })
  expect(why({ source: 's2', pair: 'p2', prepS: 8 }, 0, 10)).toEqual({ rule: 'unit-not-ready', readyS: 11, by: null }) // prettier-ignore
  table.add(table.earliestIn(one({ id: 'k', device: 'd2', source: 's2', pair: 'p2' }), 0)!)
  expect(why({ device: 'd3', source: 's3', pair: 'p3' }, 0, 13)).toEqual({ rule: 'lanes-busy', atOnce: 2 })
  const last = table.earliestIn(one({ id: 'l', pair: 'p4' }), 2, 58)!
  table.add(last)
  expect(why({ pair: 'p5', source: 's2' }, 2, 53)).toEqual({ rule: 'next-not-ready', by: last })
  expect(why({ pair: 'p5', source: 's2' }, 2, 52)).toBe('ok')
})
