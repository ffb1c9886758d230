import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ratedWattHours, usableCapacity } from '../gear/capacity'
import type { Accuracy } from '../gear/accuracy'
import { traceFromReadings, type Reading } from '../trace/trace'
import { analyse } from './analyse'
import { energy, energyGained, loadResistance, wirelessEfficiency } from './energy'

const watts = (...points: [t: number, power: number][]) =>
  traceFromReadings(points.map(([t, p]) => ({ t, power: p })))
const everySecond = (seconds: number, of: (t: number) => Partial<Reading>) =>
  traceFromReadings(Array.from({ length: seconds + 1 }, (_, t) => ({ t, ...of(t) })))
const codes = (readings: Reading[]) => analyse(traceFromReadings(readings)).findings.map((f) => f.code)

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
    expect(Math.round(100 * wirelessEfficiency(15, 19))).toBe(79)
    expect(loadResistance(5, 0.95)).toBeCloseTo(5.26, 2)
    expect(usableCapacity(ratedWattHours(3150), 88)).toBeCloseTo(3.15 * 3.85 * 0.88, 12)
  })

  it('holds the first and the last watts to the ends, and calls that bridged', () => {
    // Common practice, no source: five minutes at 9 W, first read at minute 5, are 0.75 Wh of which nothing was seen.
    const first = analyse(watts([300, 9]))
    expect(first.energy).toMatchObject({ energyWh: 0, bridgedWh: 0.75, gaps: [{ startS: 0, endS: 300 }] })
    expect(first.findings.map((f) => f.code)).toEqual(expect.arrayContaining(['clock-gap', 'bridged']))
    const last = energy(
      traceFromReadings([
        { t: 0, power: 6 },
        { t: 60, power: 6 },
        { t: 960, percent: 3 },
      ]),
    )
    expect(last.energyWh).toBeCloseTo(0.1, 12)
    expect(last.bridgedWh).toBeCloseTo(1.5, 12)
    expect(
      codes([
        { t: 0, power: 6 },
        { t: 60, power: 6 },
      ]),
    ).not.toContain('clock-gap')
    // A second that a logger came late is bridged, but no cause for words.
    expect(
      codes([
        { t: 1, power: 6 },
        { t: 60, power: 6 },
      ]),
    ).not.toContain('clock-gap')
  })

  it('takes two readings at one instant as a step', () => {
    const step = watts([0, 10], [30, 10], [30, 20], [60, 20])
    expect(energy(step).energyWh).toBeCloseTo(900 / 3600, 12)
    expect(energy(step).gaps).toEqual([])
  })

  it('sums what flows in and what flows out apart', () => {
    // From +10 W down to −10 W in 60 s: 150 J in, then 150 J out.
    const both = energy(watts([0, 10], [60, -10]))
    expect(both.energyWh).toBeCloseTo(0, 12)
    expect([both.intoWh, both.outOfWh]).toEqual([
      expect.closeTo(150 / 3600, 12),
      expect.closeTo(150 / 3600, 12),
    ])
  })

  it('scales with the watts, and does not mind when its clock began', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 90 }), { minLength: 2, maxLength: 30 }), (values) => {
        const at = (k: number) => energy(watts(...values.map((v, i): [number, number] => [i * 7, v * k])))
        expect(at(3).energyWh).toBeCloseTo(3 * at(1).energyWh, 9)
        expect(at(1).intoWh - at(1).outOfWh).toBeCloseTo(at(1).energyWh, 9)
      }),
    )
  })
})

