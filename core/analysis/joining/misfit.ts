import { fitLine } from '../../stats/line'
import { firstAtOrAfter, type Samples } from '../../trace/samples'
import type { LevelPoints } from './levelPoints'

// What is left of the levels beside the energy stored, at one lag, for every display that may be.

/** So many points of level at least. */
export const LEAST_POINTS = 8
/** Of which so much must fall within the meter’s record. */
export const SEEN_SHARE = 0.8
/**
 * How far a display may run ahead of the energy stored, points at half: it counts charge, and volts rise as a cell fills.
 * Half is shown at about 48 % of the energy (common practice, no source); cells whose volts hardly rise, or rise
 * steeply, lie on either side.
 */
const AHEAD = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]
/** And how much earlier it may run ahead than later, points: volts rise steeply at one end or the other. */
const SKEW = [-1.2, -0.8, -0.4, 0, 0.4, 0.8, 1.2]
/** Less than this is nothing left, points²: what fits exactly is good to the digits it was worked out with. */
const LEAST_MISS = 1e-9

/** A lag, how well what suits it best fits, and the mean squares that are left by everything that may be. */
export interface Tried {
  lag: number
  miss: number
  misses: number[]
  best: { stored: Samples; ahead: number; skew: number }
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
export function misfit(energies: readonly Samples[], levels: LevelPoints, lag: number): Tried | null {
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
export function countsOf(levels: LevelPoints, { lag, best: { stored, ahead, skew } }: Tried): number {
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
