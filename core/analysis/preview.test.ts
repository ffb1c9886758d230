import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { previewOf } from './preview'

it('shows the level where there is one, else watts, and how long a record idled', () => {
  const idle = traceFromReadings(
    Array.from({ length: 200 }, (_, s) => ({ t: s, voltage: 9, current: s < 60 ? 0 : 2 })),
  )
  const shown = previewOf(idle)
  expect(shown.unit).toBe('W')
  expect(shown.points.at(-1)).toEqual({ x: 199, y: 18 })
  expect(shown.idleS).toBe(59)
  const levels = previewOf(traceFromReadings([0, 300].map((t) => ({ t, percent: 5 + t / 60, power: 18 }))))
  expect(levels).toEqual({ unit: '%', points: [{ x: 0, y: 5 }, { x: 300, y: 10 }], idleS: 0, charges: [] }) // prettier-ignore
})

it('keeps a spike of a long record, and no more points than can be seen', () => {
  const long = traceFromReadings(
    Array.from({ length: 50_000 }, (_, s) => ({ t: s, power: s === 31_234 ? 60 : 18 })),
  )
  const { points } = previewOf(long)
  expect(points.length).toBeLessThan(10_000)
  expect(points).toContainEqual({ x: 31_234, y: 60 })
})
