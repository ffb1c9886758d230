import { describe, expect, it } from 'vitest'
import { randomFrom } from '../stats/random'
import { traceFromReadings, type Trace } from '../trace/trace'
import { acceptanceFrom, genericAcceptance } from './acceptance'
import { forecast, forecastS, levelAfter } from './forecast'
import { foresee, gainsByWatts } from './foreseen'

// A phone's power along straight lines, minutes and watts. Common practice, no source.
const PHONE = [
  [0, 24.1], [2, 24.6], [17, 25.9], [24, 19.2], [32, 19.5], [35, 13.4], [42, 13.6], [47, 8.0],
  [53, 7.7], [65, 6.5], [76, 5.8], [80, 4.7], [90, 2.4], [100, 1.0], [108, 0.5],
] // prettier-ignore
const trace = traceFromReadings(PHONE.map(([minute, power]) => ({ t: minute * 60, power })))
const curve = acceptanceFrom(trace)!
const minutes = (w: number, from: number, to: number) => forecastS(curve, w, from, to) / 60

describe('a forecast from one full run (common practice, no source)', () => {
  it('gives the run itself back on a source that does not limit it', () => {
    expect(minutes(100, 0, 100)).toBeCloseTo(108, 0)
  })
  it('takes about 2 h 20 min at 12 W and 4 h 32 min at 4.75 W', () => {
    expect(Math.abs(minutes(12, 0, 100) - 140)).toBeLessThan(2)
    expect(Math.abs(minutes(4.75, 0, 100) - 272)).toBeLessThan(2)
  })
  it('reaches about 48 % at minute 24 and 79 % at minute 50', () => {
    expect(levelAfter(curve, 100, 0, 24 * 60)).toBeCloseTo(48, 0)
    expect(levelAfter(curve, 100, 0, 50 * 60)).toBeCloseTo(79, 0)
  })
  it('gives the worked figures at 12 W: 3042, 5000 and 8390 s to half, 80 % and full', () => {
    expect(forecastS(curve, 12, 0, 50)).toBeCloseTo(3042, -1)
    expect(forecastS(curve, 12, 0, 80)).toBeCloseTo(5000, -2)
    expect(forecastS(curve, 12, 0, 100)).toBeCloseTo(8390, -2)
  })
  it('scales to the wanted start and end', () => {
    expect(minutes(12, 0, 50) + minutes(12, 50, 100)).toBeCloseTo(minutes(12, 0, 100), 6)
  })
})

it('takes the closed form of a hold and an exponential taper', () => {
  // 16 Wh held at 20 W: 0.8 h. Then dE/P along a straight fall from 20 W to 1 W over 4 Wh: 4·ln(20)/19 h.
  const generic = genericAcceptance(20, 20)
  expect(forecastS(generic, 100, 0, 100) / 3600).toBeCloseTo(0.8 + (4 * Math.log(20)) / 19, 2)
  expect(forecastS(generic, 5, 0, 80) / 3600).toBeCloseTo(16 / 5, 6)
})

it('is nothing for a run that is not full, or a source that gives nothing', () => {
  const half = traceFromReadings([0, 600, 1200].map((t) => ({ t, power: 10, percent: 40 + t / 60 })))
  expect(acceptanceFrom(half)).toBeNull()
  expect(forecastS(curve, 0, 0, 100)).toBeNaN()
})

describe('a source that was not tested', () => {
  // 16 Wh held at 20 W and 4 Wh of taper: at 5 W everything but the very end is 5 W, 4 Wh or 20 points in 48 minutes.
  const generic = genericAcceptance(20, 20)
  it('is told to half, to full, and by a moment, from the level at which the tested began', () => {
    const told = foresee(generic, 5, { from: 10, atS: 48 * 60 }, 0.01)!
    expect(told.half.seconds).toBeCloseTo((8 / 5) * 3600, 6)
    expect(told.half.assumed).not.toContain('runs that repeat within 2 %')
    expect(told.full.seconds).toBeGreaterThan((18 / 5) * 3600)
    expect(told.gain).toBeCloseTo(20, 9)
  })
  it('is nothing where nothing arrives, or the device is full', () => {
    const when = { from: 10, atS: 3600 }
    for (const watts of [0, -1, NaN]) expect(foresee(generic, watts, when)).toBeNull()
    expect(foresee(generic, 5, { from: 100, atS: 3600 })).toBeNull()
    expect(gainsByWatts(generic, 0, when)).toEqual([])
    expect(gainsByWatts(generic, 20, { from: 100, atS: 3600 })).toEqual([])
  })
  it('lies on a line behind the measured points: here straight, while the source decides', () => {
    const line = gainsByWatts(generic, 10, { from: 0, atS: 3600 }, 4)
    expect(line.map((p) => p.watts)).toEqual([2.5, 5, 7.5, 10])
    line.forEach(({ watts, gain }) => expect(gain).toBeCloseTo(5 * watts, 9))
  })
})

