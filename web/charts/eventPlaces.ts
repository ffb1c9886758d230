/** Words that want to stand above a tick: where the tick is, and how wide they are. Pixels. */
export interface TickWords {
  x: number
  width: number
}

/** Where they stand: their left edge, and the row above the tick (0 is the nearest). */
export interface TickPlace {
  left: number
  row: number
}

/** Least room between words in one row, px. */
const GAP_PX = 8

/**
 * Places words over their ticks, each moved no further than it takes to stay between `left` and `right`, in the first row
 * in which nothing stands there yet, from the first tick on. Null where all rows are taken, or the words are wider than the
 * room: the tick stands alone then. One look at every row for each, so it ends whatever the numbers are.
 */
export function eventPlaces(
  words: readonly TickWords[],
  left: number,
  right: number,
  rows: number,
): (TickPlace | null)[] {
  const taken = Array.from({ length: rows }, () => -Infinity)
  const places = words.map((): TickPlace | null => null)
  const inOrder = words.map((_, i) => i).sort((a, b) => words[a].x - words[b].x)
  for (const i of inOrder) {
    const { x, width } = words[i]
    if (!(width <= right - left)) continue
    const at = Math.max(left, Math.min(x - width / 2, right - width))
    const row = taken.findIndex((until) => at >= until + GAP_PX)
    if (row < 0) continue
    taken[row] = at + width
    places[i] = { left: at, row }
  }
  return places
}

/**
 * Moves marks of one width along a line until none lies over another, in their order, each to the right of the one before
 * it; back from the right edge where they would leave it, and closer where there are more than stand side by side. Pixels
 * of their middles, in the order given.
 */
export function apart(middles: readonly number[], width: number, right: number): number[] {
  const moved = [...middles]
  const step = Math.min(width, right / Math.max(1, middles.length - 1))
  const inOrder = middles.map((_, i) => i).sort((a, b) => middles[a] - middles[b] || a - b)
  inOrder.forEach((i, k) => {
    if (k > 0) moved[i] = Math.max(moved[i], moved[inOrder[k - 1]] + step)
  })
  inOrder.toReversed().forEach((i, k, all) => {
    moved[i] = Math.min(moved[i], k > 0 ? moved[all[k - 1]] - step : right)
  })
  return moved
}
