import { describe, expect, it } from 'vitest'
import { energy } from '../analysis/energy'
import { milestone } from '../analysis/milestones'
import { blankSource, portOf } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import type { Device, Source } from '../gear/gear'
import { parseOffers } from '../gear/offers'
import { traceFromReadings } from '../trace/trace'
import { simulatedBench } from './instruments'
import { startOf, step, type ChargeSetup } from './charge'
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

describe('where the source is weak', () => {
  const laptop = blankDevice({
    id: 'l',
    name: 'L',
    kind: 'laptop',
    capacityWh: 56,
    fixedVolts: [20],
    maxWatts: 60,
  })
  /** States of a charge, one a second. */
  const states = (setup: ChargeSetup, hours: number) => {
    const all = [startOf(setup)]
    while (all.length <= hours * 3600) all.push(step(setup, all.at(-1)!, 1))
    return all
  }

  it('a charge ends at constant voltage, not because the source gives little', () => {
    const setup = setupFor(
      blankDevice({ id: 't', name: 'T', kind: 'tablet', capacityWh: 60 }),
      charger(3, '5V0.6A'),
      {
        startPercent: 97,
      },
    )
    const end = states(setup, 3).at(-1)!
    expect(end.done).toBe(true)
    expect(end.share).toBeGreaterThan(0.993)
  })

  it.each([
    ['a wire', charger(5, '5V1A')],
    ['a pad', { ...charger(5, ''), kind: 'wireless pad' } as Source],
  ])(
    'no more is drawn through %s than it gives, and what is used beyond comes out of the battery',
    (_, source) => {
      const device = { ...laptop, wirelessWatts: 5 }
      const setup = { ...setupFor(device, source, { startPercent: 30 }), systemWatts: 12 }
      const all = states(setup, 1)
      const end = all.at(-1)!
      // 5 W reach the device; before a pad stands what it loses. The battery gives the rest of the 12 W.
      expect(setup.agreement.watts).toBe(5)
      expect(Math.max(...all.map((s) => s.watts * setup.linkEfficiency))).toBeLessThanOrEqual(5 + 1e-9)
      expect(end.watts * setup.linkEfficiency).toBeCloseTo(5, 9)
      expect(end.batteryWatts).toBeCloseTo(5 * setup.converterEfficiency - 12, 9)
      expect(end.share).toBeLessThan(0.21)
      expect(end.storedWh).toBeCloseTo((end.share - 0.3) * setup.usableWh, 6)
      expect(end.deliveredWh).toBeCloseTo(end.storedWh + end.lossesWh, 6)
    },
  )

  it('a pad draws no more than what it is fed', () => {
    const pad = blankSource({ id: 'p', name: 'P', kind: 'wireless pad', ratedWatts: 15, takes: '9V1.4A' })
    const brick = blankSource({
      id: 'b',
      name: 'B',
      kind: 'wall charger',
      ratedWatts: 20,
      ports: [portOf('9V2.22A')],
    })
    const setup = setupFor({ ...laptop, wirelessWatts: 15, minWatts: null }, pad, {
      startPercent: 20,
      before: [brick],
    })
    const watts = states(setup, 0.1).map((s) => s.watts)
    expect(Math.max(...watts)).toBeCloseTo(9 * 1.4, 9)
  })

  it('a battery that is empty gives nothing more', () => {
    const setup = { ...setupFor(laptop, charger(5, '5V1A'), { startPercent: 1 }), systemWatts: 30 }
    const end = states(setup, 1).at(-1)!
    expect(end.share).toBe(0)
    expect(end.batteryWatts).toBe(0)
  })

  it('what is connected and does not charge draws nothing, and lives on its battery', () => {
    const setup = setupFor({ ...laptop, minWatts: 30 }, charger(12, '5V2.4A'), { startPercent: 50 })
    expect(setup.agreement.outcome).toBe('connected')
    const end = states(setup, 1).at(-1)!
    expect([end.watts, end.amps, end.deliveredWh]).toEqual([0, 0, 0])
    // 3 W for an hour, and a little for the pack's own resistance.
    expect((0.5 - end.share) * 56).toBeGreaterThan(3)
    expect((0.5 - end.share) * 56).toBeLessThan(3.05)
  })

  it('a pad that has stalled passes what the device uses, and the level stands', () => {
    const setup = setupFor({ ...phone, wirelessWatts: 10 }, { ...charger(15, ''), kind: 'wireless pad' } as Source, {
      startPercent: 55,
      stallAtShare: 0.56,
    }) // prettier-ignore
    const all = states(setup, 2)
    expect(all.at(-1)!.share).toBeCloseTo(all[3600].share, 12)
    expect(all.at(-1)!.watts).toBeCloseTo(setup.systemWatts / 0.9 / 0.76, 9)
  })
})
