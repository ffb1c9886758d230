/** A full run of a device from which its acceptance curve may be made. */
export interface FullRun {
  /** Time to full, s; NaN where it is not known. */
  fullS: number
  /** What its source is rated at, W. */
  ratedW: number
  /** Something of it is to be minded: heat, or a level that jumped to full. */
  isOdd: boolean
}

/**
 * Full runs in the order in which they tell what a device takes: the soonest full was held back least, by its source or by
 * heat, whatever its charger is rated at. Those whose time is not known come after, by their source's watts; odd ones last.
 *
 * @example byStrength([{ fullS: 7200, ratedW: 65, isOdd: false }, { fullS: 4740, ratedW: 30, isOdd: false }])[0].ratedW // 30
 */
export const byStrength = <T extends FullRun>(runs: readonly T[]): T[] =>
  [...runs].sort((a, b) => {
    if (a.isOdd !== b.isOdd) return a.isOdd ? 1 : -1
    const [x, y] = [a.fullS, b.fullS].map((s) => (Number.isNaN(s) ? Infinity : s))
    return x === y ? b.ratedW - a.ratedW : x - y
  })
