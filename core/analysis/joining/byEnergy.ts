import { fitLine } from '../../stats/line'
import { valueAt, type Samples } from '../../trace/samples'
import type { LevelPoints } from './levelPoints'

/** What is added to the device's clock, and how sure it is (standard uncertainty). s */
export interface Offset {
  offsetS: number
  uncertaintyS: number
}

/** Clocks further apart than this are not looked for, s. */
const FURTHEST_S = 3600
const COARSE_STEP_S = 10
/** So many points of level at least. */
const LEAST_POINTS = 8
/** Of which so much must fall within the meter’s record. */
const SEEN_SHARE = 0.8
/** Lost in a cell at one capacity an hour, as a share: usual, and how far off that may be (from memory). */
const CELL_LOSS = { usual: 0.05, within: 0.05 }
/** Drawn beside the charge, as a share of the most that flows: usual, and how far off that may be. */
const BESIDE = { usual: 0.01, within: 0.01 }

/**
 * The lag at which the energy delivered by one clock and the level shown by another agree best: least squares of
 * level = a + b × stored energy over lags. Its uncertainty has two parts in quadrature: what the residuals leave open,
 * widened by how they hang together, and how far the answer moves with what is lost in the cell and drawn beside the
 * charge, which nobody measured. Null where there is too little to go by, or power never changes.
 *
 * @param watts at the meter, by its clock
 * @param levels of the display, by the device's clock
 */
export function offsetByEnergy(watts: Samples, levels: LevelPoints): Offset | null {
  if (levels.t.length < LEAST_POINTS || watts.t.length < LEAST_POINTS) return null
  const usual = fit(watts, levels, CELL_LOSS.usual, BESIDE.usual)
  if (!usual) return null
  const moved = (a: number, b: number): number => {
    const other = fit(watts, levels, a, b, usual.offsetS)
    return other ? (other.offsetS - usual.offsetS) / Math.sqrt(3) : NaN
  }
  const uncertaintyS = Math.hypot(
    usual.uncertaintyS,
    moved(CELL_LOSS.usual + CELL_LOSS.within, BESIDE.usual),
    moved(CELL_LOSS.usual, BESIDE.usual + BESIDE.within),
    levels.momentU / Math.sqrt(levels.t.length),
  )
  return Number.isFinite(uncertaintyS) ? { offsetS: usual.offsetS, uncertaintyS } : null
}

/** One fit over lags, with the energy stored worked out under given losses. */
function fit(
  watts: Samples,
  levels: LevelPoints,
  cellLoss: number,
  beside: number,
  near?: number,
): Offset | null {
  const stored = storedEnergy(watts, levels, cellLoss, beside)
  const missAt = (lag: number) => misfit(stored, levels, lag)
  const [low, high] = near === undefined ? lagsWithin(watts, levels) : [near - 300, near + 300]
  if (!(high > low)) return null
  const tried: { lag: number; miss: number }[] = []
  for (let lag = low; lag <= high; lag += COARSE_STEP_S) tried.push({ lag, miss: missAt(lag) })
  const { lag: best, miss: least } = tried.reduce((a, b) => (b.miss < a.miss ? b : a))
  // A parabola through the foot of the valley: wide enough that whole points do not roughen it.
  const width = 3 * COARSE_STEP_S
  const [left, middle, right] = [missAt(best - width), missAt(best), missAt(best + width)]
  const bend = (left - 2 * middle + right) / (width * width)
  const fromBest = (left - right) / (2 * width * bend)
  // At the edge of what is looked for it may still go down: that is no foot.
  if (!(bend > 0 && Math.abs(fromBest) <= width)) return null
  const offsetS = best + fromBest
  const residuals = residualsAt(stored, levels, offsetS)
  if (!residuals) return null
  const n = residuals.length
  const variance = residuals.reduce((sum, r) => sum + r * r, 0) / (n - 3)
  const apart = hangingTogether(residuals)
  const atFoot = Math.sqrt((2 * variance * apart) / (n * bend))
  // A second valley nearly as deep is as likely: a quarter of the stretch whose misfit is within two deviations of the
  // least. Of a single parabola that is the same again.
  const likely = tried.filter(({ miss }) => miss <= least * (1 + (4 * apart) / (n - 3)))
  return { offsetS, uncertaintyS: Math.max(atFoot, (likely[likely.length - 1].lag - likely[0].lag) / 4) }
}

/** The lags at which enough of the levels fall within the meter’s record: either may have begun or ended first. */
function lagsWithin(watts: Samples, levels: LevelPoints): [number, number] {
  const outside = Math.floor((1 - SEEN_SHARE) * levels.t.length)
  return [
    Math.max(-FURTHEST_S, watts.t[0] - levels.t[outside]),
    Math.min(FURTHEST_S, watts.t[watts.t.length - 1] - levels.t[levels.t.length - 1 - outside]),
  ]
}

/** Energy stored so far, along the meter's clock: what flows less what is drawn beside it and lost in the cell. */
function storedEnergy({ t, v }: Samples, levels: LevelPoints, cellLoss: number, beside: number): Samples {
  const most = v.reduce((top, w) => Math.max(top, w), 0)
  const gain = (levels.v[levels.v.length - 1] - levels.v[0]) / 100
  let all = 0
  for (let i = 1; i < t.length; i++) all += ((v[i] + v[i - 1]) / 2) * ((t[i] - t[i - 1]) / 3600)
  const capacity = all / Math.max(gain, 0.01)
  const into = (w: number) => Math.max(0, w - beside * most) * (1 - (cellLoss * w) / capacity)
  const sum = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++)
    sum[i] = sum[i - 1] + ((into(v[i]) + into(v[i - 1])) / 2) * (t[i] - t[i - 1])
  return { t, v: sum }
}

function residualsAt(stored: Samples, levels: LevelPoints, lag: number): number[] | null {
  const energy: number[] = []
  const level: number[] = []
  for (let i = 0; i < levels.t.length; i++) {
    const at = valueAt(stored, levels.t[i] + lag)
    if (Number.isNaN(at)) continue
    energy.push(at)
    level.push(levels.v[i])
  }
  if (energy.length < LEAST_POINTS || energy.length < SEEN_SHARE * levels.t.length) return null
  const { slope, mean, meanT } = fitLine(energy, level)
  return energy.map((e, i) => level[i] - mean - slope * (e - meanT))
}

/** Mean square of the residuals: not their sum, which would be the less the fewer levels the meter’s record holds. */
const misfit = (stored: Samples, levels: LevelPoints, lag: number): number => {
  const residuals = residualsAt(stored, levels, lag)
  return residuals ? residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length : Infinity
}

/** How many times as wide the variance is when neighbours err alike: (1 + ρ)/(1 − ρ), ρ of the first order. */
function hangingTogether(residuals: readonly number[]): number {
  let [together, all] = [0, 0]
  for (let i = 0; i < residuals.length; i++) {
    all += residuals[i] ** 2
    if (i > 0) together += residuals[i] * residuals[i - 1]
  }
  const rho = Math.min(0.95, Math.max(0, together / all))
  return (1 + rho) / (1 - rho)
}
