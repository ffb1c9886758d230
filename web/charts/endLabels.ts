import type { Chart, Plugin } from 'chart.js'

/** Settings of the plugin: the words at each line's end, and the least distance between them. */
export interface EndLabelOptions {
  labels: string[]
  colours: string[]
  /** Paper colour, drawn round the words so that paths do not cross them. */
  ground: string
}

declare module 'chart.js' {
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface PluginOptionsByType<TType extends import('chart.js').ChartType> {
    endLabels?: EndLabelOptions
  }
}

const GAP_PX = 8
const LINE_PX = 17

interface Placed {
  text: string
  colour: string
  /** Where the path ends, and where the words start and stand. */
  endX: number
  endY: number
  x: number
  y: number
  width: number
}

/** Names each path where it ends, instead of a legend; labels that would overlap are moved apart and led to. */
export const endLabels: Plugin<'line', EndLabelOptions> = {
  id: 'endLabels',
  afterDatasetsDraw(chart, _args, options) {
    if (!options?.labels?.length) return
    const { ctx } = chart
    ctx.save()
    ctx.font = `600 13px ${chart.options.font?.family ?? 'sans-serif'}`
    ctx.textBaseline = 'middle'
    ctx.lineJoin = 'round'
    for (const label of apart(ends(chart, options))) {
      ctx.strokeStyle = label.colour
      ctx.lineWidth = 1
      if (Math.abs(label.y - label.endY) > LINE_PX / 2) lead(ctx, label)
      ctx.strokeStyle = options.ground
      ctx.lineWidth = 4
      ctx.strokeText(label.text, label.x, label.y)
      ctx.fillStyle = label.colour
      ctx.fillText(label.text, label.x, label.y)
    }
    ctx.restore()
  },
}

function lead(ctx: CanvasRenderingContext2D, { endX, endY, x, y }: Placed): void {
  ctx.beginPath()
  ctx.moveTo(endX, endY + 6)
  ctx.lineTo(x - 2, y)
  ctx.stroke()
}

function ends(chart: Chart<'line'>, options: EndLabelOptions): Placed[] {
  return chart.data.datasets.flatMap((_, i) => {
    const last = chart.getDatasetMeta(i).data.at(-1)
    const text = options.labels[i]
    if (!last || !text) return []
    const end = last.getProps(['x', 'y'], true)
    const width = chart.ctx.measureText(text).width
    const x = Math.min(end.x + GAP_PX, chart.width - width - 4)
    return [{ text, colour: options.colours[i], endX: end.x, endY: end.y, x, y: end.y, width }]
  })
}

/** From the right to the left, each label goes down until it touches none that is placed already. */
function apart(labels: Placed[]): Placed[] {
  const placed: Placed[] = []
  for (const label of labels.sort((a, b) => b.endX - a.endX)) {
    const touches = (other: Placed) =>
      Math.abs(other.y - label.y) < LINE_PX &&
      label.x < other.x + other.width + GAP_PX &&
      other.x < label.x + label.width + GAP_PX
    for (let other = placed.find(touches); other; other = placed.find(touches)) label.y = other.y + LINE_PX
    placed.push(label)
  }
  return placed
}
