import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { analyse } from './analyse'

/** A device's own record, each ten seconds: 12 W for an hour, then down along a straight line to 0.1 W, and rest. */
const own = (m: number): Omit<Reading, 't'> => ({
  percent: Math.min(100, Math.floor(m)),
  batteryVoltage: 4,
  batteryCurrent: (m <= 60 ? 12 : Math.max(0.1, 12 - (m - 60) * 0.3)) / 4,
})
const logged = (minutes: number, at: (m: number) => Omit<Reading, 't'>) =>
  traceFromReadings(Array.from({ length: minutes * 6 + 1 }, (_, i) => ({ t: i * 10, ...at(i / 6) })))

it('makes a curve of the battery’s own watts where no meter read the source’s', () => {
  const a = analyse(logged(130, own))
  expect(a.curveAt).toBe('battery')
  expect(a.power.heldPeakW).toBeNaN()
  expect(a.energy.energyWh).toBeNaN()
  expect(a.parts.map((p) => p.kind)).toEqual(['hold', 'taper'])
  expect(a.parts[0].endS).toBeCloseTo(3600, -2)
  expect(a.bands[0].meanW).toBeCloseTo(12, 6)
  // 12 Wh, a triangle of 39 min 40 s from 12 to 0.1 W, and thirty minutes at that.
  expect(a.atBattery?.energy.energyWh).toBeCloseTo(12 + (6.05 * 39.667) / 60 + (0.1 * 30.333) / 60, 2)
  // Down by all but a twentieth of the way to what it draws when full.
  expect(a.taperEndS).toBeCloseTo((60 + (12 - (0.1 + 0.05 * 11.9)) / 0.3) * 60, -2)
  expect(a.findings.find((f) => f.code === 'no-power')?.message).toContain('the battery’s own')
}) // prettier-ignore

it('keeps to the source’s watts where a meter read them, and tells the battery’s beside', () => {
  const a = analyse(logged(130, (m) => ({ ...own(m), power: m <= 60 ? 15 : 1 })))
  expect([a.curveAt, a.power.heldPeakW, a.parts[0].meanW]).toEqual(['source', 15, expect.closeTo(15, 1)])
  expect(a.atBattery?.power.heldPeakW).toBeCloseTo(12, 9)
  expect(analyse(logged(10, () => ({ power: 12 }))).atBattery).toBeNull()
})

it('finds a charge that stalls in a device’s own record', () => {
  const stalled = logged(80, (m) =>
    m > 20 && m < 45 ? { percent: 20, batteryPower: 0.1 } : { percent: Math.floor(m < 45 ? m : m - 25), batteryPower: 12 },
  ) // prettier-ignore
  expect(analyse(stalled, { usableWh: 20 }).findings.map((f) => f.code)).toContain('stalled')
})
