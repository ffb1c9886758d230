/** A stretch of points that one straight line fits: from index `from` up to, not including, `to`. */
export interface Piece {
  from: number
  to: number
  /** Units of v per unit of t. */
  slope: number
  /** The line's value at its first and last point. */
  first: number
  last: number
}

/** A line needs two points. */
const FEWEST = 2
/** A piece holds no more points than this: what goes on straight goes on as the next piece, and the work stays linear. */
const MOST = 600

/**
 * Cuts points into straight pieces: the cut with the least sum of squared distances plus `penalty` for each piece.
 * Optimal partitioning (Jackson et al., "An algorithm for optimal partitioning of data on an interval", 2005), with
 * the pruning of PELT (Killick, Fearnhead & Eckley 2012); both from memory.
 *
 * @param t rising; v finite, of the same length
 * @returns pieces of at most 600 points, in order, that hold every point; none for fewer than two points
 */
export function straightPieces(t: ArrayLike<number>, v: ArrayLike<number>, penalty: number): Piece[] {
  const n = t.length
  if (n < FEWEST) return []
  const sums = sumsOf(t, v)
  const best = new Float64Array(n + 1).fill(Infinity)
  const before = new Int32Array(n + 1)
  best[0] = -penalty
  const open = new Int32Array(n + 1)
  const costs = new Float64Array(n + 1)
  let count = 1
  for (let to = FEWEST; to <= n; to++) {
    let least = Infinity
    for (let k = 0; k < count; k++) {
      costs[k] = best[open[k]] + residual(sums, open[k], to)
      if (costs[k] < least) {
        least = costs[k]
        before[to] = open[k]
      }
    }
    best[to] = least + penalty
    // A beginning that is no better than what ends here can never be again.
    let kept = 0
    for (let k = 0; k < count; k++) if (costs[k] <= best[to] && to - open[k] < MOST) open[kept++] = open[k]
    count = kept
    if (to - 1 >= FEWEST) open[count++] = to - 1
  }
  const pieces: Piece[] = []
  for (let to = n; to > 0; to = before[to]) pieces.push(pieceOf(sums, t, before[to], to))
  return pieces.reverse()
}

/** Running sums of 1, t, t², v, tv and v², counted from the means so that no digits are lost. */
interface Sums {
  t0: number
  v0: number
  t: Float64Array
  tt: Float64Array
  v: Float64Array
  tv: Float64Array
  vv: Float64Array
}
function sumsOf(t: ArrayLike<number>, v: ArrayLike<number>): Sums {
  const n = t.length
  const [st, stt, sv, stv, svv] = Array.from({ length: 5 }, () => new Float64Array(n + 1))
  let [t0, v0] = [0, 0]
  for (let i = 0; i < n; i++) {
    t0 += t[i] / n
    v0 += v[i] / n
  }
  for (let i = 0; i < n; i++) {
    const [x, y] = [t[i] - t0, v[i] - v0]
    st[i + 1] = st[i] + x
    stt[i + 1] = stt[i] + x * x
    sv[i + 1] = sv[i] + y
    stv[i + 1] = stv[i] + x * y
    svv[i + 1] = svv[i] + y * y
  }
  return { t0, v0, t: st, tt: stt, v: sv, tv: stv, vv: svv }
}

/** The sum of squared distances to the line through the points of a piece. */
function residual(s: Sums, from: number, to: number): number {
  const n = to - from
  const t = s.t[to] - s.t[from]
  const v = s.v[to] - s.v[from]
  const tt = s.tt[to] - s.tt[from] - (t * t) / n
  const tv = s.tv[to] - s.tv[from] - (t * v) / n
  const vv = s.vv[to] - s.vv[from] - (v * v) / n
  return Math.max(0, tt > 0 ? vv - (tv * tv) / tt : vv)
}
function pieceOf(s: Sums, t: ArrayLike<number>, from: number, to: number): Piece {
  const n = to - from
  const [sumT, sumV] = [s.t[to] - s.t[from], s.v[to] - s.v[from]]
  const tt = s.tt[to] - s.tt[from] - (sumT * sumT) / n
  const slope = tt > 0 ? (s.tv[to] - s.tv[from] - (sumT * sumV) / n) / tt : 0
  const valueAt = (at: number) => s.v0 + sumV / n + slope * (at - s.t0 - sumT / n)
  return { from, to, slope, first: valueAt(t[from]), last: valueAt(t[to - 1]) }
}
