import { expect, it } from 'vitest'
import type { Path } from './options'
import { pathRows } from './pathRows'

const path = (points: [number, number][], as?: Path['as']): Path => ({
  label: '',
  ink: 0,
  points: points.map(([x, y]) => ({ x, y })),
  as,
})
const logged = (every: number, count: number) => path(Array.from({ length: count }, (_, i) => [i * every, i]))

it('has a row wherever a path has a point, with what stands on the others there', () => {
  const sloped = path([[0, 2], [600, 12]]) // prettier-ignore
  const stairs = path([[0, 5], [300, 6], [900, 7]], 'stairs') // prettier-ignore
  expect(pathRows([sloped, stairs], { until: 1200 })).toEqual([
    { x: 0, values: [2, 5] },
    { x: 300, values: [7, 6] },
    { x: 600, values: [12, 6] },
    { x: 900, values: [NaN, 7] },
  ])
  expect(pathRows([sloped, stairs], { from: 301, until: 899 }).map(({ x }) => x)).toEqual([600])
  expect(pathRows([], { until: 60 })).toEqual([])
})

it('goes by round moments where there are more points than can be read, and by tens of a level', () => {
  const rows = pathRows([logged(1, 3601)], { until: 3600 })
  expect(rows.map(({ x, values }) => [x / 60, values[0]])).toEqual(
    [0, 10, 20, 30, 40, 50, 60].map((m) => [m, m * 60]),
  )
  // The frame reaches an hour further than the record.
  expect(pathRows([logged(1, 3601)], { until: 7200 }).at(-1)).toEqual({ x: 3600, values: [3600] })
  const levels = pathRows([logged(1, 101)], { until: 100, across: 'level' })
  expect(levels.map(({ x }) => x)).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100])
  // Two readings at one instant are a step: the last one holds from there on.
  expect(pathRows([path([[0, 1], [60, 5], [60, 9], [120, 9]])], { until: 120 }).map((r) => r.values[0])).toEqual([1, 9, 9]) // prettier-ignore
})
