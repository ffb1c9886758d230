import fc from 'fast-check'
import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { valueAt } from '../trace/samples'
import { milestones } from './milestones'
import { workedOutLevel } from './workedOut'

it('runs half a point above checks, through watched readings, and to the estimate of full', () => {
  const rows: Reading[] = [
    { t: 0, percent: 10 },
    { t: 600, percent: 40 },
    { t: 900, percent: 60, watched: 1 },
    { t: 1500, percent: 100 },
    { t: 1800, percent: 100 },
  ]
  const { t, v } = workedOutLevel(traceFromReadings(rows))
  expect(Array.from(t)).toEqual([0, 600, 900, 1200, 1500, 1800])
  expect(Array.from(v)).toEqual([10.5, 40.5, 60, 100, 100, 100])
})

it('goes through the moments at which a log’s points turn', () => {
  const rows = Array.from({ length: 301 }, (_, s) => ({ t: s, percent: 20 + Math.floor(s / 50) }))
  const { t, v } = workedOutLevel(traceFromReadings(rows))
  expect(Array.from(t)).toEqual([0, 49.5, 99.5, 149.5, 199.5, 249.5, 299.5, 300])
  expect(Array.from(v)).toEqual([20.5, 21, 22, 23, 24, 25, 26, 26])
})

it('holds a level of a log until it falls by more than a point, and slopes where it drains point by point', () => {
  const at = (levels: number[]) => {
    const { t, v } = workedOutLevel(traceFromReadings(levels.map((percent, i) => ({ t: i, percent }))))
    return [...t].map((s, i) => [s, v[i]])
  }
  expect(at([99, 100, 100, 100, 100, 7, 7])).toEqual([[0, 99.5], [0.5, 100], [4, 100], [5, 7.5], [6, 7.5]]) // prettier-ignore
  expect(at([50, 50, 50, 49, 49, 48])).toEqual([[0, 50.5], [3, 49.5], [5, 48.5]]) // prettier-ignore
})

it('passes through every milestone of a run that only rises, however it was read', () => {
  const steps = fc.array(fc.tuple(fc.integer({ min: 2, max: 900 }), fc.integer({ min: 0, max: 12 })), {
    minLength: 3,
    maxLength: 40,
  })
  fc.assert(
    fc.property(steps, (made) => {
      let [t, percent] = [0, 5]
      const rows = made.map(([seconds, gain]) => ({
        t: (t += seconds),
        percent: (percent = Math.min(100, percent + gain)),
      }))
      const trace = traceFromReadings([{ t: 0, percent: 5 }, ...rows])
      const line = workedOutLevel(trace)
      const gaps = made.map(([s]) => s).sort((a, b) => a - b)
      // Of an even number the middle of the two in the middle.
      const isLog = (gaps[made.length >> 1] + gaps[(made.length - 1) >> 1]) / 2 <= 30
      for (const m of milestones(trace, [50, 80, 100])) {
        if (m.reason) continue
        const there = valueAt(line, m.timeS)
        // Within a log's step of several points the line is straight from turn to turn.
        if (!isLog) expect(there).toBeCloseTo(m.percent, 6)
        else expect(there).toBeGreaterThan(m.percent - 13)
      }
    }),
  )
})
