import { bisector, range, sort } from 'd3-array'
import { clockTicks } from './clockTicks'
import type { Path, Point } from './options'

/** What stands at one place of a picture, by path; NaN where a path is not there. */
export interface PathRow {
  x: number
  values: number[]
}
export interface PathRowsOptions {
  from?: number
  until: number
  across?: 'clock' | 'level'
}

/** As many single readings are a table to be read; of more, a row at each round moment. */
const MOST_ROWS = 40
const LEVEL_STEP = 10

const { right } = bisector<Point, number>(({ x }) => x)
/** Along the line between two points, or as it stood before where it goes by stairs. Nothing beyond its ends. */
function valueAt({ points, as }: Path, x: number): number {
  const next = right(points, x)
  const [before, after] = [points[next - 1], points[next]]
  if (!before) return NaN
  if (before.x === x) return before.y
  if (!after) return NaN
  return as === 'stairs'
    ? before.y
    : before.y + ((after.y - before.y) * (x - before.x)) / (after.x - before.x)
}

/** The paths of a picture as a table: every place where one has a point, or round ones where there are too many. */
export function pathRows(
  paths: readonly Path[],
  { from = 0, until, across = 'clock' }: PathRowsOptions,
): PathRow[] {
  const places = new Set<number>()
  for (const { points } of paths)
    for (const { x } of points) {
      if (x >= from && x <= until) places.add(x)
      if (places.size > MOST_ROWS) break
    }
  const round = () =>
    across === 'level'
      ? range(Math.ceil(from / LEVEL_STEP) * LEVEL_STEP, until + 1, LEVEL_STEP)
      : clockTicks(until, false, from).map(({ value }) => value)
  // A frame may be longer than what stands in it: where there is nothing yet, there is no row.
  return (places.size > MOST_ROWS ? round() : sort(places))
    .map((x) => ({ x, values: paths.map((path) => valueAt(path, x)) }))
    .filter(({ values }) => values.some((value) => !Number.isNaN(value)))
}
