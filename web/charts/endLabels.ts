import type { Chart, Plugin } from 'chart.js'

/** Settings of the plugin: the words at each line's end, and the least distance between them. */
export interface EndLabelOptions {
  labels: string[]
  colours: string[]
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
  x: number
  y: number
}

/** Names each path where it ends, instead of a legend; labels that would overlap are moved apart. */
export const endLabels: Plugin<'line', EndLabelOptions> = {
  id: 'endLabels',
  afterDatasetsDraw(chart, _args, options) {
    if (!options?.labels?.length) return
    const placed = spread(ends(chart, options), chart.chartArea.top, chart.chartArea.bottom)
    const { ctx } = chart
    ctx.save()
    ctx.font = `600 13px ${chart.options.font?.family ?? 'sans-serif'}`
    ctx.textBaseline = 'middle'
    for (const { text, colour, x, y } of placed) {
      const room = chart.width - x - 4
      const width = ctx.measureText(text).width
      ctx.fillStyle = colour
      ctx.textAlign = width > room ? 'right' : 'left'
      ctx.fillText(text, width > room ? chart.width - 4 : x, y)
    }
    ctx.restore()
  },
}

function ends(chart: Chart<'line'>, options: EndLabelOptions): Placed[] {
  return chart.data.datasets.flatMap((_, i) => {
    const last = chart.getDatasetMeta(i).data.at(-1)
    if (!last || !options.labels[i]) return []
    const { x, y } = last.getProps(['x', 'y'], true)
    return [{ text: options.labels[i], colour: options.colours[i], x: x + GAP_PX, y }]
  })
}

/** Pushes labels down until none overlap, then back up where they left the frame. */
function spread(labels: Placed[], top: number, bottom: number): Placed[] {
  const sorted = labels.sort((a, b) => a.y - b.y)
  sorted.forEach((label, i) => {
    const above = sorted[i - 1]
    label.y = Math.max(label.y, top, above ? above.y + LINE_PX : -Infinity)
  })
  for (let i = sorted.length - 1; i >= 0; i--) {
    const below = sorted[i + 1]
    sorted[i].y = Math.min(sorted[i].y, below ? below.y - LINE_PX : bottom)
  }
  return sorted
}
