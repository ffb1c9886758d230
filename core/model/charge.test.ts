import { expect, it } from 'vitest'
import { openCircuitVolts } from './cell'
import { shownPercent, startOf, step, type ChargeSetup, type ChargeState } from './charge'
import { simulatedSetup } from './setup'

/** A pack of 4 Ah with 0.05 Ω, on a source that gives all it wants; nothing is lost on the way and nothing used. */
const base: ChargeSetup = {
  ...simulatedSetup(),
  usableWh: 15.48,
  startPercent: 30,
  agreement: { ...simulatedSetup().agreement, outcome: 'charges', protocol: 'pd-fixed', volts: 9, watts: 100 },
  staircase: [{ untilShare: 0.4, watts: 20 }, { untilShare: 0.6, watts: 15 }, { untilShare: 0.9, watts: 10 }],
  throttleFromC: 40,
  throttleToC: 50,
  throttleFloor: 0.2,
  converterEfficiency: 1,
  linkEfficiency: 1,
  systemWatts: 0,
  negotiationS: 4,
} // prettier-ignore
const OHM = 0.2 / 4
/** One second later. */
const after = (setup: Partial<ChargeSetup>, state: Partial<ChargeState> = {}) =>
  step({ ...base, ...setup }, { ...startOf(base), t: 100, ...state }, 1)
const agreed = (over: Partial<ChargeSetup['agreement']>) => ({ agreement: { ...base.agreement, ...over } })

it('takes what the stair of its level allows, and the last one’s beyond it', () => {
  const at = (share: number) => after({}, { share }).batteryWatts
  expect([0.39, 0.4, 0.59, 0.6, 0.89].map(at)).toEqual([20, 15, 15, 10, 10])
  // So near full the voltage is held: what the cell takes at 4.35 V over its 0.05 Ω.
  expect(at(0.98)).toBeCloseTo((4.35 * (4.35 - openCircuitVolts(0.98))) / OHM, 9)
  expect(after({ staircase: [{ untilShare: 0.1, watts: 7 }] }, { share: 0.3 }).batteryWatts).toBe(7)
})

it('stores what is left of it after the pack’s own resistance, and heats by what is lost', () => {
  const { batteryWatts, storedWh, lossesWh, deliveredWh, share, temperatureC, t } = after({}, { temperatureC: 30 })
  const ocv = openCircuitVolts(0.3)
  const amps = (-ocv + Math.sqrt(ocv ** 2 + 4 * OHM * 20)) / (2 * OHM)
  // At the terminals: (open voltage + I·R)·I.
  expect((ocv + amps * OHM) * amps).toBeCloseTo(20, 9)
  expect([batteryWatts, t]).toEqual([20, 101])
  expect(storedWh * 3600).toBeCloseTo(ocv * amps, 9)
  expect(lossesWh * 3600).toBeCloseTo(amps ** 2 * OHM, 9)
  expect(deliveredWh).toBeCloseTo(storedWh + lossesWh, 12)
  expect(share - 0.3).toBeCloseTo(storedWh / 15.48, 12)
  expect(temperatureC - 30).toBeCloseTo((amps ** 2 * OHM - base.heatLoss * (30 - base.ambientC)) / base.heatCapacity, 12)
}) // prettier-ignore

it('counts what converter and link lose, and six tenths of a pad’s warmth', () => {
  const wired = after({ converterEfficiency: 0.8, systemWatts: 2 }, { temperatureC: base.ambientC })
  expect(wired.watts).toBeCloseTo(22 / 0.8, 9)
  const pad = after({ converterEfficiency: 0.8, linkEfficiency: 0.5, systemWatts: 2 }, { temperatureC: base.ambientC })
  expect(pad.watts).toBeCloseTo(22 / 0.8 / 0.5, 9)
  const warms = ({ temperatureC }: ChargeState) => (temperatureC - base.ambientC) * base.heatCapacity
  expect(warms(wired)).toBeCloseTo(wired.lossesWh * 3600, 6)
  expect(warms(pad)).toBeCloseTo(0.6 * pad.lossesWh * 3600, 6)
}) // prettier-ignore

it('takes less the hotter it is, from one temperature to another, and never less than its floor', () => {
  const at = (temperatureC: number) => after({}, { temperatureC }).batteryWatts
  expect([20, 40, 45, 50, 70].map(at)).toEqual([20, 20, 12, 4, 4].map((w) => expect.closeTo(w, 9)))
})

