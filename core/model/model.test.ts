import { describe, expect, it } from 'vitest'
import { energy } from '../analysis/energy'
import { milestone } from '../analysis/milestones'
import type { Device, Source } from '../gear/gear'
import { parseOffers } from '../gear/offers'
import { traceFromReadings } from '../trace/trace'
import { simulatedBench } from './instruments'
import { setupFor } from './setup'

const phone = {
  kind: 'phone',
  capacityMah: 4200,
  nominalVolts: null,
  capacityWh: null,
  healthPercent: 100,
  maxWatts: 27,
  minWatts: null,
  minVolts: null,
  fixedVolts: [9],
  adjustable: null,
  family: '',
  wirelessWatts: 10,
} as unknown as Device
const charger = (ratedWatts: number, offers: string) =>
  ({
    kind: 'wall charger',
    ratedWatts,
    ports: [{ name: 'C', offers: parseOffers(offers).offers }],
  }) as unknown as Source
const perfect = { voltResolution: 1e-9, ampResolution: 1e-9, noise: 0 }
const run = (source: Source, seed = 1, hours = 5) => {
  const setup = setupFor(phone, source, { startPercent: 2 })
  const bench = simulatedBench(setup, seed, perfect)
  return { setup, bench, trace: traceFromReadings(bench.advanceTo(hours * 3600)) }
}

describe('the charge model', () => {
  it.each([
    [5, '5V1A'],
    [20, '5V3A, 9V2.22A'],
    [30, '5V3A, 9V3A'],
  ])('balances energy within 0.1 %% on %i W: meter = stored + losses', (watts, offers) => {
    const { setup, bench, trace } = run(charger(watts, offers))
    const stored = (bench.state.share - 0.02) * setup.usableWh
    const atMeter = energy(trace).energyWh
    expect(Math.abs(atMeter - stored - bench.state.lossesWh) / atMeter).toBeLessThan(0.001)
  })

  it('charges faster from a larger source, until the device is the limit', () => {
    const full = (watts: number, offers: string) => milestone(run(charger(watts, offers)).trace, 100).timeS
    const [five, twenty, thirty, sixty] = [
      full(5, '5V1A'),
      full(20, '9V2.22A'),
      full(30, '9V3A'),
      full(60, '9V3A, 20V3A'),
    ]
    expect(twenty).toBeLessThan(0.6 * five)
    expect(thirty).toBeLessThan(twenty)
    expect(sixty).toBe(thirty)
  })

  it('gives the same readings for the same seed, also when a stretch was skipped', () => {
    const setup = setupFor(phone, charger(20, '9V2.22A'), { startPercent: 2 })
    const whole = simulatedBench(setup, 42).advanceTo(900)
    const resumed = simulatedBench(setup, 42)
    resumed.skipTo(600)
    expect(resumed.advanceTo(900)).toEqual(whole.slice(600))
    expect(simulatedBench(setup, 43).advanceTo(900)).not.toEqual(whole)
  })

  it('never shows more than 100 % and never falls', () => {
    const levels = Array.from(run(charger(30, '9V3A')).trace.percent!)
    expect(Math.max(...levels)).toBe(100)
    expect(levels.every((p, i) => i === 0 || p >= levels[i - 1])).toBe(true)
  })
})
