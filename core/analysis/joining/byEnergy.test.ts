import { describe, expect, it } from 'vitest'
import { randomFrom } from '../../stats/random'
import type { Samples } from '../../trace/samples'
import { offsetByEnergy } from './byEnergy'
import { levelPoints } from './levelPoints'

// A second way to the same answer, by brute force: every lag, loss and display tried, sums written out.

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

const gain = 0.8
/** The level under a display, by losses that may be (5 % of the cell's at one capacity an hour, 2 % beside). */
const stored = storedBy(gain, 0.05, 0.02)
const shareAt = (t: number) => 10 + (80 * stored[Math.round(t / 10)]) / stored[stored.length - 1]
const bent = (level: number, ahead: number, skew: number) =>
  level -
  (ahead * 4 * level * (100 - level)) / 1e4 -
  (skew * level * (100 - level) * (100 - 2 * level)) / 96225
/** What a display that runs ahead of the energy shows of a share of it, by halving. */
function shownAt(share: number, ahead: number, skew: number): number {
  let [low, high] = [0, 100]
  for (let i = 0; i < 50; i++) {
    const level = (low + high) / 2
    if (bent(level, ahead, skew) < share) low = level
    else high = level
  }
  return low
}
/** Two points ahead at half, as is usual. */
const levelAt = (t: number) => shownAt(shareAt(t), 2, 0)

/** The mean of lags and their spread by every lag within 500 s, every loss and every display. */
function byBruteForce(levels: Samples): { mean: number; spread: number } {
  const tried: { lag: number; squares: number; left: number[] }[] = []
  for (const loss of [0, 0.05, 0.1])
    for (const beside of [0, 0.02, 0.04]) {
      const energy = storedBy(gainOf(levels), loss, beside)
      for (let lag = -500; lag <= 500; lag += 4) {
        const at = [...levels.t].map((t) => (t + lag) / 10)
        const kept = at.flatMap((k, i) => (k >= 0 && k <= 420 ? [i] : []))
        if (kept.length < 0.8 * at.length) continue
        const x = kept.map((i) => {
          const k = Math.min(419, Math.floor(at[i]))
          return energy[k] + (at[i] - k) * (energy[k + 1] - energy[k])
        })
        const xm = x.reduce((a, b) => a + b) / x.length
        const sxx = x.reduce((sum, e) => sum + (e - xm) ** 2, 0)
        for (const ahead of [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4])
          for (const skew of [-1.2, -0.8, -0.4, 0, 0.4, 0.8, 1.2]) {
            const y = kept.map((i) => bent(levels.v[i], ahead, skew))
            const ym = y.reduce((a, b) => a + b) / y.length
            const b = x.reduce((sum, e, i) => sum + (e - xm) * y[i], 0) / sxx
            const left = y.map((level, i) => level - ym - b * (x[i] - xm))
            tried.push({ lag, squares: left.reduce((sum, r) => sum + r * r, 0) / left.length, left })
          }
      }
    }
  const best = tried.reduce((a, b) => (b.squares < a.squares ? b : a))
  const { left } = best
  let time = 1
  for (let order = 1, rho = 1; rho > 0; order++) {
    rho = left.slice(order).reduce((sum, r, i) => sum + r * left[i], 0) / (best.squares * left.length)
    if (rho > 0) time += 2 * rho
  }
  const weight = tried.map((a) => (best.squares / a.squares) ** ((left.length - 3) / time / 2))
  const all = weight.reduce((a, b) => a + b)
  const mean = tried.reduce((sum, { lag }, i) => sum + (weight[i] * lag) / all, 0)
  const spread = Math.sqrt(tried.reduce((sum, { lag }, i) => sum + (weight[i] * (lag - mean) ** 2) / all, 0))
  return { mean, spread }
}
const gainOf = ({ v }: Samples) => (v[v.length - 1] - v[0]) / 100

