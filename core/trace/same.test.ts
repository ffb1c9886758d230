import { expect, it } from 'vitest'
import { isSameTrace } from './same'
import { traceFromReadings } from './trace'

const readings = [
  { t: 0, percent: 5, temperatures: { back: 24 } },
  { t: 60, power: 18, note: 'screen on' },
]
it('tells one reading that differs, and what was not read from what was', () => {
  const trace = traceFromReadings(readings)
  expect(isSameTrace(trace, traceFromReadings(readings))).toBe(true)
  // As a file gives it back: −0 is 0 there.
  expect(isSameTrace(traceFromReadings([{ t: 0, power: -0 }]), traceFromReadings([{ t: 0, power: 0 }]))).toBe(
    true,
  )
  expect(isSameTrace(trace, { ...trace, notes: ['', 'screen on'] })).toBe(true)
  const [first, second] = readings
  for (const others of [
    [{ ...first, t: 1 }, second],
    [{ ...first, percent: 5.001 }, second],
    [first, { ...second, percent: 6 }],
    [first, { ...second, note: 'screen off' }],
    [first, { ...second, voltage: 9 }],
    [{ ...first, temperatures: { back: 25 } }, second],
    [{ ...first, temperatures: { front: 24 } }, second],
    [{ ...first, temperatures: { back: 24, front: 25 } }, second],
    [first],
  ])
    expect(isSameTrace(trace, traceFromReadings(others)), JSON.stringify(others)).toBe(false)
})
