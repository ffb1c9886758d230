import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { alignByCurrent, startOfCurrent } from '@core/trace/clocks'
import type { Reading } from '@core/trace/trace'
import { simulatedInstruments } from './simulated'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('shows one charge through three instruments, whose clocks differ and whose current begins together', () => {
  const readings: Reading[] = []
  const stops = simulatedInstruments(10, 1).map((i) => {
    expect(i.simulated).toBe(true)
    return i.stream(
      ({ status: _, ...sample }) => readings.push({ ...sample, stream: i.id }),
      () => undefined,
    )
  })
  vi.advanceTimersByTime(6000)
  stops.forEach((stop) => stop())
  const of = (id: string) => readings.filter((r) => r.stream === id)
  expect(of('simulated-meter').length).toBeGreaterThan(50)
  const battery = startOfCurrent(of('simulated-battery'))
  const meter = startOfCurrent(of('simulated-meter'))
  expect(battery - meter).toBeCloseTo(7.5, 6)
  expect(alignByCurrent(readings, {})['simulated-battery']).toBeCloseTo(-7.5, 1)
  // Once unplugged, nothing more is said.
  const before = readings.length
  vi.advanceTimersByTime(5000)
  expect(readings).toHaveLength(before)
})
