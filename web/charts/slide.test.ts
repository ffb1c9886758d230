import type { Chart } from 'chart.js'
import { expect, it } from 'vitest'
import { isMove, whatChanged } from './changes'
import type { PathChartOptions } from './options'
import { shiftOf, widePicture, widthOver } from './widePicture'

interface Scale {
  min: number
  max: number
  ticks: { value: number }[]
  afterBuildTicks: (scale: Scale) => void
}
const paths = [{ label: 'Bollard 12', ink: 0, points: [{ x: 0, y: 5 }, { x: 3600, y: 90 }] }] // prettier-ignore
const colours = { dark: false }
const options = (over: Partial<PathChartOptions>) =>
  ({ paths, unit: '%', from: 600, until: 1200, whole: 3600, colours, showClock: true, ...over }) as unknown as PathChartOptions // prettier-ignore

it('tells a view that moved from one that looks closer, from other paths and from another look', () => {
  const before = options({})
  const is = (over: Partial<PathChartOptions>) => isMove(before, options(over))
  expect(is({ from: 700, until: 1300 })).toBe(true)
  // Points are had anew for where it is now.
  expect(is({ from: 700, until: 1300, paths: [...paths] })).toBe(true)
  expect(is({ from: 700 })).toBe(false)
  expect(is({ paths: [...paths] })).toBe(false)
  expect(is({ from: 700, until: 1300, height: 100 } as never)).toBe(false)
  expect(is({ from: 700, until: 1300, showClock: false })).toBe(false)
  expect(whatChanged(before, options({}))).toEqual([])
})

it('draws over all that the points cover with the scale and the steps of the still one, and lies over it', () => {
  const [over, view] = [{ from: 0, until: 1800 }, { from: 600, until: 1200 }] // prettier-ignore
  const still = {
    chartArea: { top: 26 },
    scales: { y: { min: -2, max: 7, ticks: [{ value: 0 }, { value: 5 }] } },
  } as unknown as Chart<'line'>
  const wide = widePicture(options({ unit: 'W' }), over, still).options as unknown as {
    scales: Record<'x' | 'y', Scale>
    layout: { padding: { top: number } }
  }
  const [x, y] = [wide.scales.x, wide.scales.y]
  expect([x.min, x.max, y.min, y.max, wide.layout.padding.top]).toEqual([0, 1800, -2, 7, 26])
  x.afterBuildTicks(x)
  y.afterBuildTicks(y)
  // Ten minutes in view have a rule every two minutes; so has all of it.
  expect(x.ticks.map((t) => t.value / 60)).toEqual([0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 26, 28, 30]) // prettier-ignore
  expect(y.ticks.map((t) => t.value)).toEqual([0, 5])
  // A plot of 700 px in a frame of 764: thrice as long in time is thrice as wide, and its second third is in view.
  expect(widthOver(over, view, 764, 700)).toBe(2164)
  expect(shiftOf(over, view, 700)).toBe(700)
})
