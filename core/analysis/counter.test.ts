import { expect, it } from 'vitest'
import type { Samples } from '../trace/samples'
import { countBetween, countOf } from './counter'

const samples = (...rows: (readonly [number, number])[]): Samples => ({
  t: Float64Array.from(rows, ([t]) => t),
  v: Float64Array.from(rows, ([, v]) => v),
})
/** Whether a first reading is taken for what was counted since power-on. */
const fromNothing = (...asked: Parameters<typeof countOf>) => countOf(...asked)?.assumedZero ?? null

it('counts on through what was set back, and says when', () => {
  const count = countOf(samples([5, 2], [600, 3.5], [1200, 0.4], [1800, 1.4], [2400, 1.4], [3000, 0]))
  expect(count).toMatchObject({ startS: 5, endS: 3000, resets: [1200, 3000], assumedZero: false })
  expect(count!.total).toBeCloseTo(1.5 + 0.4 + 1, 12)
  expect([...count!.samples.v]).toEqual([0, 1.5, 1.9, expect.closeTo(2.9, 12), expect.closeTo(2.9, 12), expect.closeTo(2.9, 12)]) // prettier-ignore
})

it('is nothing without a reading, or with a single one at power-on', () => {
  expect(countOf(samples())).toBeNull()
  expect(countOf(samples([10, 3]))).toBeNull()
  // Common practice, no source: 0.415 Wh on the counter after five minutes.
  expect(countOf(samples([300, 0.415]))).toMatchObject({ total: 0.415, startS: 0, endS: 300, assumedZero: true })
}) // prettier-ignore

it('begins at nothing where the first reading came after power-on: the path with it', () => {
  const count = countOf(samples([10.5, 0.06], [3600, 5]))!
  expect(count).toMatchObject({ total: 5, startS: 0, assumedZero: true })
  expect(count.samples).toEqual(samples([0, 0], [10.5, 0.06], [3600, 5]))
  expect(countOf(samples([10, 0.06], [3600, 5]))).toMatchObject({
    total: 4.94,
    startS: 10,
    assumedZero: false,
  })
})

it('takes a first reading above half as much again as flowed by then for an older total', () => {
  // 10 W for 600 s are 1.667 Wh; half as much again, and the last digit: 2.55 Wh.
  const flow = samples([0, 10], [300, 10], [600, 10])
  const at = (first: number, of: Samples = flow) => fromNothing(samples([600, first], [1200, first + 1]), of)
  expect([at(2.54), at(2.56)]).toEqual([true, false])
  // Between two readings as fast as at the faster: up to 12 W from none, and down from them.
  expect([at(3.04, samples([0, 0], [600, 12])), at(3.06, samples([0, 0], [600, 12]))]).toEqual([true, false])
  expect([at(3.04, samples([0, 12], [600, 0])), at(3.06, samples([0, 12], [600, 0]))]).toEqual([true, false])
  // From the last reading of the watts on, and from power-on to the first, as they stood there.
  expect([at(2.54, samples([200, 10])), at(2.56, samples([200, 10]))]).toEqual([true, false])
  // What flowed back is no count.
  expect([at(0.04, samples([0, -10], [600, -10])), at(0.06, samples([0, -10], [600, -10]))]).toEqual([true, false]) // prettier-ignore
  expect(countOf(samples([600, 9]), flow)).toBeNull()
})

it('lets watts that were read only at power-on, or only later, say nothing of it', () => {
  const first = samples([1200, 9], [4800, 18])
  expect(fromNothing(first, samples([0, 1], [10, 1]))).toBe(true)
  expect(fromNothing(first, samples([0, 1], [10.5, 1]))).toBe(false)
  expect(fromNothing(first, samples([1201, 1]))).toBe(true)
  expect(fromNothing(first, samples([1200, 1]))).toBe(false)
})

it('goes by the most that can flow at all, and early by four times the fastest that was counted later', () => {
  const late = (first: number, highest: number) => fromNothing(samples([3600, first], [7200, first + 1]), undefined, highest) // prettier-ignore
  expect([late(10.04, 10), late(10.06, 10)]).toEqual([true, false])
  // Half a watt-hour in ten minutes: four times that by minute ten are 2 Wh.
  const early = (firstS: number, first: number, highest?: number) =>
    fromNothing(samples([firstS, first], [firstS + 600, first + 0.5]), undefined, highest)
  expect([early(600, 2.04), early(600, 2.06)]).toEqual([true, false])
  expect([early(900, 3.04), early(900, 3.06), early(901, 3.06)]).toEqual([true, false, true])
  // The lesser of the two counts.
  expect([early(600, 1.04, 6), early(600, 1.06, 6)]).toEqual([true, false])
  // Where nothing was counted later, only what can flow at all is known.
  expect(fromNothing(samples([600, 50], [1200, 50]))).toBe(true)
})

it('takes no rate over less than a minute: the last digit would make it', () => {
  // A fifth in ten seconds, and then next to nothing: a quarter in a minute counts.
  const count = (first: number) =>
    fromNothing(samples([300, first], [310, first + 0.2], [360, first + 0.25], [420, first + 0.26]))
  expect([count(5.04), count(5.06)]).toEqual([true, false])
  // A faster minute later on counts as well.
  const faster = (first: number) =>
    fromNothing(samples([300, first], [360, first + 0.1], [420, first + 0.2], [480, first + 0.45]))
  expect([faster(5.04), faster(5.06)]).toEqual([true, false])
})

it('tells what it grew by between two moments, as far as it goes', () => {
  const count = countOf(samples([5, 1], [605, 2], [1205, 4]))!
  const between = (startS: number, endS: number) => Object.values(countBetween(count, startS, endS))
  expect(between(305, 905)).toEqual([expect.closeTo(1.5, 12), 600])
  expect(between(0, 605)).toEqual([1, 600])
  expect(between(905, 9000)).toEqual([expect.closeTo(1, 12), 300])
  expect([between(1205, 9000), between(0, 5), between(700, 700), between(900, 700)]).toEqual(
    [0, 0, 0, 0].map(() => [0, 0]),
  )
})
