import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { analyse } from './analyse'
import { chargingEfficiency, energy, loadResistance, wirelessEfficiency } from './energy'
import { ratedWattHours, usableCapacity } from '../gear/capacity'
import { marks } from './marks'
import { bands, power } from './power'
import { taperEnd } from './taper'

const watts = (...points: [t: number, power: number][]) =>
  traceFromReadings(points.map(([t, p]) => ({ t, power: p })))
const everySecond = (seconds: number, of: (t: number) => Partial<Reading>) =>
  traceFromReadings(Array.from({ length: seconds + 1 }, (_, t) => ({ t, ...of(t) })))

describe('energy', () => {
  it('is exact along straight lines', () => {
    // A triangle of 36 W over 100 s is 1800 J = 0.5 Wh.
    expect(energy(watts([0, 0], [50, 36], [100, 0])).energyWh).toBeCloseTo(0.5, 12)
  })

  it('follows a curve as the closed form says', () => {
    // ∫₀^3600 20·e^(−t/1200) dt = 20·1200·(1 − e^−3) J
    const decay = everySecond(3600, (t) => ({ power: 20 * Math.exp(-t / 1200) }))
    expect(energy(decay).energyWh).toBeCloseTo((20 * 1200 * (1 - Math.exp(-3))) / 3600, 5)
  })

  it('adds up over a split', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 3, maxLength: 50 }),
        fc.nat(),
        (values, where) => {
          const points = values.map((v, i): [number, number] => [i * 10, v])
          const at = 1 + (where % (points.length - 2))
          const whole = energy(watts(...points)).energyWh
          const parts =
            energy(watts(...points.slice(0, at + 1))).energyWh + energy(watts(...points.slice(at))).energyWh
          expect(parts).toBeCloseTo(whole, 9)
        },
      ),
    )
  })

  it('keeps the energy across a gap apart', () => {
    const trace = watts([0, 10], [10, 10], [20, 10], [120, 10], [130, 10])
    const e = energy(trace)
    expect(e.energyWh).toBeCloseTo(300 / 3600, 12)
    expect(e.bridgedWh).toBeCloseTo(1000 / 3600, 12)
    expect(e.gaps).toEqual([{ startS: 20, endS: 120 }])
  })

  it('works out volts × amperes only where both were read, and never reads a gap as zero', () => {
    const trace = traceFromReadings([
      { t: 0, voltage: 9, current: 1.4 },
      { t: 30, voltage: 9 },
      { t: 60, voltage: 9, current: 1.4 },
    ])
    // Common practice, no source: 9 V × 1.4 A = 12.6 W.
    expect(energy(trace).energyWh).toBeCloseTo((12.6 * 60) / 3600, 12)
    expect(energy(trace).chargeAh).toBeCloseTo((1.4 * 60) / 3600, 12)
    expect(energy(traceFromReadings([{ t: 0, percent: 5 }])).energyWh).toBeNaN()
  })

  it('agrees with values of the trade (common practice, no source)', () => {
    expect(15.5 / 20.07).toBeCloseTo(chargingEfficiency(100, 15.5, 20.07), 12)
    expect(Math.round(100 * chargingEfficiency(100, 15.5, 20.07))).toBe(77)
    expect(Math.round(100 * wirelessEfficiency(15, 19))).toBe(79)
    expect(loadResistance(5, 0.95)).toBeCloseTo(5.26, 2)
    expect(usableCapacity(ratedWattHours(3150), 88)).toBeCloseTo(3.15 * 3.85 * 0.88, 12)
  })
})

