import { describe, expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { analyse } from './analyse'
import { marks } from './marks'
import { bands, power } from './power'

const watts = (...points: [t: number, power: number][]) =>
  traceFromReadings(points.map(([t, p]) => ({ t, power: p })))
const everySecond = (seconds: number, of: (t: number) => Partial<Reading>) =>
  traceFromReadings(Array.from({ length: seconds + 1 }, (_, t) => ({ t, ...of(t) })))

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
