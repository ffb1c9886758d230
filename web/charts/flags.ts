import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type Flag, type PathChartOptions } from './options'
import { apart } from './eventPlaces'
import { widthOf } from './textWidth'

const FLAG_FONT = "600 12px 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
const PADDING_PX = 6
const FROM_POLE_PX = 6

/** How far a flag's right edge stands from its pole, px: to its left, but never over the scale beside the plot. */
function fromPole(flag: Flag, o: PathChartOptions): number {
  if (o.width <= 0) return -FROM_POLE_PX
  const from = o.from ?? 0
  const room = ((o.width - AXIS_WIDTH - RIGHT_PX) * (flag.x - from)) / (lengthOf(o) - from)
  return Math.max(-FROM_POLE_PX, widthOf(flag.text, FLAG_FONT) + 2 * (PADDING_PX + 1) - room)
}

/** Milestones: a flag with the figure on it, its bracket as a short bar along the line. */
export function flagMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const c = o.colours
  const marks: Record<string, AnnotationOptions> = {}
  o.flags?.forEach((flag, i) => {
    marks[`bar${i}`] = {
      type: 'line',
      xMin: flag.from,
      xMax: flag.to,
      yMin: flag.y,
      yMax: flag.y,
      borderColor: c.accent,
      borderWidth: 5,
    }
    marks[`pole${i}`] = {
      type: 'line',
      xMin: flag.x,
      xMax: flag.x,
      yMin: 0,
      yMax: flag.y,
      borderColor: c.accent,
      borderWidth: 1,
      borderDash: [1, 3],
    }
    marks[`flag${i}`] = {
      type: 'label',
      xValue: flag.x,
      yValue: flag.y,
      content: flag.text,
      color: c.text,
      backgroundColor: c.ground,
      borderColor: c.accent,
      borderWidth: 1,
      borderRadius: 2,
      padding: { x: PADDING_PX, y: 2 },
      font: { size: 12, weight: 600 },
      position: { x: 'end', y: 'end' },
      xAdjust: fromPole(flag, o),
      yAdjust: -6,
    }
  })
  return marks
}

/** Readings that were watched as they changed. */
export function ringMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const ring = (point: { x: number; y: number }): AnnotationOptions => ({
    type: 'point',
    xValue: point.x,
    yValue: point.y,
    radius: 7,
    backgroundColor: 'transparent',
    borderColor: o.colours.accent,
    borderWidth: 2,
  })
  return Object.fromEntries((o.rings ?? []).map((point, i) => [`ring${i}`, ring(point)]))
}

/** How wide a letter's mark is, px. */
const LETTER_PX = 19

/** Findings: a letter at its moment, low on the path, or beside the one that stands there; the list beside it says what it is. */
export function findingMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const c = o.colours
  const findings = o.findings ?? []
  const from = o.from ?? 0
  const plot = Math.max(0, o.width - AXIS_WIDTH - RIGHT_PX)
  const middles = findings.map(({ x }) => (plot * (x - from)) / (lengthOf(o) - from))
  const moved = plot > 0 ? apart(middles, LETTER_PX, plot) : middles
  return Object.fromEntries(
    findings.map(({ x, text }, i) => [
      `finding${i}`,
      {
        type: 'label',
        xValue: x,
        xAdjust: moved[i] - middles[i],
        yValue: o.min ?? 0,
        yAdjust: -12,
        content: text,
        color: c.ground,
        backgroundColor: c.accent,
        borderRadius: 8,
        padding: { x: 5, y: 1 },
        font: { size: 11, weight: 700 },
      } satisfies AnnotationOptions,
    ]),
  )
}
