import { describe, expect, it } from 'vitest'
import { randomFrom } from '../../stats/random'
import type { Samples } from '../../trace/samples'
import { offsetByEnergy } from './byEnergy'
import { levelPoints } from './levelPoints'

// A second way to the same answer, by brute force: every lag of whole seconds tried, sums written out.

const OFFSET_S = 250
const samples = (t: number[], v: number[]): Samples => ({ t: Float64Array.from(t), v: Float64Array.from(v) })
const every = (step: number, until: number) => Array.from({ length: until / step + 1 }, (_, i) => i * step)

/** 20 W for a quarter of an hour, then a taper. */
const wattsAt = (t: number) => (t <= 900 ? 20 : 20 * Math.exp(-(t - 900) / 1200))
const times = every(10, 4200)
const meter = samples(times, times.map(wattsAt))

/** Energy stored so far by the given losses, J, along the meter's clock. */
function storedBy(gain: number, cellLoss: number, beside: number): number[] {
  const w = [...meter.v]
  const trapezoid = (of: number[]) => {
    const sum = [0]
    for (let i = 1; i < of.length; i++) sum.push(sum[i - 1] + ((of[i] + of[i - 1]) / 2) * 10)
    return sum
  }
  const capacity = trapezoid(w)[w.length - 1] / 3600 / gain
  return trapezoid(w.map((p) => Math.max(0, p - beside * 20) * (1 - (cellLoss * p) / capacity)))
}

function residuals(stored: number[], levels: Samples, lag: number): number[] {
  const pairs = [...levels.t].flatMap((t, i) => {
    const k = Math.floor((t + lag) / 10)
    if (t + lag < 0 || t + lag > 4200) return []
    const rest = (t + lag) / 10 - k
    const e = stored[k] + (rest > 0 ? rest * (stored[k + 1] - stored[k]) : 0)
    return [[e, levels.v[i]]]
  })
  if (pairs.length < 0.8 * levels.t.length) return []
  const n = pairs.length
  const [sx, sy] = [0, 1].map((c) => pairs.reduce((sum, p) => sum + p[c], 0))
  const sxy = pairs.reduce((sum, [x, y]) => sum + x * y, 0)
  const sxx = pairs.reduce((sum, [x]) => sum + x * x, 0)
  const b = (n * sxy - sx * sy) / (n * sxx - sx * sx)
  return pairs.map(([x, y]) => y - sy / n - b * (x - sx / n))
}
const meanSquare = (r: number[]) => (r.length ? r.reduce((sum, v) => sum + v * v, 0) / r.length : Infinity)

function bestLag(stored: number[], levels: Samples): number {
  let best = -500
  for (let lag = -500; lag <= 500; lag++)
    if (meanSquare(residuals(stored, levels, lag)) < meanSquare(residuals(stored, levels, best))) best = lag
  return best
}

const gain = 0.8
/** The level under the display by the losses that are usual (5 % of the cell's at one capacity an hour, 1 % beside). */
const stored = storedBy(gain, 0.05, 0.01)
const levelAt = (t: number) => 10 + (80 * stored[Math.round(t / 10)]) / stored[stored.length - 1]

