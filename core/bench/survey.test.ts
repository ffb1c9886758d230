import { describe, expect, it } from 'vitest'
import {
  held,
  outcomeOf,
  pluggedIn,
  typedSurvey,
  watchAtLeast,
  withSample,
  type SurveyReading,
} from './survey'

const at = (t: number, volts: number, amps: number): SurveyReading => ({
  t,
  volts,
  amps,
  watts: volts * amps,
})
const from = (t: number, count: number, volts: number, amps: (k: number) => number) =>
  Array.from({ length: count }, (_, k) => at(t + k, volts, amps(k)))

describe('a survey', () => {
  it('holds 5.2 V 2.34 A from one, 5.15 V 0.95 A from another (common practice, no source)', () => {
    expect(held(from(0, 30, 5.2, () => 2.34))?.watts).toBeCloseTo(12.168, 9)
    expect(held([at(16, 5.15, 0.95), at(30, 5.15, 0.95)])).toMatchObject({ volts: 5.15, amps: 0.95 })
  })

  it('has not settled in the first seconds, while it still moves, or just after another level', () => {
    expect(held([])).toBeNull()
    expect(held(from(0, 14, 5.2, () => 2))).toBeNull()
    expect(held(from(0, 40, 9, (k) => 1 + k / 40))).toBeNull()
    // 4.8 V for three seconds, then 9 V 2.2 A (common practice, no source).
    const stepped = [...from(0, 3, 4.8, () => 0.5), ...from(3, 30, 9, () => 2.2)]
    expect(held(stepped.slice(0, 17))).toBeNull()
    expect(held(stepped)?.watts).toBeCloseTo(19.8, 9)
    // A single reading by hand settles nothing; two that agree do.
    expect(held([at(20, 9, 2.2)])).toBeNull()
    expect(held([at(20, 9, 2.2), at(40, 9, 1.9)])).toBeNull()
  })

  it('takes one sample a second from a meter, never one that lacks a figure or runs back', () => {
    const one = withSample([], { t: 1, volts: 5, amps: 2 })
    expect(one).toEqual([at(1, 5, 2)])
    expect(withSample(one, { t: 1.5, volts: 5, amps: 2 })).toBe(one)
    expect(withSample(one, { t: 2.5, volts: NaN, amps: 2 })).toBe(one)
    expect(withSample(one, { t: 2, volts: 9, amps: 1 })).toHaveLength(2)
    // A clock that was set back does not stop it.
    expect(withSample(one, { t: -3600, volts: 9, amps: 1 }).map((r) => r.t)).toEqual([1, 1])
    const long = from(0, 4000, 5, () => 1)
    expect(withSample(long, { t: 4000, volts: 5, amps: 1 })).toHaveLength(4000)
  })

  it('knows that the next source was plugged in by current after a rest', () => {
    expect(pluggedIn(false, 1.2)).toEqual({ rested: false, isIn: false })
    expect(pluggedIn(false, 0.01)).toEqual({ rested: true, isIn: false })
    expect(pluggedIn(true, 0.03)).toEqual({ rested: true, isIn: false })
    expect(pluggedIn(true, -0.3)).toEqual({ rested: true, isIn: true })
  })

  it('waits a minute for a pad', () => {
    const on = from(0, 50, 9, () => 1.1)
    expect([held(on, false) !== null, held(on, true)]).toEqual([true, null])
    expect(
      held(
        from(0, 75, 9, () => 1.1),
        true,
      ),
    ).not.toBeNull()
  })

  it('reads volts and amperes, or watts alone, with either comma', () => {
    expect(typedSurvey('5,2 2,34')).toMatchObject({ volts: 5.2, amps: 2.34 })
    expect(typedSurvey('12.2')).toMatchObject({ volts: NaN, watts: 12.2 })
    expect([typedSurvey(''), typedSurvey('a b'), typedSurvey('1 2 3')]).toEqual([null, null, null])
    const withUnits = ['5.2V 2.34A', '5,2 V 2,34 A', '2.34 A @ 5.2 V', '5.2V/2340mA', '2340 mA; 5.2 V']
    for (const text of withUnits) expect(typedSurvey(text), text).toMatchObject({ volts: 5.2, amps: 2.34 })
    expect(typedSurvey('12.2 W')).toMatchObject({ volts: NaN, watts: 12.2 })
    expect(['5.2V', '2A', '5V 12W', '5V 9V', '5.2 2.34A', '5.2.1V 2A'].map(typedSurvey)).toEqual(
      Array(6).fill(null),
    )
  })

  it('names the outcome by the watts, and how long one must watch', () => {
    const expected = { outcome: 'charges', watts: 18 } as const
    expect([18, 9.1, 8.9, 0.2, -2].map((w) => outcomeOf(w, expected))).toEqual([
      'charges',
      'charges',
      'slow',
      'connected',
      'loses',
    ])
    // A point of 16 Wh is 0.16 Wh: at 0.2 W with 80 % arriving, an hour. It still charges.
    expect(watchAtLeast(0.2, 16)).toBeCloseTo(3600, 6)
    expect(watchAtLeast(0, 16)).toBe(Infinity)
  })
})
