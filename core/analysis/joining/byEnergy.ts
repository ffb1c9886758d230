import { fitLine } from '../../stats/line'
import { firstAtOrAfter, type Samples } from '../../trace/samples'
import type { LagBounds } from './lagBounds'
import type { LevelPoints } from './levelPoints'

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
/** So many points of level at least. */
const LEAST_POINTS = 8
/** Of which so much must fall within the meter’s record. */
const SEEN_SHARE = 0.8
/** What may be lost in a cell at one capacity an hour, as a share (from memory). */
const CELL_LOSSES = [0, 0.05, 0.1]
/** What may be drawn beside the charge, as a share of the most that flows, where the record does not show it. */
const BESIDE = [0, 0.02, 0.04]
/**
 * How far a display may run ahead of the energy stored, points at half: it counts charge, and volts rise as a cell fills.
 * Half is shown at about 48 % of the energy (common practice, no source); cells whose volts hardly rise, or rise
 * steeply, lie on either side.
 */
const AHEAD = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]
/** And how much earlier it may run ahead than later, points: volts rise steeply at one end or the other. */
const SKEW = [-1.2, -0.8, -0.4, 0, 0.4, 0.8, 1.2]
/** A cell's volts rise otherwise than this supposes: levels lie off by so much, points (found on simulated cells of three kinds). */
const OTHERWISE_POINTS = 0.2
/** Less than this is nothing left, points²: what fits exactly is good to the digits it was worked out with. */
const LEAST_MISS = 1e-9

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
  return { offsetS: found.offsetS, uncertaintyS: Math.hypot(found.uncertaintyS, moments, otherwise) }
}

const secondsPerPoint = ({ t, v }: LevelPoints): number =>
  Math.abs((t[t.length - 1] - t[0]) / (v[v.length - 1] - v[0]))

/** What else is known of two records. */
export interface Known extends LagBounds {
  beside?: number
}

/** A lag, how well what suits it best fits, and the mean squares that are left by everything that may be. */
interface Tried {
  lag: number
  miss: number
  misses: number[]
  best: { stored: Samples; ahead: number; skew: number }
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
  const gain = (levels.v[levels.v.length - 1] - levels.v[0]) / 100
  let all = 0
  for (let i = 1; i < t.length; i++) all += ((v[i] + v[i - 1]) / 2) * ((t[i] - t[i - 1]) / 3600)
  const capacity = all / Math.max(gain, 0.01)
  const into = (w: number) => Math.max(0, w - beside) * (1 - (cellLoss * w) / capacity)
  const sum = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++)
    sum[i] = sum[i - 1] + ((into(v[i]) + into(v[i - 1])) / 2) * (t[i] - t[i - 1])
  return { t, v: sum }
}

/** Earlier ahead than later: points, one at most. */
const skewAt = (level: number): number => (level * (100 - level) * (100 - 2 * level)) / 96_225
/** How far a display that is a point ahead of the energy at half is ahead at a level, points. */
const aheadAt = (level: number): number => (4 * level * (100 - level)) / 10_000

/**
 * Mean squares of the residuals by everything that may be: not their sums, which would be the less the fewer levels the
 * meter’s record holds. By products about the means, since a thousand lags are tried: what is left of y beside a line
 * along x has the products yz − xy·xz/xx.
 */
function misfit(energies: readonly Samples[], levels: LevelPoints, lag: number): Tried | null {
  const kept = seenAt(energies[0], levels, lag)
  if (!kept) return null
  const shown = [levels.v, levels.v.map(aheadAt), levels.v.map(skewAt)].map((of) =>
    centred(kept, (i) => of[i]),
  )
  const products = shown.map((a) => shown.map((b) => product(a, b)))
  const misses: number[] = []
  for (const stored of energies) {
    const x = centred(kept, (_, at) => between(stored.v, at))
    const xx = product(x, x)
    // Nothing flowed as long as the level was looked at.
    if (!(xx > 0)) return null
    const along = shown.map((y) => product(x, y))
    const left = (a: number, b: number) => (products[a][b] - (along[a] * along[b]) / xx) / kept.length
    const [ll, la, aa, ls, as, ss] = [left(0, 0), left(0, 1), left(1, 1), left(0, 2), left(1, 2), left(2, 2)]
    for (const k of AHEAD)
      for (const m of SKEW)
        misses.push(
          Math.max(LEAST_MISS, ll - 2 * k * la + k * k * aa - 2 * m * ls + 2 * k * m * as + m * m * ss),
        )
  }
  const least = misses.indexOf(Math.min(...misses))
  const shapes = AHEAD.length * SKEW.length
  const stored = energies[Math.floor(least / shapes)]
  const [ahead, skew] = [AHEAD[Math.floor((least % shapes) / SKEW.length)], SKEW[least % SKEW.length]]
  return { lag, miss: misses[least], misses, best: { stored, ahead, skew } }
}

/** A level that falls within the meter’s record: its place among the levels, and where between the meter’s samples. */
type Kept = [place: number, at: number]

/** The levels that fall within the meter’s record at a lag; null where they are too few. */
function seenAt({ t }: Samples, levels: LevelPoints, lag: number): Kept[] | null {
  const kept: Kept[] = []
  for (let i = 0; i < levels.t.length; i++) {
    const s = levels.t[i] + lag
    const right = firstAtOrAfter(t, s)
    if (right === t.length || s < t[0]) continue
    kept.push([i, t[right] === s ? right : right - 1 + (s - t[right - 1]) / (t[right] - t[right - 1])])
  }
  return kept.length < LEAST_POINTS || kept.length < SEEN_SHARE * levels.t.length ? null : kept
}

/** A value between two places of a column. */
function between(v: Float64Array, at: number): number {
  const left = Math.floor(at)
  return left === at ? v[at] : v[left] + (v[left + 1] - v[left]) * (at - left)
}

function centred(kept: readonly Kept[], of: (place: number, at: number) => number): Float64Array {
  const v = new Float64Array(kept.length)
  let mean = 0
  for (let i = 0; i < v.length; i++) {
    v[i] = of(kept[i][0], kept[i][1])
    mean += v[i] / v.length
  }
  for (let i = 0; i < v.length; i++) v[i] -= mean
  return v
}
const product = (a: Float64Array, b: Float64Array): number => {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i]
  return sum
}

/**
 * For how many residuals they are good: fewer where neighbours err alike, by 1 + 2 Σρ over the orders until ρ is none
 * (the integrated autocorrelation time).
 */
function countsOf(levels: LevelPoints, { lag, best: { stored, ahead, skew } }: Tried): number {
  const kept = seenAt(stored, levels, lag)!
  const x = kept.map(([, at]) => between(stored.v, at))
  const y = kept.map(([i]) => levels.v[i] - ahead * aheadAt(levels.v[i]) - skew * skewAt(levels.v[i]))
  const { slope, mean, meanT } = fitLine(x, y)
  const left = Float64Array.from(y, (level, i) => level - mean - slope * (x[i] - meanT))
  const all = product(left, left)
  let time = 1
  for (let order = 1; order < left.length; order++) {
    const rho = all > 0 ? product(left.subarray(order), left) / all : 0
    if (!(rho > 0)) break
    time += 2 * rho
  }
  return (left.length - 3) / time
}