it('takes a log of a million readings, which is more than a call may have arguments', () => {
  const n = 1_000_000
  const long: Trace = {
    time: Float64Array.from({ length: n }, (_, i) => i / 100),
    percent: Float64Array.from({ length: n }, (_, i) => Math.min(100, Math.floor(5 + (i * 95) / (n - 1)))),
    power: new Float64Array(n).fill(18),
    temperatures: {},
  }
  const { energyWh, watts } = acceptanceFrom(long)!
  // 18 W for 10,000 s are 50 Wh from 5 % to full, so 2.63 Wh stand for the start that was not seen.
  expect(energyWh.at(-1)! - energyWh[1]).toBeCloseTo(50, 2)
  expect(energyWh[1]).toBeCloseTo((50 * 0.05) / 0.95, 2)
  expect(watts[0]).toBe(18)
})

it('tells of a log of tens of thousands of readings what adding them up one by one tells', () => {
  const random = randomFrom(11)
  const n = 40_000
  // A hold, a step down and a taper over 2 h 47 min, each reading off by two in a hundred.
  const true_ = (s: number) => (s < 3000 ? 26 : s < 5000 ? 14 : 14 * Math.exp((5000 - s) / 2000))
  const power = Float64Array.from({ length: n }, (_, i) => true_(i / 4) * (1 + 0.02 * random.normal()))
  const long: Trace = { time: Float64Array.from({ length: n }, (_, i) => i / 4), power, temperatures: {} }
  const thin = acceptanceFrom(long, { restingW: 0 })!
  expect(thin.energyWh.length).toBeLessThan(n / 10)
  // Each reading stands for a quarter of a second on its own source, and for longer where the source gives less.
  const added = (cap: number) => power.reduce((s, w) => s + (0.25 * w) / Math.min(w, cap), 0)
  for (const cap of [100, 20, 12, 5, 2])
    expect(Math.abs(forecastS(thin, cap, 0, 100) / added(cap) - 1)).toBeLessThan(0.003)
})