describe('power', () => {
  it('tells a spike from the held peak', () => {
    const p = power(everySecond(300, (t) => ({ power: t === 100 ? 40 : t < 200 ? 20 : 10 })))
    expect(p).toMatchObject({ peakW: 40, peakAtS: 100, coarse: false })
    // One second at 40 W, with half-second ramps, lifts a 60 s mean by 20/60 W.
    expect(p.heldPeakW).toBeCloseTo(20 + 20 / 60, 9)
    expect(p.spikes).toEqual([{ atS: 100, watts: 40 }])
  })

  it('finds a held peak between readings', () => {
    // A tent, 0 → 20 W at 50 s → 0 at 100 s: the best minute is 20–80 s, mean 20·(1 − 30/100) = 14 W.
    const p = power(watts([0, 0], [25, 10], [50, 20], [75, 10], [100, 0]))
    expect(p.heldPeakW).toBeCloseTo(14, 9)
    expect(p.heldPeakAtS).toBeCloseTo(20, 9)
  })

  it('never averages a held peak across a gap', () => {
    const trace = watts(
      ...[0, 10, 20, 30, 40, 50, 60].map((t): [number, number] => [t, 10]),
      [200, 50],
      [210, 50],
    )
    expect(power(trace).heldPeakW).toBeCloseTo(10, 9)
  })

  it('takes the highest reading, and says so, when readings are coarse', () => {
    expect(power(watts([0, 12], [300, 18], [600, 9]))).toMatchObject({
      heldPeakW: 18,
      coarse: true,
      spikes: [],
    })
  })

  it('gives mean power and rate by band of level', () => {
    const trace = everySecond(4800, (t) => ({ percent: 10 + t / 60, power: t < 600 ? 20 : 8 }))
    const [low, next, , last] = bands(trace)
    expect(low).toMatchObject({ partial: true })
    expect(low.meanW).toBeCloseTo(20, 1)
    expect(next.meanW).toBeCloseTo(8, 6)
    expect(next.pointsPerMinute).toBeCloseTo(1, 6)
    expect(last.partial).toBe(true)
  })

  it('finds where the current has all but stopped, and not the silence before it starts', () => {
    const trace = everySecond(1000, (t) => ({
      power: t < 100 ? 0 : t < 600 ? 20 : t < 630 ? 0.5 : t < 640 ? 5 : 0.5,
    }))
    const { heldPeakW, heldPeakAtS } = power(trace)
    expect(taperEnd(trace, heldPeakW, heldPeakAtS)).toBe(640)
    expect(taperEnd(watts([0, 20], [60, 20], [120, 20]), 20, 0)).toBeNaN()
  })
})

describe('marks', () => {
  const trace = traceFromReadings([
    { t: 0, percent: 5 },
    { t: 308, percent: 20 },
    { t: 500, percent: 30 },
    { t: 700, percent: 50 },
  ])

  it('takes a reading within 10 s as the mark and interpolates further away, with bounds', () => {
    expect(marks(trace, [300, 600])).toEqual([
      {
        atS: 300,
        percent: 20,
        low: 20,
        high: 20,
        gain: 15,
        uncertainty: expect.closeTo(Math.sqrt(1 / 6), 9),
        ceiling: false,
      },
      { atS: 600, percent: 40, low: 30, high: 50, gain: 35, uncertainty: expect.any(Number), ceiling: false },
    ])
    expect(marks(trace, [600])[0].uncertainty).toBeGreaterThan(Math.sqrt(1 / 6))
  })

  it('says where it no longer tells sources apart: near full, or at under a third of the best rate', () => {
    const fast = traceFromReadings(
      [5, 25, 45, 65, 72, 77, 82, 94, 95].map((percent, i) => ({ t: i * 300, percent })),
    )
    const at = (minutes: number) => marks(fast, [minutes * 60])[0].ceiling
    // 20 points in five minutes at best: below 6.67 is slow.
    expect([5, 15, 20, 25, 30, 35, 40].map(at)).toEqual([false, false, false, true, true, false, true])
  })

  it('never reads past the last reading', () => {
    const [within, past] = marks(trace, [705, 900])
    expect(within.percent).toBe(50)
    expect(past.percent).toBeNaN()
    expect(past.reason).toMatch(/ended/)
  })
})

describe('findings', () => {
  const codes = (readings: Reading[], usableWh?: number) =>
    analyse(traceFromReadings(readings), { usableWh }).findings.map((f) => f.code)

  it('name what cannot be right', () => {
    const readings = [
      { t: 0, percent: 10, power: 12.6, voltage: 9, current: 1.4 },
      { t: 10, percent: 20, power: 12.6, voltage: 9, current: 1.35 },
      { t: 20, percent: 17, power: 12.6, voltage: 9, current: 1.4 },
      { t: 30, percent: 60, power: 12.6, voltage: 9, current: 1.4 },
    ]
    expect(codes(readings, 15)).toEqual(
      expect.arrayContaining(['level-fell', 'power-disagrees', 'impossible-efficiency']),
    )
  })

  it('stay silent about a sound run', () => {
    const sound = Array.from({ length: 101 }, (_, i) => ({ t: i * 36, percent: i, power: 16 }))
    const serious = analyse(traceFromReadings(sound), { usableWh: 14 }).findings.filter(
      (f) => f.severity !== 'notice',
    )
    expect(serious).toEqual([])
  })
})
