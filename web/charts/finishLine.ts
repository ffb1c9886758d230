import type { Chart, Plugin } from 'chart.js'
import { finishPlaces, rowsOf, type FinishPlace } from './finishPlaces'
import { widthOf } from './textWidth'

/** A path's name and what stands beside it, led to where the path ended. */
export interface FinishLabel {
  name: string
  /** The time at the line, or the level at which the path stopped short of it. */
  figure: string
  colour: string
  /** Where the path ended, in the chart's own units. */
  atX: number
  atY: number
}

/** Settings of the plugin: labels placed for the width of the frame, and the colours of line and paper. */
export interface FinishLineOptions {
  labels: FinishLabel[]
  places: FinishPlace[]
  /** The level of the line, in the chart's own unit. */
  level: number
  line: string
  /** Drawn under the words, so that leads pass behind them. */
  ground: string
}

declare module 'chart.js' {
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface PluginOptionsByType<TType extends import('chart.js').ChartType> {
    finishLine?: FinishLineOptions
  }
}

const ROW_PX = 19
/** From the line to the middle of the lowest row: the marks at the paths' ends stand between. */
const FIRST_ROW_PX = 19
const INNER_GAP_PX = 6
const NAME_FONT = "600 13px 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
const FIGURE_FONT = "13px 'Atkinson Hyperlegible Mono Variable', monospace"

const labelWidth = ({ name, figure }: FinishLabel): number =>
  widthOf(name, NAME_FONT) + INNER_GAP_PX + widthOf(figure, FIGURE_FONT)

/** Places labels in a frame whose plot runs from `plotLeft` to `plotRight` px for `until` units of x. */
export function placeLabels(
  labels: readonly FinishLabel[],
  frame: { plotLeft: number; plotRight: number; right: number; until: number },
): FinishPlace[] {
  const scale = (frame.plotRight - frame.plotLeft) / frame.until
  const most = frame.right - frame.plotLeft
  const finishes = labels.map((label) => ({
    endX: frame.plotLeft + label.atX * scale,
    width: Math.min(most, labelWidth(label)),
  }))
  return finishPlaces(finishes, frame.plotLeft, frame.right)
}

/** Room above the plot that the rows of names take, px. */
export const roomFor = (places: readonly FinishPlace[]): number =>
  places.length ? FIRST_ROW_PX + rowsOf(places) * ROW_PX : 0

/** Names and times in the order of arrival above the line at the full mark, each led to its path's end. */
export const finishLine: Plugin<'line', FinishLineOptions> = {
  id: 'finishLine',
  afterDatasetsDraw(chart, _args, options) {
    if (!options?.labels?.length) return
    const { ctx } = chart
    ctx.save()
    ctx.textBaseline = 'middle'
    ctx.lineWidth = 1
    drawLine(chart, options)
    for (const [i, label] of options.labels.entries()) drawLead(chart, options, label, options.places[i])
    for (const [i, label] of options.labels.entries()) drawWords(chart, options, label, options.places[i])
    ctx.restore()
  },
}

const yOfRow = (chart: Chart, level: number, row: number): number =>
  chart.scales.y.getPixelForValue(level) - FIRST_ROW_PX - row * ROW_PX

function drawLine(chart: Chart, { level, line }: FinishLineOptions): void {
  const { ctx, chartArea, scales } = chart
  const y = scales.y.getPixelForValue(level)
  ctx.strokeStyle = line
  ctx.beginPath()
  ctx.moveTo(chartArea.left, y)
  ctx.lineTo(chartArea.right, y)
  ctx.stroke()
}

function drawLead(chart: Chart, { level }: FinishLineOptions, label: FinishLabel, place: FinishPlace): void {
  const { ctx, scales } = chart
  const x = scales.x.getPixelForValue(label.atX)
  ctx.strokeStyle = label.colour
  ctx.beginPath()
  ctx.moveTo(x, scales.y.getPixelForValue(label.atY) - INNER_GAP_PX)
  ctx.lineTo(x, yOfRow(chart, level, place.row) + ROW_PX / 2 - 2)
  ctx.stroke()
}

function drawWords(chart: Chart, o: FinishLineOptions, label: FinishLabel, place: FinishPlace): void {
  const { ctx } = chart
  const y = yOfRow(chart, o.level, place.row)
  const nameWidth = widthOf(label.name, NAME_FONT)
  const room = chart.width - place.x
  ctx.fillStyle = o.ground
  ctx.fillRect(place.x - 2, y - ROW_PX / 2 + 1, Math.min(room, labelWidth(label) + 4), ROW_PX - 2)
  ctx.fillStyle = label.colour
  ctx.font = NAME_FONT
  // A name too long for the frame is drawn narrower rather than cut.
  const figureWidth = widthOf(label.figure, FIGURE_FONT) + INNER_GAP_PX
  const nameRoom = Math.max(20, room - figureWidth)
  ctx.fillText(label.name, place.x, y, nameRoom)
  ctx.fillStyle = o.line
  ctx.font = FIGURE_FONT
  ctx.fillText(label.figure, place.x + Math.min(nameWidth, nameRoom) + INNER_GAP_PX, y)
}
