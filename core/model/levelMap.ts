import { HALF_POINT } from '../analysis/bracket'
import { workedOutLevel } from '../analysis/workedOut'
import { valueAt, type Samples } from '../trace/samples'
import type { Trace } from '../trace/trace'

/**
 * What a display showed at each energy: percent and Wh since empty, rising together from nothing to a full charge. A
 * display counts charge, and a cell's volts rise as it fills, so that half is shown before half of the energy is in
 * (common practice, no source: at about 48 %).
 */
export interface LevelMap {
  percent: Float64Array
  energyWh: Float64Array
}

/** A curve as far as levels go: without a map, levels are shares of its energy. */
interface Levelled {
  energyWh: Float64Array
  levels: LevelMap | null
}

/** What of a full charge a run saw: shown percent, Wh since empty, seconds. */
export interface Seen {
  first: number
  last: number
  /** Energy at the run's first reading, at its last, and of a full charge. */
  firstWh: number
  lastWh: number
  wholeWh: number
  toS: number
}

/**
 * The map of one run. Levels stand in it as a display shows them on average: a level that has just turned stands half a
 * point below itself. Where a display stood still, fell or jumped, the levels between lie straight along the energy.
 *
 * @param energy Wh since empty against seconds
 */
export function levelMap(trace: Trace, energy: Samples, seen: Seen): LevelMap {
  const [percent, energyWh] = [[0], [0]]
  const put = (level: number, wh: number) => {
    if (!(level > percent[percent.length - 1]) || !(wh > energyWh[energyWh.length - 1])) return
    percent.push(level)
    energyWh.push(wh)
  }
  put(seen.first, seen.firstWh)
  const { t, v } = workedOutLevel(trace)
  for (let i = 1; i < t.length && t[i] < seen.toS; i++) {
    const wh = valueAt(energy, t[i])
    if (v[i] - HALF_POINT < seen.last && wh < seen.lastWh) put(v[i] - HALF_POINT, wh)
  }
  if (seen.last < 100) put(seen.last, seen.lastWh)
  put(100, seen.wholeWh)
  return { percent: Float64Array.from(percent), energyWh: Float64Array.from(energyWh) }
}

const wholeOf = ({ energyWh }: Levelled): number => energyWh[energyWh.length - 1]

/** Wh since empty while a display shows `percent`, somewhere within its point. */
export function energyAt(curve: Levelled, percent: number): number {
  const { levels } = curve
  const within = Math.min(100, Math.max(0, percent))
  return levels ? valueAt({ t: levels.percent, v: levels.energyWh }, within) : (within / 100) * wholeOf(curve)
}

/** Wh since empty at the moment at which a display turns to `percent`. */
export const energyAtTurn = (curve: Levelled, percent: number): number =>
  energyAt(curve, curve.levels && percent < 100 ? percent - HALF_POINT : percent)

/** The level that a display shows on average with `wh` in since empty, percent. */
export function levelAt(curve: Levelled, wh: number): number {
  const { levels } = curve
  const within = Math.min(wholeOf(curve), Math.max(0, wh))
  return levels ? valueAt({ t: levels.energyWh, v: levels.percent }, within) : (100 * within) / wholeOf(curve)
}
