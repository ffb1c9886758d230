import { describe, expect, it } from 'vitest'
import { loadSplit } from '../analysis/load'
import { acceptanceFrom, forecastS } from '../model/forecast'
import { recentRate, remainingS } from '../model/live'
import { alignByCurrent, onOneClock, startOfCurrent } from '../trace/clocks'
import { traceFromReadings } from '../trace/trace'
import { temperatureDue, tooHot } from './heat'
import { suspicion } from './suspicion'

describe('an odd entry', () => {
  const context = { last: { t: 0, percent: 40 }, lastWatts: 15, t: 600, usableWh: 15, expectedWatts: 20 }
  it.each([
    // 20 W for ten minutes are 3.3 Wh, 22 points of 15 Wh.
    [{ percent: 62 }, null],
    [{ percent: 70 }, /more than the energy allows \(about 22\)/],
    // A display may waver by a point: only a fall of more is asked about.
    [{ percent: 39 }, null],
    [{ percent: 38 }, /fell from 40 to 38/],
    [{ percent: 50, power: 60 }, /more than the two should settle on/],
    [{ power: 19 }, null],
  ])('%j', (entry, expected) => {
    const said = suspicion(entry, context)
    if (expected === null) expect(said).toBeNull()
    else expect(said).toMatch(expected)
  })
  it('is not called odd where capacity or power are not known', () => {
    expect(suspicion({ percent: 99 }, { ...context, usableWh: NaN })).toBeNull()
  })
})

describe('a run under way', () => {
  const curve = acceptanceFrom(
    traceFromReadings([0, 1800, 3600, 5400].map((t) => ({ t, power: 20 - t / 300 }))),
  )!
  it('is forecast from its device’s curve, then by its own pace', () => {
    const half = forecastS(curve, 100, 0, 50)
    expect(remainingS(curve, 100, [{ t: 0, percent: 0 }], 0)).toBeCloseTo(5400, 0)
    // Half reached in twice the forecast time: the rest is expected to take twice as long too.
    const slow = [{ t: 0, percent: 0 }, { t: 2 * half, percent: 50 }] // prettier-ignore
    expect(remainingS(curve, 100, slow, 2 * half)).toBeCloseTo(2 * (5400 - half), 0)
    expect(remainingS(curve, 100, slow, 2 * half + 60)).toBeCloseTo(2 * (5400 - half) - 60, 0)
    expect(remainingS(curve, 100, [{ t: 0, percent: 100 }], 50)).toBe(0)
  })
  it('shows its rate over the last ten minutes', () => {
    const levels = [0, 300, 600, 900, 1200].map((t, i) => ({ t, percent: [10, 20, 30, 35, 40][i] }))
    expect(recentRate(levels)).toBeCloseTo(1, 6)
    expect(recentRate(levels.slice(0, 1))).toBeNaN()
  })
})

describe('two streams with clocks of their own', () => {
  const meter = [0, 1, 2, 3].map((t) => ({ t, stream: 'meter', current: t < 2 ? 0 : 1.4, voltage: 9 }))
  const battery = [10, 11, 12, 13, 14].map((t) => ({ t, stream: 'battery', batteryPower: t < 13 ? -0.5 : 9 }))
  it('begin together', () => {
    expect(startOfCurrent(meter)).toBe(2)
    const offsets = alignByCurrent([...meter, ...battery], { meter: 0, battery: 0 })
    expect(offsets).toEqual({ meter: 0, battery: -11 })
    const merged = onOneClock([...meter, ...battery], offsets)
    expect(merged.find((r) => r.batteryPower === 9)!.t).toBe(2)
    expect(merged.map((r) => r.t)).toEqual([...merged.map((r) => r.t)].sort((a, b) => a - b))
  })
  it('stay where they are when one never shows a start', () => {
    expect(alignByCurrent(meter.slice(2), { meter: 0.5 })).toEqual({ meter: 0.5 })
  })
})

it('splits a source’s power between battery and system, and tells the time to empty', () => {
  // 15 W from the source, the level falls 6 points of 50 Wh in 30 minutes: −6 W, so 21 W for the system.
  const trace = traceFromReadings([
    { t: 0, percent: 80, power: 15 },
    { t: 600, percent: 80, power: 15 },
    { t: 2400, percent: 74, power: 15 },
  ])
  const [phase] = loadSplit(trace, [{ t: 600, kind: 'load-start', text: 'charts' }], 50)
  expect(phase).toMatchObject({ name: 'charts', sourceW: 15 })
  expect(phase.batteryW).toBeCloseTo(-6, 9)
  expect(phase.systemW).toBeCloseTo(21, 9)
  expect(phase.hoursToEmpty).toBeCloseTo(37 / 6, 9)
})

it('asks for temperatures at their times, once, and names what is too hot', () => {
  expect(temperatureDue([0, 10, 20], ['back'], NaN, 5)).toBe(0)
  expect(temperatureDue([0, 10, 20], ['back'], 3, 590)).toBeNull()
  expect(temperatureDue([0, 10, 20], ['back'], 3, 610)).toBe(600)
  expect(temperatureDue([0, 10, 20], ['back'], 590, 610)).toBeNull()
  expect(temperatureDue([0, 10], [], NaN, 700)).toBeNull()
  expect(tooHot({ back: 45 }, 45)).toEqual({ place: 'back', celsius: 45 })
  expect(tooHot({ back: 44 }, 45)).toBeNull()
})
