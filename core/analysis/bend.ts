/**
 * How far a curve through four points may lie from the straight line between the inner two, at a share of their step:
 * a shape-preserving cubic (Fritsch and Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17,
 * 1980; from memory), which never overshoots. Outer points that are not there are left out.
 * @param x four positions, rising: before, from, to, after; NaN for an outer one that is not there
 * @param y the values there
 * @param at a position between from and to
 * @returns the curve's value less the straight line's, in units of y
 */
export function bendAt(x: readonly number[], y: readonly number[], at: number): number {
  const slope = (i: number) => (x[i + 1] - x[i] > 0 ? (y[i + 1] - y[i]) / (x[i + 1] - x[i]) : NaN)
  const [before, inner, after] = [slope(0), slope(1), slope(2)]
  if (Number.isNaN(inner)) return 0
  const width = x[2] - x[1]
  const s = (at - x[1]) / width
  const d0 = endSlope(before, inner, x[1] - x[0], width)
  const d1 = endSlope(after, inner, x[3] - x[2], width)
  // The cubic Hermite form, less the straight line.
  return width * s * (1 - s) * ((1 - s) * (d0 - inner) - s * (d1 - inner))
}

/** Slope at an inner point: the weighted harmonic mean of its neighbours', none where they turn round. */
function endSlope(outer: number, inner: number, outerWidth: number, innerWidth: number): number {
  if (Number.isNaN(outer)) return inner
  if (outer * inner <= 0) return 0
  const [a, b] = [2 * outerWidth + innerWidth, outerWidth + 2 * innerWidth]
  return (a + b) / (a / inner + b / outer)
}