describe('a meter’s own count', () => {
  const count = (...points: [t: number, wh: number][]): Reading[] =>
    points.map(([t, counterWh]) => ({ t, counterWh }))

  it('is a five-minute test by itself', () => {
    // Common practice, no source: 0.415 Wh on the counter after 5 minutes; 1,250 mAh after an hour, 1,950 after two.
    const { energy: e } = analyse(traceFromReadings(count([300, 0.415])))
    expect(e).toMatchObject({ energyWh: 0.415, bridgedWh: 0, energyFrom: 'counter' })
    expect(e.counter).toMatchObject({ energyWh: 0.415, resets: [], assumedZero: true })
    const ah = energy(
      traceFromReadings([
        { t: 0, counterAh: 0 },
        { t: 3600, counterAh: 1.25 },
        { t: 7200, counterAh: 1.95 },
      ]),
    )
    expect(ah.chargeAh).toBeCloseTo(1.95, 12)
    expect(ah.counter).toMatchObject({ chargeAh: 1.95, assumedZero: false })
  })

  it('is counted however long the log', () => {
    const long = Array.from({ length: 300_000 }, (_, i) => ({ t: 11 + i, counterWh: (11 + i) / 3600 }))
    expect(energy(traceFromReadings(long)).energyWh).toBeCloseTo(300_010 / 3600, 9)
  })

  it('counts through a reset, and names it', () => {
    const readings = count([0, 2], [600, 3.5], [1200, 0.4], [1800, 1.4])
    // 1.5 before it was set back, 0.4 since, 1.0 more.
    expect(energy(traceFromReadings(readings)).energyWh).toBeCloseTo(2.9, 12)
    expect(energy(traceFromReadings(readings)).counter?.resets).toEqual([1200])
    expect(codes(readings)).toContain('counter-reset')
  })

  it('does not take an older total for this run’s', () => {
    const readings = [0, 1, 2, 3].map((i) => ({ t: 300 + i * 300, power: 9, counterWh: 40 + i * 0.75 }))
    const { counter } = energy(traceFromReadings(readings))
    expect(counter).toMatchObject({ assumedZero: false, energyWh: 2.25, fromS: 300 })
    expect(codes(readings)).toContain('counter-carried')
    expect(codes(readings.map((r) => ({ ...r, t: r.t - 300 })))).not.toContain('counter-carried')
    // Watts that flowed out later say nothing against a count that began at nothing.
    const later = [
      { t: 300, counterWh: 0.415 },
      { t: 360, power: -4.5 },
    ]
    expect(energy(traceFromReadings(later)).counter).toMatchObject({ energyWh: 0.415, assumedZero: true })
    // A supply begins at 5 V: the watts at the switch are not those of the minutes after it.
    for (const power of [undefined, 24]) {
      const stepped = [{ t: 0, power: 5 }, { t: 300, power, counterWh: 1.97 }] // prettier-ignore
      expect(energy(traceFromReadings(stepped)).counter).toMatchObject({ energyWh: 1.97, assumedZero: true })
    }
    // A charge slows: what was counted late says nothing against a first hour that was faster.
    for (const points of [
      [
        [3600, 19],
        [6600, 20.3],
      ],
      [
        [3600, 12],
        [7200, 12],
      ],
    ] as [number, number][][]) {
      const whole = energy(traceFromReadings(count(...points)))
      expect(whole.counter).toMatchObject({ energyWh: points[1][1], assumedZero: true })
    }
    // No source gives 240 Wh in the first half hour, whatever came later.
    expect(energy(traceFromReadings(count([1800, 240], [3600, 250]))).energyWh).toBeCloseTo(10, 12)
    // Early on it would have to be four times as fast as ever after.
    expect(energy(traceFromReadings(count([300, 2.9], [600, 3.65]))).energyWh).toBeCloseTo(3.65, 12)
    expect(energy(traceFromReadings(count([300, 3.1], [600, 3.85]))).energyWh).toBeCloseTo(0.75, 12)
    // Two looks within seconds tell no rate: 0.005 Wh in ten seconds is a digit or two.
    expect(energy(traceFromReadings(count([300, 0.905], [310, 0.91]))).energyWh).toBeCloseTo(0.91, 12)
    // Nor without watts, by its own rate.
    expect(energy(traceFromReadings(count([300, 40], [600, 40.75]))).energyWh).toBeCloseTo(0.75, 12)
  })

  it('is used where watts were read seldom, and checked against them', () => {
    const seldom = [0, 1800, 3600].map((t) => ({ t, power: 10, counterWh: (8 * t) / 3600 }))
    expect(energy(traceFromReadings(seldom))).toMatchObject({
      energyFrom: 'counter',
      energyWh: 8,
      bridgedWh: 0,
    })
    expect(codes(seldom)).toContain('counter-disagrees')
    // Beside the count stands what the watts add up to over the same time, gaps bridged.
    expect(energy(traceFromReadings(seldom)).counter).toMatchObject({ energyWh: 8, integralWh: 10, chargeAh: NaN, fromS: 0 }) // prettier-ignore
    const often = Array.from({ length: 61 }, (_, i) => ({ t: i * 60, power: 10, counterWh: (10.2 * i) / 60 }))
    expect(energy(traceFromReadings(often))).toMatchObject({ energyFrom: 'integral', energyWh: 10 })
    expect(codes(often)).not.toContain('counter-disagrees')
  })

  it('tells where either total was set back, once and in order; nothing without a total', () => {
    const at = (...rows: [t: number, counterWh: number, counterAh: number][]) =>
      energy(traceFromReadings(rows.map(([t, counterWh, counterAh]) => ({ t, counterWh, counterAh })))).counter
    expect(
      at([0, 5, 1], [600, 6, 0.1], [1200, 7, 0.2], [1800, 0.5, 0.1], [10800, 1, 0.2], [11400, 0.2, 0.3])?.resets,
    ).toEqual([600, 1800, 11400])
    expect(at([0, 0, 0], [600, 1, 1])).toMatchObject({ resets: [], energyWh: 1, chargeAh: 1, integralWh: NaN })
    expect(energy(watts([0, 5], [60, 5])).counter).toBeNull()
  }) // prettier-ignore
})

