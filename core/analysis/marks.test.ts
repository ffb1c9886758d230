import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { GAIN_UNCERTAINTY, marks } from './marks'

type Shown = readonly [t: number, percent: number]
const at = (shown: readonly Shown[], ...seconds: number[]) =>
  marks(traceFromReadings(shown.map(([t, percent]) => ({ t, percent }))), seconds)
const percents = (...asked: Parameters<typeof at>) => at(...asked).map(({ percent }) => percent)
/** Once a minute, from a level on, so many points a minute. */
const minutes = (fromMinute: number, untilMinute: number, from: number, pace: number): Shown[] =>
  Array.from(
    { length: untilMinute - fromMinute + 1 },
    (_, i) => [(fromMinute + i) * 60, from + i * pace] as const,
  )

it('takes a reading within ten seconds of the mark for the mark, the nearer of two', () => {
  const shown: Shown[] = [[0, 5], [290, 20], [306, 24], [590, 40], [611, 41]] // prettier-ignore
  expect(at(shown, 300)).toEqual([
    { atS: 300, percent: 24, low: 24, high: 24, gain: 19, uncertainty: GAIN_UNCERTAINTY, ceiling: false },
  ])
  expect(percents(shown, 298, 299, 600, 621)).toEqual([20, 24, 40, 41])
  const [between] = at(shown, 600.5)
  expect([between.low, between.high]).toEqual([40, 41])
  expect(between.percent).toBeCloseTo(40 + 10.5 / 21, 9)
})

it('reads nothing before the first level or past the last, and says why', () => {
  const shown: Shown[] = [[60, 5], [600, 20]] // prettier-ignore
  expect(at(shown, 49, 50, 610, 611).map(({ percent, reason }) => reason ?? percent)).toEqual([
    'The first level was read after it.',
    5,
    20,
    'The run ended before it.',
  ])
  const none = marks(traceFromReadings([{ t: 0, power: 9 }]))
  expect(none).toHaveLength(9)
  expect(none[0]).toEqual({
    atS: 300,
    percent: NaN,
    low: NaN,
    high: NaN,
    gain: NaN,
    uncertainty: NaN,
    ceiling: false,
    reason: 'No battery level was read.',
  })
})

it('bounds a level by those on either side, the lower first, though it fell', () => {
  const [mark] = at([[0, 40], [600, 30]], 300) // prettier-ignore
  expect(mark).toMatchObject({ percent: 35, low: 30, high: 40, gain: -5 })
})

it('is full from the moment at which the display is taken to have turned full', () => {
  // Between 98 at minute 10 and 100 at minute 20: the middle, minute 15.
  const shown: Shown[] = [[0, 60], [600, 98], [1200, 100]] // prettier-ignore
  expect(percents(shown, 899, 900, 1000)).toEqual([expect.closeTo(99.99, 1), 100, 100])
  expect(percents(shown, 899)[0]).toBeLessThan(100)
  expect(at(shown, 1000)[0].uncertainty).toBe(GAIN_UNCERTAINTY)
})

it('stands near the ceiling from 95 % on, or where the last five minutes went at less than a third of the best', () => {
  const shown = [...minutes(0, 30, 10, 1)]
  expect(at([...shown, [1900, 95]], 1900)[0].ceiling).toBe(true)
  expect(at([...shown, [1900, 94.9]], 1900)[0].ceiling).toBe(false)
  const slower = (pace: number) => at([...shown, ...minutes(31, 60, 40 + pace, pace)], 900, 3600).map((m) => m.ceiling)
  expect([slower(0.32), slower(0.34), slower(0)]).toEqual([[false, true], [false, false], [false, true]])
  // A display that falls is no ceiling, and nothing is known of a rate before anything was gained.
  expect(slower(-0.1)).toEqual([false, false])
  expect(at(shown, 0)[0].ceiling).toBe(false)
}) // prettier-ignore

it('goes by the second best of five or more such rates: one jump of the display is no pace', () => {
  // Fifteen points in five minutes once, where the display caught up; a point a minute else, and half a point at the end.
  const jumping: Shown[] = [[0, 10], [300, 15], [600, 30], [900, 35], [1200, 40], [1500, 42.5]] // prettier-ignore
  expect(at(jumping, 1500)[0].ceiling).toBe(false)
  const four: Shown[] = [[0, 10], [300, 15], [600, 30], [900, 35], [1200, 37.5]] // prettier-ignore
  expect(at(four, 1200)[0].ceiling).toBe(true)
  expect(at([[0, 10], [300, 15], [600, 20], [900, 25], [1200, 27.5]], 1200)[0].ceiling).toBe(false) // prettier-ignore
})

it('tells a rate over five minutes, or over what was read where that is less', () => {
  // In the last five minutes one point, all of it in the first of them.
  const shown = [...minutes(0, 20, 10, 1), ...minutes(21, 26, 31, 0)]
  expect(at(shown, 1500, 1560).map((m) => m.ceiling)).toEqual([true, true])
  // Four points in the last five minutes, none in the very last.
  expect(at(shown, 1320)[0].ceiling).toBe(false)
  expect(at([[0, 10], [60, 11], [120, 12]], 120)[0].ceiling).toBe(false) // prettier-ignore
})