describe('what is drawn beside the charge, and what is lost on the way', () => {
  // An hour at 22 W from empty to full, then 2 W for ten minutes: 20 Wh for the battery.
  const hour = (start: number, end: number, minutesFull = 10) =>
    traceFromReadings([
      ...Array.from({ length: 61 }, (_, i) => ({
        t: i * 60,
        power: 22,
        percent: Math.floor(start + ((end - start) * i) / 60),
        ...(i === 60 && { watched: true }),
      })),
      ...Array.from({ length: minutesFull }, (_, i) => ({ t: 3660 + i * 60, power: 2, percent: end })),
    ])
  const wired = acceptanceFrom(hour(0, 100))!
  const full = (c: typeof wired, ...more: [number, number?]) => forecastS(c, more[0], 0, 100, more[1]) / 3600

  it('is found after the display turned full, and taken off every source', () => {
    expect(wired.restingW).toBeCloseTo(2, 9)
    expect(wired.energyWh.at(-1)).toBeCloseTo(20, 9)
    expect(full(wired, 100)).toBeCloseTo(1, 9)
    expect(full(wired, 12)).toBeCloseTo(2, 9)
    expect(full(wired, 2)).toBeNaN()
  })
  it('a pad that passes half needs twice the watts', () => {
    expect(full(wired, 24, 0.5)).toBeCloseTo(2, 9)
    // The same run read before such a pad: half of its 22 W arrive, and half of the 2 W.
    const onPad = acceptanceFrom(hour(0, 100), { linkEfficiency: 0.5 })!
    expect(onPad.restingW).toBeCloseTo(1, 9)
    expect(onPad.energyWh.at(-1)).toBeCloseTo(10, 9)
  })
  it('what a run did not see is taken at the watts of its ends', () => {
    const part = acceptanceFrom(hour(10, 99, 0), { restingW: 2 })!
    expect(part.energyWh.at(-1)).toBeCloseTo(20 / 0.89, 9)
    expect(full(part, 100)).toBeCloseTo(1 / 0.89, 9)
    expect(acceptanceFrom(hour(11, 100))).toBeNull()
    expect(acceptanceFrom(hour(0, 98))).toBeNull()
  })
  it('a level after some time never rises where nothing arrives', () => {
    expect(levelAfter(wired, 1, 30, 3600)).toBe(30)
    expect(levelAfter(wired, 12, 30, 3600)).toBeCloseTo(80, 6)
    expect(levelAfter(wired, 12, 30, 9999)).toBe(100)
  })
  it('adds what was assumed of the link, and of what is drawn beside, in quadrature', () => {
    const rect = Math.sqrt(3)
    const u = (...parts: number[]) => Math.hypot(...parts)
    const asked = { from: 0, to: 100, repeatability: 0.05 }
    // Two hours instead of one: repeats, the curve, the cell’s own loss, half a point of 72 s at either end.
    const always = [7200 * 0.05, 7200 * 0.01, (7200 * 0.025) / rect, 36 / rect]
    const pad = forecast(wired, { ...asked, sourceWatts: 24, linkEfficiency: 0.5, linkAssumed: true })
    expect(pad.uncertaintyS).toBeCloseTo(u(...always, (7200 * 0.1) / 0.5 / rect), 6)
    expect(pad.assumed).toEqual(['50 % of the watts arriving'])
    // A run that does not show what is drawn when full: up to 2 % of 22 W, of the 11 W that arrive.
    const unseen = acceptanceFrom(hour(0, 100), { restingW: 0 })!
    const half = forecast(unseen, { ...asked, sourceWatts: 11 })
    expect(half.uncertaintyS).toBeCloseTo(u(...always, (7200 * 0.04) / rect), 6)
    expect(half.assumed).toEqual(['nothing drawn beside the charge'])
    // And never more than all of it.
    const trickle = forecast(unseen, { ...asked, sourceWatts: 0.1 })
    expect(trickle.uncertaintyS).toBeLessThan(trickle.seconds)
    expect(trickle.uncertaintyS).toBeGreaterThan(trickle.seconds / rect)
    // Nothing arrives: nothing is said.
    expect(forecast(wired, { ...asked, sourceWatts: 1 })).toMatchObject({ seconds: NaN, uncertaintyS: NaN })
  })
  it('is made of three readings at least, the last of which shows it nearly full', () => {
    const at = (percents: number[]) => traceFromReadings(percents.map((percent, i) => ({ t: i * 1800, power: 20, percent })))
    expect(acceptanceFrom(at([0, 99]))).toBeNull()
    expect(acceptanceFrom(at([0, 50, 99]))!.energyWh.at(-1)).toBeCloseTo(20 / 0.99, 6)
    expect(acceptanceFrom(at([99, 99, 99]))).toBeNull()
    expect(acceptanceFrom(traceFromReadings([0, 60, 120].map((t) => ({ t, percent: 99 }))))).toBeNull()
  }) // prettier-ignore
  it('says how sure it is, and what it assumed', () => {
    const known = forecast(wired, { sourceWatts: 12, from: 0, to: 100, repeatability: 0.05 })
    expect(known.seconds).toBeCloseTo(7200, 6)
    // 5 % of repeats, 1 % of the curve, 1.44 % of the cell’s own loss, half a point: in quadrature.
    const pace = (0.05 * (1 - 1 / 2)) / Math.sqrt(3)
    expect(known.uncertaintyS / 7200).toBeCloseTo(Math.hypot(0.05, 0.01, pace, 0.005 / Math.sqrt(3)), 6)
    expect(known.assumed).toEqual([])
    const guessed = forecast(genericAcceptance(20, 20), {
      sourceWatts: 12,
      from: 0,
      to: 100,
      linkEfficiency: 0.75,
      linkAssumed: true,
    })
    expect(guessed.assumed).toHaveLength(4)
    expect(guessed.uncertaintyS).toBeGreaterThan(0.15 * guessed.seconds)
    expect(forecast(wired, { sourceWatts: 1, from: 0, to: 100 }).seconds).toBeNaN()
  })
})
