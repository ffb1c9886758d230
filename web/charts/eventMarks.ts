import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { eventPlaces } from './eventPlaces'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type PathChartOptions } from './options'
import { widthOf } from './textWidth'

const FONT = { size: 11, weight: 'bold' } as const
const FACE = "bold 11px 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
const ROWS = 3
const ROW_PX = 15
const ABOVE_TICK_PX = 12
/** A tick is so much of the frame's height. */
const TICK_SHARE = 0.06

/** Events: ticks on the time axis, with their words above them as far as there is room; the list below has them all. */
export function eventMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const c = o.colours
  const events = o.events ?? []
  const [low, high] = [o.min ?? 0, o.max ?? 100]
  const top = low + (high - low) * TICK_SHARE
  const plot = o.width - AXIS_WIDTH - RIGHT_PX
  const from = o.from ?? 0
  const words = events.map(({ x, text }) => ({
    x: (plot * (x - from)) / (lengthOf(o) - from),
    width: widthOf(text, FACE),
  }))
  const places = eventPlaces(words, 0, plot, ROWS)
  return Object.fromEntries(
    events.flatMap(({ x, text }, i): [string, AnnotationOptions][] => {
      const tick: AnnotationOptions = {
        type: 'line',
        xMin: x,
        xMax: x,
        yMin: low,
        yMax: top,
        borderColor: c.text,
        borderWidth: 2,
      }
      const place = places[i]
      if (!place) return [[`event${i}`, tick]]
      const label: AnnotationOptions = {
        type: 'label',
        xValue: x,
        yValue: top,
        content: text,
        xAdjust: place.left + words[i].width / 2 - words[i].x,
        yAdjust: -ABOVE_TICK_PX - ROW_PX * place.row,
        padding: 0,
        color: c.text,
        // Where a path runs through its words, they stand before it.
        textStrokeColor: c.ground,
        textStrokeWidth: 4,
        font: FONT,
      }
      return [
        [`event${i}`, tick],
        [`event${i}-words`, label],
      ]
    }),
  )
}
