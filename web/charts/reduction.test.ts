import { expect, it } from 'vitest'
import { pointsOf, pointsOfSamples } from './reduction'

const t = Float64Array.from({ length: 100 }, (_, i) => i)
const v = t.map((s) => s * s)

it('gives what is in view and the reading on either side, so that lines run on', () => {
  const points = pointsOfSamples({ t, v }, { from: 10.5, until: 12.5 })
  expect(points.map((p) => p.x)).toEqual([10, 11, 12, 13])
  expect(points[0]).toEqual({ x: 10, y: 100 })
  expect(pointsOf(t, undefined)).toEqual([])
})

it('draws anew where the view or a time changed, though the values are the same', () => {
  const whole = pointsOfSamples({ t, v })
  expect(whole).toHaveLength(100)
  expect(pointsOfSamples({ t, v })).toBe(whole)
  const moved = t.with(50, 50.25)
  expect(pointsOfSamples({ t: moved, v })[50].x).toBe(50.25)
  expect(pointsOfSamples({ t: moved, v }, { from: 0, until: 5 }).length).toBeLessThan(10)
})
