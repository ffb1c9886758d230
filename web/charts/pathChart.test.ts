import { expect, it } from 'vitest'
import type { PathChartOptions } from './options'
import { carriedOn, pathChart } from './pathChart'

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

it('goes on with the objects that a chart knows, each with its own look, and makes others for what is new', () => {
  const paths = [0, 1, 2].map((ink) => ({ label: `Hawser ${ink}`, ink, points }))
  const before = chart({ paths })
  const moved = chart({ paths: paths.map((p) => ({ ...p, points: points.slice(1) })), from: 300 })
  const went = carriedOn(before, moved)
  // Three paths and three marks at their ends.
  expect(went).toHaveLength(6)
  went.forEach((drawn, i) => expect(drawn).toBe(before[i]))
  expect(went[0].data).toHaveLength(3)
  // The first has no mark any more: the others keep theirs, and their looks.
  const fewer = chart({ paths: paths.map((p, i) => (i ? p : { ...p, faded: true })) })
  const styles = fewer.map((drawn) => [drawn.pointStyle, drawn.borderColor])
  const kept = carriedOn(went, fewer)
  expect(kept.map((drawn) => [drawn.pointStyle, drawn.borderColor])).toEqual(styles)
  expect(went).not.toContain(kept[0])
  expect(went.slice(4)).toEqual(expect.arrayContaining(kept.slice(3)))
})
