import { expect, it } from 'vitest'
import { traceFromReadings } from '../../trace/trace'
import { hottestNear } from './parts'

it('is the highest of any place within five minutes of a moment', () => {
  const trace = traceFromReadings([
    { t: 0, temperatures: { front: 48 } },
    { t: 300, temperatures: { front: 31, back: 36 } },
    { t: 450, temperatures: { back: 38 } },
    { t: 900, temperatures: { front: 45 } },
    { t: 901, temperatures: { back: 47 } },
  ])
  expect([0, 300, 301, 500, 600, 601, 1200, 1201].map((at) => hottestNear(trace, at))).toEqual([
    48, 48, 38, 38, 45, 47, 47, 47,
  ])
  expect(hottestNear(trace, 1202)).toBe(-Infinity)
  expect(hottestNear(traceFromReadings([{ t: 0, power: 9 }]), 0)).toBe(-Infinity)
})
