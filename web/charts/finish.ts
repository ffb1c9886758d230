import { inkColour } from './colours'
import { placeLabels, roomFor, type FinishLabel } from './finishLine'
import type { FinishPlace } from './finishPlaces'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type PathChartOptions } from './options'

/** The names on the finish line and where they stand; none where the chart has no such line. */
export function finishOf(o: PathChartOptions): {
  labels: FinishLabel[]
  places: FinishPlace[]
  room: number
} {
  if (o.finishLevel === undefined || o.width <= 0) return { labels: [], places: [], room: 0 }
  const labels = o.paths.flatMap((path): FinishLabel[] => {
    const end = path.points.at(-1)
    if (path.faded || path.unnamed || !end) return []
    const colour = inkColour(path.ink, o.colours)
    return [{ name: path.label, figure: path.finish ?? '', colour, atX: end.x, atY: end.y }]
  })
  const places = placeLabels(labels, {
    plotLeft: AXIS_WIDTH,
    plotRight: o.width - RIGHT_PX,
    right: o.width,
    until: lengthOf(o),
  })
  return { labels, places, room: roomFor(places) }
}
