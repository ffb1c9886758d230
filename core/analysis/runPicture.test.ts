import { describe, expect, it } from 'vitest'
import { traceFromReadings, type Reading, type Trace } from '../trace/trace'
import { pictureByLevel, pictureOf, samplesOfRun, stripColumn } from './runPicture'

/** A day at one reading a second, from 10 % on, one point in 600 s, with a spike of one second in it. */
const DAY = 43_200
const SPIKE_AT = 30_001
const day: Trace = {
  time: Float64Array.from({ length: DAY }, (_, i) => i),
  percent: Float64Array.from({ length: DAY }, (_, i) => 10 + Math.floor(i / 600)),
  power: Float64Array.from({ length: DAY }, (_, i) => (i === SPIKE_AT ? 45 : 9)),
  temperatures: {},
}
const checks = (...readings: Partial<Reading>[]) =>
  traceFromReadings(readings.map((r, i) => ({ t: 600 * i, ...r })))

describe('what is drawn of a run', () => {
  it('has a strip for what was read, in one order, and none for what was not', () => {
    const trace = {
      ...checks({ percent: 5, voltage: 9, current: 2 }, { percent: 15, voltage: 9, current: 2 }),
      temperatures: { back: Float64Array.of(30, 31), front: Float64Array.of(NaN, NaN), '': Float64Array.of(NaN, 29) },
    } // prettier-ignore
    const { strips } = samplesOfRun(trace)
    expect(strips.map((s) => s.key)).toEqual(['power', 'volts', 'place back', 'place '])
    const ends = traceFromReadings([{ t: 0, power: 18, batteryVoltage: 4, batteryCurrent: 3.5 }, { t: 60, power: 18, batteryPower: -2 }]) // prettier-ignore
    const both = samplesOfRun(ends).strips
    expect(both.map((s) => [s.key, ...s.samples.v, s.min])).toEqual([['power', 18, 18, 0], ['battery', 14, -2, undefined]]) // prettier-ignore
    // Watts that nobody read are volts times amperes.
    expect([...strips[0].samples.v]).toEqual([18, 18])
    expect([...strips[3].samples.t]).toEqual([600])
    expect(stripColumn(trace, 'place back')).toBe(trace.temperatures.back)
    expect(stripColumn(trace, 'volts')).toBe(trace.voltage)
    expect(stripColumn(trace, 'place side')).toBeUndefined()
    const bare = samplesOfRun(checks({ percent: 5 }))
    expect(bare.strips).toEqual([])
    expect([...bare.shown.v]).toEqual([5])
  })

  it('has a scale from nothing for watts and volts, but not where something was fed back, nor for temperatures', () => {
    const of = (power: number[], back: number) => ({
      ...checks(...power.map((p) => ({ power: p, voltage: 9 }))),
      temperatures: { back: Float64Array.from(power, () => back) },
    })
    const mins = (trace: Trace) => samplesOfRun(trace).strips.map((s) => s.min)
    expect(mins(of([12, 9], 30))).toEqual([0, 0, undefined])
    expect(mins(of([12, -3], 30))).toEqual([undefined, 0, undefined])
    expect(mins(of([0, 0], -5))).toEqual([0, 0, undefined])
  })

  it('keeps a spike of one second at any distance, and what lies beside the view, so that lines run on', () => {
    const samples = samplesOfRun(day)
    const whole = pictureOf(samples, { spans: 800 })
    expect(whole.view).toBeUndefined()
    expect(whole.shownCount).toBe(DAY)
    expect(whole.strips[0].samples.t.length).toBeLessThanOrEqual(3200)
    expect(whole.strips[0].samples.v[whole.strips[0].samples.t.indexOf(SPIKE_AT)]).toBe(45)
    const view = { from: 29_990.5, until: 30_010.5 }
    const close = pictureOf(samples, { spans: 800, view })
    expect(close.view).toBe(view)
    const { t, v } = close.strips[0].samples
    expect([t[0], t.at(-1)]).toEqual([29_990, 30_011])
    expect(v[t.indexOf(SPIKE_AT)]).toBe(45)
    // The worked-out level goes through the moments at which points turned, each between two readings.
    expect([...close.worked.t]).toEqual([29_399.5, 29_999.5, 30_599.5])
    expect(close.shownCount).toBe(DAY)
  })

  it('stands against the level where both are known, without the volts', () => {
    const trace = {
      ...checks(
        { percent: 10, power: 20, voltage: 9 },
        { percent: 20, power: 18, voltage: 9 },
        { percent: 30, power: 16, voltage: 9 },
        { power: 3, voltage: 9 },
      ),
      temperatures: { back: Float64Array.of(NaN, 35, NaN, NaN) },
    }
    const { strips } = pictureByLevel(samplesOfRun(trace), 800)
    // One temperature alone draws no line; watts after the last level stand nowhere.
    expect(strips.map((s) => s.key)).toEqual(['power'])
    expect([...strips[0].samples.t]).toEqual([10.5, 20.5, 30.5])
    expect([...strips[0].samples.v]).toEqual([20, 18, 16])
  })
})
