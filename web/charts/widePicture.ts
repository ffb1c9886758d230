import type { Chart, ChartConfiguration } from 'chart.js'
import type { ChartView } from './view'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type PathChartOptions, type Point } from './options'
import { pathChart } from './pathChart'
import { clockStep, ticksEvery } from './clockTicks'

/**
 * The same chart over all that its points cover, as wide as that is long and with the scale that the still one has: the
 * part of it that is in view lies over the still one to within a pixel.
 *
 * @param still the chart in view, drawn
 */
export function widePicture(
  o: PathChartOptions,
  over: ChartView,
  still: Chart<'line'>,
): ChartConfiguration<'line', Point[]> {
  const { from = 0 } = o
  const { y } = still.scales
  const step = clockStep(lengthOf(o) - from, o.narrow)
  const plot = o.width - AXIS_WIDTH - RIGHT_PX
  const picture = pathChart({
    ...o,
    ...over,
    // Words are placed by it.
    width: o.width > 0 ? widthOver(over, { from, until: lengthOf(o) }, o.width, plot) : 0,
    min: y.min,
    max: y.max,
    whole: undefined,
    moved: undefined,
    pointed: undefined,
    finishLevel: undefined,
  })
  const { scales, layout } = picture.options as {
    scales: Record<'x' | 'y', { afterBuildTicks: (scale: { ticks: { value: number }[] }) => void }>
    layout: { padding: object }
  }
  scales.x.afterBuildTicks = (scale) => void (scale.ticks = ticksEvery(step, over.until, over.from))
  scales.y.afterBuildTicks = (scale) => void (scale.ticks = y.ticks.map(({ value }) => ({ value })))
  layout.padding = { ...layout.padding, top: still.chartArea.top }
  return { ...picture, options: { ...picture.options, responsive: false, events: [] } }
}

/** How wide it is, px, where the frame of the still one is `frame` and its plot `plot`. */
export const widthOver = (over: ChartView, view: ChartView, frame: number, plot: number): number =>
  frame - plot + (plot * (over.until - over.from)) / (view.until - view.from)

/** How far it is moved to the left, px, so that the view lies where the still one has it. */
export const shiftOf = (over: ChartView, view: ChartView, plot: number): number =>
  (plot * (view.from - over.from)) / (view.until - view.from)