it('gets 7.5 W at most until the level was agreed on, at 5 V; from then on what was agreed', () => {
  const early = after({}, { t: 3.9 })
  expect(early.batteryWatts).toBe(7.5)
  // The source's lead has 0.06 Ω.
  expect(early.volts).toBeCloseTo(5 - 0.06 * early.amps, 9)
  expect(early.volts * early.amps).toBeCloseTo(7.5, 9)
  const then = after({}, { t: 4 })
  expect(then.batteryWatts).toBe(20)
  expect(then.volts).toBeCloseTo(9 - 0.06 * then.amps, 9)
  expect(after(agreed({ volts: 5, watts: 12 }), { t: 0 }).batteryWatts).toBe(12)
  expect(after(agreed({ watts: 3 }), { t: 0 }).batteryWatts).toBe(3)
})

it('gets nothing where nothing charges, and then lives on its battery, if there is something in it', () => {
  for (const outcome of ['none', 'connected'] as const) {
    const off = after({ ...agreed({ outcome }), systemWatts: 2 })
    expect([off.watts, off.volts > 0, off.amps, off.batteryWatts]).toEqual([0, true, 0, -2])
  }
  const empty = after({ ...agreed({ outcome: 'connected' }), systemWatts: 2 }, { share: 0 })
  expect([empty.batteryWatts, empty.share]).toEqual([0, 0])
})

it('shows the level’s own volts: a step back to 5 V late and low, a pad’s 9 V, an adjustable source’s twice the cell’s', () => {
  const volts = (setup: Partial<ChargeSetup>, state: Partial<ChargeState> = {}) => {
    const { volts, amps } = after(setup, state)
    return volts + 0.06 * amps
  }
  const slow = { staircase: [{ untilShare: 1, watts: 7.4 }] }
  const brisk = { staircase: [{ untilShare: 1, watts: 7.5 }] }
  expect([volts(slow, { share: 0.81 }), volts(slow, { share: 0.8 }), volts(brisk, { share: 0.81 })]).toEqual(
    [5, 9, 9].map((v) => expect.closeTo(v, 9)),
  )
  expect(volts(agreed({ volts: NaN }))).toBeCloseTo(5, 9)
  expect(volts(agreed({ protocol: 'wireless', volts: 5 }))).toBeCloseTo(9, 9)
  const adjustable = agreed({ protocol: 'pd-adjustable', volts: 11 })
  // Twice 3.745 V and half a volt, by steps of 20 mV.
  expect(openCircuitVolts(0.3)).toBeCloseTo(3.745, 9)
  expect(volts(adjustable)).toBeCloseTo(8, 9)
  expect(volts({ ...adjustable, ...slow }, { share: 0.85 })).toBeCloseTo(8.78, 9)
  expect(volts(agreed({ protocol: 'pd-adjustable', volts: 7 }))).toBeCloseTo(7, 9)
})

it('is done when it is full, or the held voltage brings less than 3 % of its capacity an hour; again from 96 %', () => {
  // 0.12 A over 0.05 Ω are 6 mV below 4.35 V: 0.13 V a share of 0.08, so 99.63 %.
  const at = (share: number, done = false) => after({}, { share, done }).done
  expect([at(0.996), at(0.9965), at(1)]).toEqual([false, true, true])
  expect([at(0.97, true), at(0.9601, true), at(0.96, true)]).toEqual([true, true, false])
  expect(after({}, { share: 0.97, done: true }).batteryWatts).toBe(0)
  // What ends is the charge, not what a weak source can give.
  expect(after({ ...agreed({ watts: 0.1 }) }, { share: 0.98 }).done).toBe(false)
})

it('switches on and off for a minute and a half each where it is a simple one, and only once it is done', () => {
  const watts = (t: number, over: Partial<ChargeState> = {}) =>
    after({ onOffAtEnd: true }, { t, share: 0.99, done: true, ...over }).watts
  expect([0, 89, 90, 179, 180].map((t) => watts(t))).toEqual([1.2, 1.2, 0, 0, 1.2].map((w) => expect.closeTo(w, 9)))
  expect(after({}, { share: 0.99, done: true }).watts).toBe(0)
  expect(watts(0, { done: false, share: 0.3 })).toBe(7.5)
}) // prettier-ignore

it('stalls from a level on, and no sooner', () => {
  const at = (share: number) => after({ stallAtShare: 0.5 }, { share }).batteryWatts
  expect([at(0.499), at(0.5), at(0.6)]).toEqual([15, 0, 0])
})

it('shows whole points, full from 99.3 % on and not before', () => {
  expect([0, 0.0199, 0.5, 0.4999999999999, 0.9929, 0.993, 1].map(shownPercent)).toEqual([0, 1, 50, 50, 99, 100, 100]) // prettier-ignore
})
