import { expect, test } from 'vitest'
import { energy } from './energy'
import { pausesOf, unpluggedSince, withPauses } from '../trace/pauses'
import { traceFromReadings, type TraceEvent } from '../trace/trace'

const event = (t: number, kind: string): TraceEvent => ({ t, kind, text: '' })
const whole = (trace: ReturnType<typeof traceFromReadings>) => {
  const { energyWh, bridgedWh } = energy(trace)
  return energyWh + bridgedWh
}
const byHand = traceFromReadings([0, 300, 600, 900].map((t) => ({ t, percent: 10 + t / 60, power: 18 })))

test('pauses lie between unplugged and plugged in; one that nobody ended is none', () => {
  const events = [
    event(900, 'unplugged'),
    event(100, 'unplugged'),
    event(130, 'plugged-in'),
    event(140, 'own'),
  ]
  expect(pausesOf(events)).toEqual([{ startS: 100, endS: 130 }])
  expect(
    pausesOf([
      event(10, 'plugged-in'),
      event(20, 'unplugged'),
      event(25, 'unplugged'),
      event(40, 'plugged-in'),
    ]),
  ).toEqual([{ startS: 20, endS: 40 }])
})

test('it is known whether the device is unplugged now', () => {
  expect(unpluggedSince([event(20, 'unplugged'), event(30, 'own')])).toBe(20)
  expect(unpluggedSince([event(20, 'unplugged'), event(30, 'plugged-in')])).toBeUndefined()
  // One that was put in its place later.
  expect(unpluggedSince([event(20, 'plugged-in'), event(10, 'unplugged')])).toBeUndefined()
  expect(unpluggedSince([])).toBeUndefined()
})

test('18 W for 15 min with a minute unplugged: 4.2 Wh by hand, not 4.5 (closed form)', () => {
  expect(whole(withPauses(byHand, [{ startS: 400, endS: 460 }]))).toBeCloseTo((18 * 840) / 3600, 9)
  // Plugged in again at the very moment of a reading.
  expect(whole(withPauses(byHand, [{ startS: 540, endS: 600 }]))).toBeCloseTo((18 * 840) / 3600, 4)
  expect(
    whole(
      withPauses(byHand, [
        { startS: 300, endS: 360 },
        { startS: 700, endS: 730 },
      ]),
    ),
  ).toBeCloseTo((18 * 810) / 3600, 9)
})

test('amperes stand still too, and levels stay as they were read', () => {
  const trace = traceFromReadings([0, 300, 600].map((t) => ({ t, percent: 10, voltage: 9, current: 2 })))
  const paused = withPauses(trace, [{ startS: 100, endS: 200 }])
  expect(energy(paused).chargeAh).toBeCloseTo((2 * 500) / 3600, 9)
  expect([...paused.percent!].filter((p) => !Number.isNaN(p))).toEqual([10, 10, 10])
})

test('what a meter read meanwhile counts, and so does a pause with nothing to hold on either side', () => {
  const meter = traceFromReadings([0, 10, 20, 30].map((t) => ({ t, power: t === 20 ? 0.2 : 18 })))
  expect(withPauses(meter, [{ startS: 12, endS: 28 }])).toBe(meter)
  expect(withPauses(byHand, [{ startS: 890, endS: 960 }])).toBe(byHand)
  expect(withPauses(traceFromReadings([{ t: 0, percent: 3 }]), [{ startS: 1, endS: 2 }]).time).toHaveLength(1)
})