describe('the lag between energy and level', () => {
  const looks = every(100, 4200)
  // Looked at every 100 s by a clock that began 250 s later.
  const exact = levelPoints(
    samples(
      looks.map((t) => t - OFFSET_S),
      looks.map(levelAt),
    ),
  )
  /** Levels lie off by a fifth of a point, whatever else is known. s */
  const otherwise = (0.2 * 4200) / (levelAt(4200) - levelAt(0))
  it('is found where the level is exact, whatever the display runs ahead; that volts bend otherwise is left open', () => {
    for (const [ahead, skew] of [[2, 0], [0, 0], [3.5, -0.8]]) {
      const v = looks.map((t) => shownAt(shareAt(t), ahead, skew))
      const { offsetS, uncertaintyS } = offsetByEnergy(meter, levelPoints(samples(looks.map((t) => t - OFFSET_S), v)))!
      expect(Math.abs(offsetS - OFFSET_S)).toBeLessThan(6)
      expect(uncertaintyS / otherwise).toBeGreaterThan(0.95)
      expect(uncertaintyS / otherwise).toBeLessThan(2.5)
    }
  }) // prettier-ignore
  it('wherever it lies well within an hour, to five seconds; further away than that it is not looked for', () => {
    const found = (offsetS: number) =>
      offsetByEnergy(meter, { ...exact, t: exact.t.map((t) => t + OFFSET_S - offsetS) })?.offsetS ?? NaN
    for (const offsetS of [252, 255, 259, -37, 3400, -3400])
      expect(Math.abs(found(offsetS) - offsetS)).toBeLessThan(5)
    expect([found(-4000), found(4000)]).toEqual([NaN, NaN])
  })
  it('is the less sure, the less the moments of the levels are', () => {
    const sure = offsetByEnergy(meter, exact)!.uncertaintyS
    const unsure = offsetByEnergy(meter, { ...exact, momentU: 300 })!.uncertaintyS
    expect(unsure).toBeCloseTo(Math.hypot(sure, 300 / Math.sqrt(exact.t.length)), 6)
  })
  it('and its uncertainty are those of everything tried, with whole points', () => {
    const random = randomFrom(5)
    let off = 0
    const shown = looks.map((t) => Math.floor(levelAt(t) + (off = 0.6 * off + 0.5 * random.normal())))
    const levels = levelPoints(samples(looks.map((t) => t - OFFSET_S), shown))
    const found = offsetByEnergy(meter, levels, { low: -500, high: 500 })!
    const { mean, spread } = byBruteForce(levels)
    expect(Math.abs(found.offsetS - mean)).toBeLessThan(5)
    expect(found.uncertaintyS / Math.hypot(spread, otherwise)).toBeGreaterThan(0.9)
    expect(found.uncertaintyS / Math.hypot(spread, otherwise)).toBeLessThan(1.1)
    // What else is known narrows it: here, that it lies above.
    const bounded = offsetByEnergy(meter, levels, { low: mean, high: 500 })!
    expect(bounded.offsetS).toBeGreaterThan(found.offsetS)
    expect(bounded.uncertaintyS).toBeLessThan(found.uncertaintyS)
  }) // prettier-ignore
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
    const found = offsetByEnergy(meter, { ...exact, v: Float64Array.from(v.slice(1)) })
    expect(found?.uncertaintyS ?? Infinity).toBeGreaterThan(150)
  })
  it('is as sure of a device that was used again after it, down to where it began', () => {
    const used = every(100, 1700).map((t) => 4300 + t)
    const v = [...exact.v, ...used.map((t) => 90.5 - ((t - 4200) * 80) / 1800)]
    const idle = samples([...times, 4300, 6100], [...meter.v, 0, 0])
    const { offsetS, uncertaintyS } = offsetByEnergy(
      idle,
      {
        ...samples([...exact.t, ...used.map((t) => t - OFFSET_S)], v),
        momentU: 0,
      },
      { low: 200, high: 300 },
    )!
    expect(Math.abs(offsetS - OFFSET_S)).toBeLessThanOrEqual(50)
    expect(uncertaintyS).toBeLessThan(60)
  })
  it('is nothing where the level never rose, or nothing flowed for long before and after', () => {
    const stuck = levelPoints(samples(looks.map((t) => t - OFFSET_S), looks.map(() => 40)))
    expect(offsetByEnergy(meter, stuck)).toBeNull()
    expect(offsetByEnergy(meter, stuck, { low: 0, high: 500 })?.uncertaintyS ?? Infinity).toBeGreaterThan(100)
    // The meter idled for two hours on either side: most lags hold no energy at all.
    const idle = every(10, 7200)
    const long = samples(
      [...idle, ...times.map((t) => t + 7210), ...idle.map((t) => t + 11420)],
      [...idle.map(() => 0), ...meter.v, ...idle.map(() => 0)],
    )
    const { offsetS } = offsetByEnergy(long, { ...exact, t: exact.t.map((t) => t + OFFSET_S + 7210 - 900) })!
    expect(Math.abs(offsetS - 900)).toBeLessThan(10)
  }) // prettier-ignore
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
    const [ahead, skew] = [between(0, 4), between(-1, 1)]
    const shown = looked.map((t) => Math.floor(shownAt(start + (100 * gained * stored[t / 10]) / sum, ahead, skew) + half))
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