describe('the lag between energy and level', () => {
  const looks = every(100, 4200)
  // Looked at every 100 s by a clock that began 250 s later.
  const exact = levelPoints(
    samples(
      looks.map((t) => t - OFFSET_S),
      looks.map(levelAt),
    ),
  )
  it('is found where the level is exact; what is left open is what nobody measured', () => {
    const { offsetS, uncertaintyS } = offsetByEnergy(meter, exact)!
    expect(Math.abs(offsetS - OFFSET_S)).toBeLessThan(4)
    const moved = [storedBy(gain, 0.1, 0.01), storedBy(gain, 0.05, 0.02)].map(
      (other) => (bestLag(other, exact) - OFFSET_S) / Math.sqrt(3),
    )
    expect(Math.abs(uncertaintyS - Math.hypot(...moved))).toBeLessThan(4)
  })
  it('and its uncertainty are those of every lag tried, with whole points and a display that errs', () => {
    const random = randomFrom(5)
    let off = 0
    const shown = looks.map((t) => Math.floor(levelAt(t) + (off = 0.6 * off + 0.5 * random.normal())))
    const levels = levelPoints(
      samples(
        looks.map((t) => t - OFFSET_S),
        shown,
      ),
    )
    const found = offsetByEnergy(meter, levels)!
    const best = bestLag(stored, levels)
    expect(Math.abs(found.offsetS - best)).toBeLessThan(10)
    // Least squares: the variance of what is fitted is twice that of the residuals over the bend of their sum of squares.
    const at = [-30, 0, 30].map((by) => residuals(stored, levels, best + by))
    const [left, sum, right] = at.map((r) => meanSquare(r) * at[1].length)
    const r = at[1]
    const rho = Math.max(0, r.slice(1).reduce((all, v, i) => all + v * r[i], 0) / sum)
    const bend = (left - 2 * sum + right) / 900
    const open = Math.sqrt((2 * (sum / (r.length - 3)) * ((1 + rho) / (1 - rho))) / bend)
    const moved = [storedBy(gain, 0.1, 0.01), storedBy(gain, 0.05, 0.02)].map(
      (other) => (bestLag(other, levels) - best) / Math.sqrt(3),
    )
    expect(found.uncertaintyS / Math.hypot(open, ...moved)).toBeGreaterThan(0.9)
    expect(found.uncertaintyS / Math.hypot(open, ...moved)).toBeLessThan(1.1)
  })
  it.each([
    ['before the meter', -400],
    ['after it', 400],
  ])('is found where the device’s record reaches on %s', (_, by) => {
    const from = looks.map((t) => t + by)
    const within = (t: number) => levelAt(Math.min(4200, Math.max(0, t)))
    const levels = levelPoints(
      samples(
        from.map((t) => t - OFFSET_S),
        from.map(within),
      ),
    )
    expect(Math.abs(offsetByEnergy(meter, levels)!.offsetS - OFFSET_S)).toBeLessThan(30)
  })
  it('is nothing from fewer than eight points, or eight watts, or where power never changes', () => {
    const first = (n: number, { t, v }: Samples) => ({ t: t.subarray(0, n), v: v.subarray(0, n) })
    expect(offsetByEnergy(first(7, meter), exact)).toBeNull()
    expect(offsetByEnergy(meter, { ...first(7, exact), momentU: 0 })).toBeNull()
    expect(
      offsetByEnergy(
        samples(
          times,
          times.map(() => 20),
        ),
        exact,
      ),
    ).toBeNull()
  })
})

describe('what a display tells of the level under it', () => {
  it('half a point above what it shows, where it is looked at seldom', () => {
    const seldom = samples([0, 61, 122, 200], [5, 7, 7, 9])
    expect(levelPoints(seldom)).toEqual({ ...samples([61, 122, 200], [7.5, 7.5, 9.5]), momentU: 0 })
  })
  it('the level it turned to, half way between two looks, where often; jumps and gaps tell nothing', () => {
    const often = samples([0, 60, 120, 180, 250, 310, 340], [5, 6, 6, 8, 9, 10, 9])
    const found = levelPoints(often)
    expect([found.t, found.v]).toEqual([Float64Array.of(30, 280), Float64Array.of(6, 10)])
    // Each lies anywhere in its minute (rectangular, GUM JCGM 100:2008 §4.3.7).
    expect(found.momentU).toBeCloseTo(60 / Math.sqrt(12), 9)
  })
  it('nothing from full on, nothing of one look', () => {
    expect(levelPoints(samples([0, 100, 200, 300, 400], [97, 98, 99, 100, 100])).v).toEqual(
      Float64Array.of(98.5, 99.5),
    )
    expect(levelPoints(samples([0], [50]))).toEqual({ ...samples([], []), momentU: 0 })
  })
})
