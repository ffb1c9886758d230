import { expect, it } from 'vitest'
import type { Analysis } from '../../analysis/analyse'
import { analyse } from '../../analysis/analyse'
import { valueAt } from '../../trace/samples'
import { traceFromReadings } from '../../trace/trace'
import { levelCalls, powerCalls } from './namedPoints'

const plain = (text: string) => text.replaceAll('\u00a0', ' ')
const said = (calls: ReturnType<typeof levelCalls>) =>
  calls.map(({ at, said: what }) => plain(`${at}: ${what}`))

// Common practice, no source: a phone's watts along straight lines, minutes and watts; its reviewer calls out these ends.
const LINE = [[0, 24.1], [2, 24.6], [17, 25.9], [24, 19.2], [32, 19.5], [35, 13.4], [42, 13.6], [47, 8], [53, 7.7], [65, 6.5], [76, 5.8], [80, 4.7], [90, 2.4], [100, 1], [108, 0.5]] // prettier-ignore
const [t, v] = [LINE.map(([m]) => m * 60), LINE.map(([, w]) => w)].map((of) => Float64Array.from(of))
const wattsAt = (at: number) => valueAt({ t, v }, at)

it('calls out where a phone’s watts step down: 26 W to 17 min, 19 W to 32, 14 W to 42', () => {
  const seconds = Array.from({ length: 6481 }, (_, i) => i)
  const analysis = analyse(traceFromReadings(seconds.map((at) => ({ t: at, power: wattsAt(at) }))))
  const calls = powerCalls(analysis, wattsAt)
  const expected = [[17, 25.9], [32, 19.5], [42, 13.6]] // prettier-ignore
  expect(calls).toHaveLength(expected.length)
  expected.forEach(([minute, watts], i) => {
    expect(Math.abs(calls[i].x / 60 - minute)).toBeLessThanOrEqual(1)
    expect(Math.abs(calls[i].y - watts)).toBeLessThanOrEqual(0.5)
  })
  // From a common level on, the clock begins later; what lies before it is not there.
  expect(powerCalls(analysis, (at) => wattsAt(at + 1800), 1800).map(({ x }) => x)).toEqual(
    calls.slice(1).map(({ x }) => x - 1800),
  )
})

it('calls out the held peak of a path without holds, and nothing of one without watts', () => {
  const bare = { parts: [], power: { heldPeakAtS: 120 } } as unknown as Analysis
  expect(said(powerCalls(bare, wattsAt))).toEqual(['2 min: 24.6 W'])
  expect(powerCalls(bare, () => NaN)).toEqual([])
})

it('calls out half and 80 % with the watts drawn then, where they are known', () => {
  const milestone = (percent: number, timeS: number, reason?: string) => ({ percent, timeS, reason })
  const of = {
    milestones: [milestone(50, 1440), milestone(80, 3180), milestone(90, 4000), milestone(100, 6480)],
  } as unknown as Analysis
  expect(said(levelCalls(of, wattsAt))).toEqual(['24 min: 19.2 W', '53 min: 7.7 W'])
  expect(said(levelCalls(of, () => NaN))).toEqual(['24 min: ', '53 min: '])
  const started = { milestones: [milestone(50, NaN, 'started there')] } as unknown as Analysis
  expect(levelCalls(started, wattsAt)).toEqual([])
})

it('calls out what was held, and not what came after a steep step', () => {
  const stepped = (at: number) => (at < 880 ? 26.7 : 20.3)
  // Smoothing has put the end of the first hold after the step.
  const parts = [
    { kind: 'hold', levelS: 0, endS: 900 },
    { kind: 'hold', levelS: 905, endS: 910 },
  ] as Analysis['parts']
  const calls = powerCalls({ parts, power: {} as Analysis['power'] }, stepped)
  expect(calls.map(({ x, y }) => [x, y])).toEqual([
    [875, 26.7],
    [910, 20.3],
  ])
})
