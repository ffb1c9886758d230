import { expect, it } from 'vitest'
import { clockTicks, tickText } from './clockTicks'

it.each([
  [60, [0, 15, 30, 45, 60]],
  [3600, [0, 600, 1200, 1800, 2400, 3000, 3600]],
  [6480, [0, 900, 1800, 2700, 3600, 4500, 5400, 6300]],
])('of %i s stand on round minutes', (until, ticks) => {
  expect(clockTicks(until, false).map((t) => t.value)).toEqual(ticks)
})

it('are never many, however long the run', () => {
  for (const until of [60, 7200, 86_400, 31_622_400])
    for (const narrow of [false, true]) {
      const { length } = clockTicks(until, narrow)
      expect(length).toBeGreaterThanOrEqual(3)
      expect(length).toBeLessThanOrEqual(10)
    }
})

it('are named as a clock reads', () => {
  expect([0, 90, 300, 5400, -1].map(tickText)).toEqual([
    '0',
    '1:30\u00a0min',
    '5\u00a0min',
    '1:30\u00a0h',
    '',
  ])
})
