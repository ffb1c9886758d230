import { expect, it } from 'vitest'
import { wattsUncertainty, type Accuracy } from '../gear/accuracy'
import { traceFromReadings } from '../trace/trace'
import { energyFlow } from './flow'
import { meterError } from './meterError'

const meter: Accuracy = { accuracyPercent: 1, accuracyDigits: 2, resolution: 0.01, resolutionAmps: 0.001 }
/** Ten watts, then twenty, with their volts and amperes; the last row was not read. */
const trace = traceFromReadings([
  { t: 0, power: 10, voltage: 5, current: 2 },
  { t: 60, power: 20, voltage: 10, current: 2 },
  { t: 120, voltage: 10 },
])
const u = [wattsUncertainty(meter, 10, 5, 2), wattsUncertainty(meter, 20, 10, 2)]

it('knows watts as their own volts and amperes say: those of the moment, or of the next reading', () => {
  const { wattsAt } = meterError(trace, meter)
  expect(u[1]).toBeGreaterThan(u[0])
  expect([wattsAt(0, 10), wattsAt(1, 10), wattsAt(60, 20), wattsAt(300, 20)]).toEqual([
    u[0],
    u[1],
    u[1],
    u[1],
  ])
  expect(meterError(trace, undefined).wattsAt(0, 10)).toBeNaN()
  // Where no watts were read, by the watts alone.
  expect(meterError(traceFromReadings([{ t: 0 }]), meter).wattsAt(0, 10)).toBe(wattsUncertainty(meter, 10))
})

it('adds up over a stretch: a meter that is off by a share is off by it all the time', () => {
  const { energyOver } = meterError(trace, meter)
  const flow = energyFlow(trace)
  expect(energyOver(flow, { startS: 0, endS: 60 }, 0.25)).toBeCloseTo(((u[0] + u[1]) / 2) * (60 / 3600), 12)
  // The readings at its own ends count; outside of them the nearest holds.
  expect(energyOver(flow, { startS: 60, endS: 90 }, 0.2)).toBeCloseTo(u[1] * (30 / 3600), 12)
  expect(energyOver(flow, { startS: -30, endS: 0 }, 0.2)).toBeCloseTo(u[0] * (30 / 3600), 12)
  // Without a reading in it, and of a count: by the energy itself.
  expect(energyOver(flow, { startS: 10, endS: 50 }, 0.2)).toBe(wattsUncertainty(meter, 0.2))
  expect(energyOver({ ...flow, from: 'counter' }, { startS: 0, endS: 60 }, 0.3)).toBe(wattsUncertainty(meter, 0.3))
  expect(meterError(trace, undefined).energyOver(flow, { startS: 0, endS: 60 }, 0.25)).toBeNaN()
  expect(meterError(traceFromReadings([{ t: 0 }]), meter).energyOver(flow, { startS: 0, endS: 60 }, 0.25)).toBeNaN()
}) // prettier-ignore
