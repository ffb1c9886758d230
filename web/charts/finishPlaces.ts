/** One path that wants its name above the line: where it ended, and how wide its words are. Pixels. */
export interface Finish {
  /** Where the path met the line, or ended below it. */
  endX: number
  width: number
}

/** Where the words of one path stand: their left edge, and the row above the line (0 is the nearest). */
export interface FinishPlace {
  x: number
  row: number
}

/** Least room between the words of two paths in one row, and between words and another path's lead. */
const GAP_PX = 10

/**
 * Places names above the finish line so that no two stand on one another. Each begins at its path's end, or is
 * moved left as far as it takes to stay inside; the earliest to arrive stand highest, so that a lead going up
 * passes beside the words below it. From the right to the left, each name takes the first row above all those it
 * would touch: one look at every pair, so it ends after n²/2 steps whatever the numbers are.
 *
 * Returns places in the order of `finishes`. Rows go from 0 to at most n − 1.
 */
export function finishPlaces(finishes: readonly Finish[], left: number, right: number): FinishPlace[] {
  const places = finishes.map(({ endX, width }) => ({
    x: Math.max(left, Math.min(endX, right - width)),
    row: 0,
  }))
  const fromTheRight = finishes.map((_, i) => i).sort((a, b) => finishes[b].endX - finishes[a].endX || b - a)
  fromTheRight.forEach((mine, turn) => {
    for (const other of fromTheRight.slice(0, turn))
      if (touch(finishes[mine], places[mine], finishes[other], places[other]))
        places[mine].row = Math.max(places[mine].row, places[other].row + 1)
  })
  return places
}

/** Rows that a set of places takes. */
export const rowsOf = (places: readonly FinishPlace[]): number =>
  places.reduce((most, { row }) => Math.max(most, row + 1), 0)

/** Whether two names, leads included, would meet if they stood in one row. */
function touch(a: Finish, atA: FinishPlace, b: Finish, atB: FinishPlace): boolean {
  const spanA = [Math.min(atA.x, a.endX), Math.max(atA.x + a.width, a.endX)]
  const spanB = [Math.min(atB.x, b.endX), Math.max(atB.x + b.width, b.endX)]
  return spanA[0] < spanB[1] + GAP_PX && spanB[0] < spanA[1] + GAP_PX
}