describe('what of it arrives', () => {
  /** What a pad sent and a phone received, each over its own minutes. */
  const link = (sent: [t: number, w: number][], received: [t: number, w: number][]) =>
    energy(
      traceFromReadings([
        ...sent.map(([t, power]) => ({ t, power })),
        ...received.map(([t, batteryPower]) => ({ t, batteryPower })),
      ].sort((a, b) => a.t - b.t)),
    ).transferEfficiency // prettier-ignore

  it('is received over sent while both were read, and nothing else of either', () => {
    // Common practice, no source: 15 W received of 19 W sent is 79 %.
    expect(link([[0, 19], [600, 19]], [[0, 15], [600, 15]])).toBeCloseTo(15 / 19, 12) // prettier-ignore
    // Read together from 300 s to 600 s: 16 W falling to 12 W of 20 W are 14 of 20. What either saw alone is left out.
    const falling: [number, number][] = [[300, 16], [600, 12], [900, 30]] // prettier-ignore
    expect(link([[0, 40], [299, 40], [300, 20], [600, 20]], falling)).toBeCloseTo(0.7, 3) // prettier-ignore
    // An hour between two readings of both is no gap here: the same hour of both.
    expect(link([[0, 20], [3600, 20]], [[0, 12], [30, 12], [60, 12], [3600, 12]])).toBeCloseTo(0.6, 12) // prettier-ignore
  })
  it('is not known from one reading, from minutes that do not meet, or of nothing', () => {
    const minute: [number, number][] = [[0, 10], [60, 10]] // prettier-ignore
    const later = (fromS: number): [number, number][] => [[fromS, 9], [fromS + 60, 9]] // prettier-ignore
    expect(link(minute, [[0, 9]])).toBeNaN()
    expect(link([[0, 10]], minute)).toBeNaN()
    expect(link(minute, [])).toBeNaN()
    for (const fromS of [60, 61]) expect(link(minute, later(fromS))).toBeNaN()
    expect(link([[0, 0], [60, 0]], minute)).toBeNaN() // prettier-ignore
    expect(wirelessEfficiency(-1, -2)).toBeNaN()
    expect(loadResistance(5, 0)).toBeNaN()
  })
  it('is counted of a battery’s points by what it holds', () => {
    // Half of 14.1 Wh.
    expect(energyGained(50, 14.1)).toBeCloseTo(7.05, 12)
  })
})

describe('accuracy', () => {
  const meter: Accuracy = { accuracyPercent: 1, accuracyDigits: 2, resolution: 0.01, resolutionAmps: 0.001 }

  it('of a meter reaches peak and energy', () => {
    const a = analyse(
      everySecond(3600, () => ({ voltage: 9, current: 2 })),
      { meter },
    )
    // Limits: 0.09 + 0.02 V and 0.02 + 0.002 A; the product in quadrature, rectangular (GUM §4.3.7, §5.1.2).
    const u = Math.hypot(2 * 0.11, 9 * 0.022) / Math.sqrt(3)
    expect(a.peakUncertaintyW).toBeCloseTo(u, 9)
    // Off by the same all hour long.
    expect(a.energyUncertaintyWh).toBeCloseTo(u, 6)
    expect(a.meanUncertaintyW).toBeCloseTo(u, 6)
    expect(analyse(watts([0, 9], [60, 9])).peakUncertaintyW).toBeNaN()
    expect(analyse(watts([0, 9], [60, 9])).meanUncertaintyW).toBeNaN()
  })

  it('of a meter reaches the mean of each band that was entered, by what it drew there', () => {
    // 18 W to 50 %, then 9 W, a point a minute: the meter is within 1 % of volts and of amperes, each.
    const flat: Accuracy = { ...meter, accuracyDigits: 0 }
    const found = analyse(
      everySecond(3600, (t) => ({ percent: 20 + Math.floor(t / 60), power: t < 1800 ? 18 : 9 })),
      { meter: flat },
    ).bands
    expect(found.map((b) => b.uncertaintyW)).toEqual([
      NaN,
      expect.closeTo((0.18 * Math.SQRT2) / Math.sqrt(3), 3),
      expect.closeTo((0.09 * Math.SQRT2) / Math.sqrt(3), 3),
      NaN,
    ])
  })

  it('of a thermometer reaches the hottest figure', () => {
    const thermometer: Accuracy = { ...meter, accuracyPercent: null, accuracyDigits: 10, resolution: 0.1 }
    const [back, front] = analyse(
      traceFromReadings([
        { t: 0, temperatures: { front: 25, back: 26 } },
        { t: 600, temperatures: { front: 40.5, back: 40.8 } },
        { t: 1200, temperatures: { front: 43.8, back: 44.2 } },
        { t: 1800, temperatures: { front: 42.4, back: 42.9 } },
      ]),
      { thermometer },
    ).heat
    // Common practice, no source: 44.2 °C on the back after 20 minutes.
    expect(back).toMatchObject({ place: 'back', maxC: 44.2, maxAtS: 1200 })
    expect(back.riseC).toBeCloseTo(18.2, 9)
    expect(back.uncertaintyC).toBeCloseTo(1 / Math.sqrt(3), 9)
    expect(front).toMatchObject({ place: 'front', maxC: 43.8 })
  })
})
