import { highestAt, type Samples } from '../../trace/samples'
import type { LagBounds } from './lagBounds'
import type { LevelPoints } from './levelPoints'
import { countsOf, LEAST_POINTS, misfit, SEEN_SHARE, type Tried } from './misfit'

/** What is added to the device's clock, and how sure it is (standard uncertainty). s */
export interface Offset {
  offsetS: number
  uncertaintyS: number
}

/** Clocks further apart than this are not looked for, s. */
const FURTHEST_S = 3600
const COARSE_STEP_S = 10
/** With other losses than the usual a lag may be likely that is so much further off, s. */
const OTHER_LOSSES_S = 60
/** Lags that may be it are looked at again in so many steps, of a second at least. */
const FINE_STEPS = 120
/** What is this much less likely than the likeliest is not looked at again; nor may the end of what is looked for be likelier. */
const UNLIKELY = 1e-4
const LIKELY_AT_END = 0.05
/** What may be lost in a cell at one capacity an hour, as a share (from memory). */
const CELL_LOSSES = [0, 0.05, 0.1]
/** What may be drawn beside the charge, as a share of the most that flows, where the record does not show it. */
const BESIDE = [0, 0.02, 0.04]
/** A cell's volts rise otherwise than this supposes: levels lie off by so much, points (found on simulated cells of three kinds). */
const OTHERWISE_POINTS = 0.2

/**
 * The lag at which the energy delivered by one clock and the level shown by another agree best: level less what the
 * display runs ahead = a + b × stored energy, by least squares at every lag, for every display and every loss that may
 * be, since nobody measured either. The answer is the mean of the lags, each weighed by how likely it leaves what is
 * left, and its uncertainty their spread (Bayesian, flat before; Gelman et al., Bayesian Data Analysis, §3.2, from
 * memory: the variance is not known), with fewer residuals counted where neighbours err alike. Null where there is too
 * little to go by.
 *
 * @param watts at the meter, by its clock
 * @param levels of the display, by the device's clock
 * @param known lags that can be, s, and what is drawn beside the charge, in the unit of `watts`, where they are known
 */
export function offsetByEnergy(
  watts: Samples,
  levels: LevelPoints,
  known: Known = { low: -Infinity, high: Infinity },
): Offset | null {
  if (levels.t.length < LEAST_POINTS || watts.t.length < LEAST_POINTS) return null
  const most = watts.v.reduce((top, w) => Math.max(top, w), 0)
  const besides = known.beside ? [known.beside] : BESIDE.map((share) => share * most)
  const stored = besides.flatMap((beside) =>
    CELL_LOSSES.map((loss) => storedEnergy(watts, levels, loss, beside)),
  )
  const found = likelyLag(watts, levels, known, stored)
  if (!found) return null
  const moments = levels.momentU / Math.sqrt(levels.t.length)
  const otherwise = OTHERWISE_POINTS * secondsPerPoint(levels)
  const uncertaintyS = Math.hypot(found.uncertaintyS, moments, otherwise)
  return Number.isFinite(uncertaintyS) ? { offsetS: found.offsetS, uncertaintyS } : null
}

/** From the first level to the highest: the device may have been used again after it. */
function secondsPerPoint({ t, v }: LevelPoints): number {
  const top = highestAt(v)
  return (t[top] - t[0]) / (v[top] - v[0])
}

/** What else is known of two records. */
export interface Known extends LagBounds {
  beside?: number
}

/** The mean of lags and their spread, over the energies that may be stored. */
function likelyLag(
  watts: Samples,
  levels: LevelPoints,
  within: LagBounds,
  stored: readonly Samples[],
): Offset | null {
  const seen = lagsWithin(watts, levels)
  const [low, high] = [Math.max(seen.low, within.low), Math.min(seen.high, within.high)]
  if (!(high > low)) return null
  const over = (energies: readonly Samples[], from: number, to: number, step: number): Tried[] => {
    const found: Tried[] = []
    for (let i = 0; from + i * step <= to; i++) {
      const tried = misfit(energies, levels, from + i * step)
      if (tried) found.push(tried)
    }
    return found
  }
  const usual = stored[stored.length >> 1]
  const coarse = over([usual], low, high, Math.min(COARSE_STEP_S, (high - low) / 20))
  if (coarse.length === 0) return null
  const counts = countsOf(levels, leastOf(coarse))
  const weigh = (of: readonly Tried[]) => {
    const { miss } = leastOf(of)
    return of.map(({ misses }) => misses.reduce((sum, m) => sum + (miss / m) ** (counts / 2), 0))
  }
  const weights = weigh(coarse)
  const most = Math.max(...weights)
  // Where what is looked for ends for no reason in the records, it may go on to be likelier.
  const openEnds = [
    [coarse[0], weights[0], seen.low >= within.low],
    [coarse[coarse.length - 1], weights[weights.length - 1], seen.high <= within.high],
  ] as const
  if (openEnds.some(([, weight, isOpen]) => isOpen && weight > LIKELY_AT_END * most)) return null
  const may = coarse.filter((_, i) => weights[i] > UNLIKELY * most)
  const from = Math.max(low, may[0].lag - OTHER_LOSSES_S)
  const to = Math.min(high, may[may.length - 1].lag + OTHER_LOSSES_S)
  const fine = over(stored, from, to, Math.max(1, (to - from) / FINE_STEPS))
  if (fine.length === 0) return null
  const fineWeights = weigh(fine)
  const all = fineWeights.reduce((sum, w) => sum + w, 0)
  const meanOf = (of: (lag: number) => number) =>
    fine.reduce((sum, { lag }, i) => sum + (fineWeights[i] * of(lag)) / all, 0)
  const offsetS = meanOf((lag) => lag)
  return { offsetS, uncertaintyS: Math.sqrt(meanOf((lag) => (lag - offsetS) ** 2)) }
}

const leastOf = (tried: readonly Tried[]): Tried => tried.reduce((a, b) => (b.miss < a.miss ? b : a))

/** The lags at which enough of the levels fall within the meter’s record: either may have begun or ended first. */
function lagsWithin(watts: Samples, levels: LevelPoints): LagBounds {
  const outside = Math.floor((1 - SEEN_SHARE) * levels.t.length)
  return {
    low: Math.max(-FURTHEST_S, watts.t[0] - levels.t[outside]),
    high: Math.min(FURTHEST_S, watts.t[watts.t.length - 1] - levels.t[levels.t.length - 1 - outside]),
  }
}

/** Energy stored so far, along the meter's clock: what flows less what is drawn beside it and lost in the cell. */
function storedEnergy({ t, v }: Samples, levels: LevelPoints, cellLoss: number, beside: number): Samples {
  const gain = (levels.v[highestAt(levels.v)] - levels.v[0]) / 100
  let all = 0
  for (let i = 1; i < t.length; i++) all += ((v[i] + v[i - 1]) / 2) * ((t[i] - t[i - 1]) / 3600)
  const capacity = all / Math.max(gain, 0.01)
  const into = (w: number) => Math.max(0, w - beside) * (1 - (cellLoss * w) / capacity)
  const sum = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++)
    sum[i] = sum[i - 1] + ((into(v[i]) + into(v[i - 1])) / 2) * (t[i] - t[i - 1])
  return { t, v: sum }
}
