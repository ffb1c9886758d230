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
  it('wherever it lies within an hour, to three seconds; further away it is not looked for', () => {
    const found = (offsetS: number) =>
      offsetByEnergy(meter, { ...exact, t: exact.t.map((t) => t + OFFSET_S - offsetS) })?.offsetS ?? NaN
    for (const offsetS of [252, 255, 259, -37, 3590, -3590])
      expect(Math.abs(found(offsetS) - offsetS)).toBeLessThan(3)
    expect([found(-4000), found(4000)]).toEqual([NaN, NaN])
  })
  it('is the less sure, the less the moments of the levels are', () => {
    const sure = offsetByEnergy(meter, exact)!.uncertaintyS
    const unsure = offsetByEnergy(meter, { ...exact, momentU: 300 })!.uncertaintyS
    expect(unsure).toBeCloseTo(Math.hypot(sure, 300 / Math.sqrt(exact.t.length)), 6)
  })
  it.each([
    ['whole points', 5, 0.5, Math.floor],
    ['a display that errs by a point', 7, 1, (level: number) => level],
  ])('and its uncertainty are those of every lag tried, with %s', (_, seed, by, show) => {
    const random = randomFrom(seed)
    let off = 0
    const shown = looks.map((t) => show(levelAt(t) + (off = 0.6 * off + by * random.normal())))
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
  it('is said to be as unsure as it is where two lags fit alike', () => {
    // A display that errs by three points: lags many minutes apart fit it as well as one another.
    const random = randomFrom(5)
    let off = 0
    const v = looks.map((t) => levelAt(t) + (off = 0.6 * off + 3 * random.normal()))
    const { uncertaintyS } = offsetByEnergy(meter, { ...exact, v: Float64Array.from(v.slice(1)) })!
    expect(uncertaintyS).toBeGreaterThan(150)
  })
  it('is nothing from fewer than eight points, or eight watts, or where power never changes', () => {
    const first = (n: number, { t, v }: Samples) => ({ t: t.subarray(0, n), v: v.subarray(0, n) })
    const sparse = every(600, 4200)
    const eightWatts = samples(sparse, sparse.map(wattsAt))
    const eightLevels = { ...samples(every(400, 2800).map((t) => t + 400), every(400, 2800).map((t) => levelAt(t + 400))), momentU: 0 } // prettier-ignore
    expect(offsetByEnergy(eightWatts, exact)).not.toBeNull()
    expect(offsetByEnergy(meter, eightLevels)).not.toBeNull()
    expect(offsetByEnergy(first(7, eightWatts), exact)).toBeNull()
    expect(offsetByEnergy(meter, { ...first(7, eightLevels), momentU: 0 })).toBeNull()
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

it('is calibrated: 95 of 100 offsets lie within twice what is said of them', () => {
  let [within, squares] = [0, 0]
  for (let seed = 1; seed <= 100; seed++) {
    // A phone of its own each time, its losses anywhere in what is allowed for; looked at each minute, flooring or rounding.
    const random = randomFrom(seed)
    const between = (low: number, high: number) => low + (high - low) * random.uniform()
    const [hold, tau, top, lower] = [between(600, 3000), between(800, 2000), between(10, 30), between(0.5, 0.9)]
    const seconds = every(10, 10 * Math.floor((hold + 3 * tau) / 10))
    const watts = seconds.map((t) => top * (t < hold / 2 ? 1 : lower) * Math.exp(-Math.max(0, t - hold) / tau))
    const [cellLoss, beside, gained] = [between(0, 0.1), between(0, 0.02) * top, between(0.6, 0.95)]
    const capacity = watts.reduce((sum, w) => sum + w / 360, 0) / gained
    let sum = 0
    const stored = watts.map((w) => (sum += Math.max(0, w - beside) * (1 - (cellLoss * w) / capacity)))
    const [start, offsetS, half] = [between(1, 5), between(-1000, 1000), random.uniform() < 0.5 ? 0.5 : 0]
    const looked = every(60, seconds[seconds.length - 1] - 10)
    const shown = looked.map((t) => Math.floor(start + (100 * gained * stored[t / 10]) / sum + half))
    const found = offsetByEnergy(samples(seconds, watts), levelPoints(samples(looked.map((t) => t - offsetS), shown)))!
    const off = (found.offsetS - offsetS) / found.uncertaintyS
    if (Math.abs(off) <= 2) within++
    squares += off * off / 100
  }
  expect(within).toBeGreaterThanOrEqual(95)
  expect(Math.sqrt(squares)).toBeGreaterThan(0.5)
  expect(Math.sqrt(squares)).toBeLessThan(1.1)
}) // prettier-ignore

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
