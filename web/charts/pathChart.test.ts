import { expect, it } from 'vitest'
import type { PathChartOptions } from './options'
import { pathChart } from './pathChart'

const points = [0, 600, 1200, 1800].map((x, i) => ({ x, y: 20 * i }))
const chart = (over: Partial<PathChartOptions>) =>
  pathChart({
    paths: [{ label: 'Bollard 12', ink: 0, points }],
    unit: '%',
    until: 1800,
    whole: 1800,
    colours: { dark: false },
    ...over,
  } as unknown as PathChartOptions).data.datasets

it('marks the end of a path, and not where a closer look cuts it off', () => {
  const [path, end] = chart({})
  expect(path.data).toHaveLength(4)
  expect(end.data).toEqual([{ x: 1800, y: 60 }])
  expect(chart({ until: 1500 })).toHaveLength(1)
  expect(chart({ paths: [{ label: 'Shown', ink: 0, points, as: 'points' }] })).toHaveLength(1)
})

it('draws over the frame only where the whole ends', () => {
  const sides = (over: Partial<PathChartOptions>) => {
    const { left, right } = chart(over)[0].clip as { left: number; right: number }
    return [left > 0, right > 0]
  }
  expect(sides({})).toEqual([true, true])
  expect(sides({ from: 300, until: 1500 })).toEqual([false, false])
  expect(sides({ from: 300 })).toEqual([false, true])
  expect(sides({ until: 1500 })).toEqual([true, false])
  // One that stands still shows all that there is.
  expect(sides({ whole: undefined, until: 1500 })).toEqual([true, true])
})
