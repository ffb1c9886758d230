/** A place in a picture, px. */
export interface At {
  x: number
  y: number
}
/** A point that wants a name beside it, px: how much room the name takes. */
export interface Callout extends At {
  width: number
  height: number
}
/** What a name must not lie over: a line between two places. */
export type Stroke = readonly [At, At]
export interface Room {
  left: number
  right: number
  top: number
  bottom: number
}

/** How far from its point a name may stand, px, the nearest first. */
const APART_PX = [7, 20, 36, 56, 80]
const PAD_PX = 2

/**
 * Where the names of points stand: beside, above or below them, over no line, no other name and no edge, nor its lead
 * over another name; null for one
 * that has no room. A fixed number of places is tried for each, in the order in which they come.
 *
 * @param strokes what is drawn already
 */
export function placeCallouts(
  points: readonly Callout[],
  strokes: readonly Stroke[],
  room: Room,
): (Room | null)[] {
  const placed: Room[] = []
  const leads: Stroke[] = []
  return points.map((point) => {
    const free = candidates(point).find(
      (box) =>
        box.left >= room.left &&
        box.right <= room.right &&
        box.top >= room.top &&
        box.bottom <= room.bottom &&
        placed.every((other) => !overlap(box, other)) &&
        [...strokes, ...leads].every((stroke) => !crosses(stroke, box)) &&
        placed.every((other) => !crosses(leadOf(point, box), other)),
    )
    if (free) {
      placed.push(free)
      leads.push(leadOf(point, free))
    }
    return free ?? null
  })
}

/** The line that leads from a point to the near corner of its name. */
export const leadOf = ({ x, y }: At, box: Room): Stroke => [
  { x, y },
  { x: x < box.left ? box.left : box.right, y: y < box.top ? box.top : box.bottom },
]

/** Boxes to the upper right, the lower right, the upper left and the lower left, nearer ones first. */
const candidates = ({ x, y, width, height }: Callout): Room[] =>
  APART_PX.flatMap((apart) => {
    const [above, below] = [y - apart - height, y + apart]
    const [right, left] = [x + apart, x - apart - width]
    return [
      [right, above],
      [right, below],
      [left, above],
      [left, below],
    ].map(([from, top]) => ({ left: from, right: from + width, top, bottom: top + height }))
  })

const overlap = (a: Room, b: Room): boolean =>
  a.left < b.right + PAD_PX &&
  b.left < a.right + PAD_PX &&
  a.top < b.bottom + PAD_PX &&
  b.top < a.bottom + PAD_PX

/** Whether a line runs through a box (Liang and Barsky 1984, from memory). */
function crosses([a, b]: Stroke, box: Room): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const edges = [
    [-dx, a.x - (box.left - PAD_PX)],
    [dx, box.right + PAD_PX - a.x],
    [-dy, a.y - (box.top - PAD_PX)],
    [dy, box.bottom + PAD_PX - a.y],
  ]
  let [enters, leaves] = [0, 1]
  for (const [towards, away] of edges) {
    if (towards === 0) {
      if (away < 0) return false
    } else if (towards < 0) enters = Math.max(enters, away / towards)
    else leaves = Math.min(leaves, away / towards)
  }
  return enters <= leaves
}
