import { quantile } from '../../stats/quantile'
import type { Samples } from '../../trace/samples'
import { binsOf, type Bins } from './bins'
import { straightPieces, type Piece } from './pieces'

/** A stretch in which power is flat or creeps up, s. */
export interface Hold {
  startS: number
  endS: number
}

/** Medians over so long a stretch: a spike of a second does not cut a hold. */
const SMOOTH_S = 30
/** A hold lasts so long at least, and drifts within these bounds, ln W a minute. */
const SHORTEST_S = 240
const FALL_PER_MIN = -0.003
const RISE_PER_MIN = 0.02
/** Between two flat pieces a step of more than this share parts two holds. */
const STEP = 0.04
/** Below this share of the highest power nothing is charging any more, or nothing yet. */
const FLOOR = 0.05
/** Scatter of the medians, as a share; never taken to be less, or the bend of a smooth curve would be cut to bits. */
const LEAST_SCATTER = 0.004
/** A meter of few digits scatters so much in a small figure, W. */
const LEAST_SCATTER_W = 0.02
/** Lines meet where they differ by so much a minute, and so near the cut, s. */
const MEETING_SLOPE = 0.01
const MEETING_S = 60
/** Quantiles of a normal deviate's size, and the spread of second differences, all of one standard deviation. */
const [MEDIAN_SIZE, QUARTER_SIZE] = [0.6745, 0.3186]
const SECOND_DIFFERENCE = Math.sqrt(6)
/** Of fewer medians, checks every five minutes say, most may stand beside a step: the quieter quarter tells the scatter. */
const FEW = 60
/** Nor is it taken to be more there, as a share: what a hand reads off stands still while it is read. */
const MOST_SCATTER_OF_FEW = 0.01

/**
 * Holds of a curve of watts, in order. Works on the logarithm of medians over half a minute, cut into straight pieces;
 * flat pieces that follow one another without a step make one hold. Near linear in samples.
 */
export function holdsOf(watts: Samples): Hold[] {
  const whole = binsOf(watts, SMOOTH_S)
  if (whole.t.length < 2) return []
  const top = quantile(whole.v, 0.98)
  if (!(top > 0)) return []
  const floor = FLOOR * top
  const bins = withoutIdle(whole, 1.05 * floor)
  const logs = Float64Array.from(bins.v, (w) => Math.log(Math.max(w, floor)))
  const minutes = Float64Array.from(bins.t, (t) => t / 60)
  const scatter = Math.max(LEAST_SCATTER, LEAST_SCATTER_W / top, scatterOf(logs))
  // A piece costs its three numbers and then some, in units of the scatter (Bayesian information criterion).
  const penalty = 5 * Math.log(logs.length) * scatter * scatter
  return joined(straightPieces(minutes, logs, penalty), minutes, scatter)
    .filter(({ last }) => last > Math.log(1.05 * floor))
    .map((hold) => spanOf(bins, minutes, hold))
    .filter(({ startS, endS }) => endS - startS >= SHORTEST_S)
}

/** From the first that shows any charging: of checks minutes apart, the zero at the switch would take the next with it. */
function withoutIdle(bins: Bins, floor: number): Bins {
  const from = Math.max(0, bins.v.findIndex((w) => w > floor))
  const [t, v, startS, endS] = [bins.t, bins.v, bins.startS, bins.endS].map((column) => column.subarray(from))
  return { t, v, startS, endS }
} // prettier-ignore

/** Standard deviation of the scatter about a smooth curve, from second differences: robust against steps. */
function scatterOf(v: Float64Array): number {
  const bends = Array.from({ length: Math.max(0, v.length - 2) }, (_, i) =>
    Math.abs(v[i] - 2 * v[i + 1] + v[i + 2]),
  )
  if (bends.length === 0) return 0
  return v.length < FEW
    ? Math.min(MOST_SCATTER_OF_FEW, quantile(bends, 0.25) / QUARTER_SIZE / SECOND_DIFFERENCE)
    : quantile(bends, 0.5) / MEDIAN_SIZE / SECOND_DIFFERENCE
}

/** A hold as pieces: its ends are the lines of its first and last piece; what stands before and after it, if anything. */
interface Run {
  pieces: Piece[]
  before?: Piece
  after?: Piece
  last: number
}

/** Flat pieces, those that follow one another without a step as one. */
function joined(pieces: readonly Piece[], minutes: Float64Array, scatter: number): Run[] {
  const runs: Run[] = []
  for (const [i, piece] of pieces.entries()) {
    if (!isFlat(piece, minutes, scatter)) continue
    const open = runs.at(-1)
    const step = open ? Math.abs(piece.first - open.last) : Infinity
    if (open?.after === piece && step < Math.max(STEP, 3 * scatter)) open.pieces.push(piece)
    else runs.push({ pieces: [piece], before: pieces[i - 1], last: NaN })
    const run = runs[runs.length - 1]
    run.after = pieces[i + 1]
    run.last = piece.last
  }
  return runs
}

/** Within the bounds of a hold, as far as the scatter lets it be known: a slope's own uncertainty by least squares. */
function isFlat({ from, to, slope }: Piece, minutes: Float64Array, scatter: number): boolean {
  const n = to - from
  const unsure = n > 2 ? (scatter * Math.sqrt(12 / n)) / (minutes[to - 1] - minutes[from]) : 0
  return slope >= FALL_PER_MIN - Math.min(unsure, 0.004) && slope <= RISE_PER_MIN + unsure
}

/**
 * Where a hold begins and ends: where its line meets that of the slope beside it, if they meet near the cut; else, at
 * a step, at the cut itself. The cut is only as fine as the medians, and the scatter moves it.
 */
function spanOf(bins: Bins, minutes: Float64Array, { pieces, before, after }: Run): Hold {
  const [first, last] = [pieces[0], pieces[pieces.length - 1]]
  const meet = (a: Piece | undefined, b: Piece, cutS: number): number => {
    if (!a || Math.abs(a.slope - b.slope) < MEETING_SLOPE) return cutS
    const [ta, tb] = [minutes[a.from], minutes[b.from]]
    const at = 60 * ((b.first - a.first + a.slope * ta - b.slope * tb) / (a.slope - b.slope))
    return Math.abs(at - cutS) <= MEETING_S ? at : cutS
  }
  return {
    startS: meet(before, first, bins.startS[first.from]),
    endS: meet(after, last, bins.endS[last.to - 1]),
  }
}
