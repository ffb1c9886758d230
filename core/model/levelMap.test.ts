import { describe, expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { acceptanceFrom } from './acceptance'
import { forecast, forecastS, levelAfter } from './forecast'
import { remainingS } from './live'

// A display counts charge, and a cell's volts rise with it: at 5 A from 3.4 to 4.2 V, full in an hour, 19 Wh. By charge
// c (0 to 1) the energy delivered is 5·(3.4·c + 0.4·c²), so half is shown at 9 of 19 Wh. Common practice, no source: half
// is shown at about 48 % of the energy.
const wh = (c: number) => 5 * (3.4 * c + 0.4 * c * c)
const logged = (everyS: number, most = 100): Reading[] =>
  Array.from({ length: (36 * most) / everyS + 1 }, (_, i) => ({
    t: i * everyS,
    percent: Math.floor((i * everyS) / 36),
    power: 5 * (3.4 + (0.8 * i * everyS) / 3600),
  }))
const ofLog = acceptanceFrom(traceFromReadings(logged(4)))!

describe('a forecast goes by what the run’s own display showed at each energy', () => {
  it('gives the run itself back at every level, not only at full', () => {
    for (const to of [1, 10, 50, 80, 99, 100]) expect(forecastS(ofLog, 100, 0, to)).toBeCloseTo(36 * to, -1.2)
  })
  it('on a source that limits it all along, takes the energy to that level over the watts', () => {
    for (const to of [10, 50, 80]) expect(forecastS(ofLog, 10, 0, to) / 360).toBeCloseTo(wh(to / 100), 1)
    expect(levelAfter(ofLog, 10, 0, wh(0.5) * 360)).toBeCloseTo(49.5, 0)
  })
  it('begins at a level as it is shown: somewhere within its point', () => {
    expect(forecastS(ofLog, 100, 20, 50)).toBeCloseTo(29.5 * 36, -1.2)
    expect(levelAfter(ofLog, 100, 20, 30 * 36)).toBeCloseTo(50, 1)
    expect(remainingS(ofLog, 100, [{ t: 0, percent: 20 }], 0, 50)).toBeCloseTo(29.5 * 36, -1.2)
  })
  it('of checks every ten minutes goes by the levels between them', () => {
    const checked = acceptanceFrom(traceFromReadings(logged(600)))!
    for (const to of [25, 50, 75]) expect(forecastS(checked, 10, 0, to) / 360).toBeCloseTo(wh(to / 100), 0)
  })
  it('is full when the display turned full, halfway between the checks about it, not at the later', () => {
    const slow = logged(600).map((r) => ({ ...r, t: r.t * 1.05 }))
    const readings = [...slow.slice(0, -1), { ...slow.at(-1)!, t: 3900, power: 21 }]
    const curve = acceptanceFrom(traceFromReadings(readings))!
    expect(forecastS(curve, 100, 0, 100)).toBeCloseTo((3150 + 3900) / 2, 0)
  })
  it('what the run did not see lies straight from empty to its start, and from its end to full', () => {
    const part = logged(4).filter((r) => r.t >= 360 && r.t <= 36 * 99)
    const curve = acceptanceFrom(traceFromReadings(part.map((r) => ({ ...r, t: r.t - 360 }))))!
    const whole = curve.energyWh.at(-1)!
    expect(forecastS(curve, 10, 0, 10) / 360).toBeCloseTo(0.095 * whole, 1)
    expect(forecastS(curve, 10, 99, 100) / 360).toBeCloseTo(0.01 * whole, 1)
    expect(forecastS(curve, 100, 10, 50)).toBeCloseTo(40 * 36, -1.5)
  })
  it('holds where the display stood still and jumped, or fell', () => {
    const stuck = logged(4).map((r) => ({
      ...r,
      percent: r.percent! > 40 && r.percent! < 60 ? 40 : r.percent!,
    }))
    const fell = logged(4).map((r) => ({ ...r, percent: r.percent === 50 ? 47 : r.percent! }))
    for (const readings of [stuck, fell]) {
      const curve = acceptanceFrom(traceFromReadings(readings))!
      const times = Array.from({ length: 100 }, (_, i) => forecastS(curve, 12, 0, i + 1))
      times.forEach((s, i) => expect(s).toBeGreaterThanOrEqual(i ? times[i - 1] : 0))
      expect(times[99] / 300).toBeCloseTo(19, 0)
    }
  })
  it('takes half a point at either end for its spread, as the display turns there', () => {
    // At 10 W a point about half is 0.19 Wh or 68 s; half of it at each end, rectangular.
    const { uncertaintyS, seconds } = forecast(ofLog, { sourceWatts: 10, from: 49, to: 51, repeatability: 0 })
    const others = seconds * 0.01
    expect(Math.sqrt(uncertaintyS ** 2 - others ** 2)).toBeGreaterThan(68.4 / 2 / Math.sqrt(3) - 1)
  })
})
