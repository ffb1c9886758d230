import { describe, expect, it } from 'vitest'
import { randomFrom, type Random } from '../stats/random'
import { traceFromReadings, type Reading } from '../trace/trace'
import { acceptanceFrom } from './acceptance'
import { shownPercent, startOf, step, type ChargeSetup } from './charge'
import { DISPLAYS } from './displays.fixture'
import { forecast } from './forecast'
import { simulatedSetup } from './setup'

// One full run on a strong source forecasts weaker ones, wired and through a pad: tried on many random devices.

/** Fewer where each change to the program is tried. */
const DEVICES = process.env.MUTANTS_ROOM ? 50 : 200
const READ_EVERY_S = 5
const METER_NOISE = 0.002
/** How far runs of one set-up lie apart, a share: what a forecast takes for granted where nothing else is known. */
const REPEATS = 0.02

interface Trial {
  strong: ChargeSetup
  weak: ChargeSetup
  /** What the weaker source gives, W at the meter. */
  sourceWatts: number
}

/** A device drawn at random; every other one is put on a pad, which few devices take as much from as from a wire. */
function draw(random: Random, wireless: boolean): Trial {
  const within = (low: number, high: number) => low + random.uniform() * (high - low)
  const base = simulatedSetup()
  const usableWh = within(6, 80)
  const most = usableWh * within(0.4, 1.6)
  const device: ChargeSetup = {
    ...base,
    usableWh,
    ohmAh: within(0.1, 0.3),
    systemWatts: within(0.1, 0.04 * most),
    converterEfficiency: within(0.85, 0.95),
    heatCapacity: usableWh * 11,
    heatLoss: usableWh * within(0.015, 0.025),
    ambientC: within(18, 26),
    staircase: [
      { untilShare: within(0.3, 0.6), watts: most },
      { untilShare: within(0.6, 0.8), watts: most * within(0.5, 0.8) },
      { untilShare: 1, watts: most * within(0.3, 0.5) },
    ],
  }
  const linkEfficiency = wireless ? within(0.65, 0.85) : 1
  const received = wireless ? Math.min(most, 0.7 * usableWh) * within(0.2, 0.9) : most * within(0.2, 1.2)
  const on = (watts: number, startPercent: number) => ({
    startPercent,
    agreement: { ...base.agreement, watts },
  })
  return {
    strong: { ...device, ...on(most * 1.6, within(0.2, 8)) },
    weak: {
      ...device,
      ...on(received, within(0, 40)),
      linkEfficiency,
      usableWh: usableWh * (1 + REPEATS * random.normal()),
    },
    sourceWatts: received / linkEfficiency,
  }
}

/** Readings to half an hour after the display turned full, and the seconds in which it showed half and full. */
function charge(setup: ChargeSetup, random: Random, display: (share: number) => number) {
  const shown = (share: number) => shownPercent(display(share))
  const from = shown(setup.startPercent / 100)
  const readings: Reading[] = [{ t: 0, percent: from, power: 0 }]
  let state = startOf(setup)
  let [halfS, fullS] = [NaN, NaN]
  while (!(state.t > fullS + 1800)) {
    state = step(setup, state, 1)
    const percent = shown(state.share)
    if (percent >= 50 && Number.isNaN(halfS)) halfS = state.t
    if (percent === 100 && Number.isNaN(fullS)) fullS = state.t
    if (state.t % READ_EVERY_S === 0)
      readings.push({ t: state.t, percent, power: state.watts * (1 + METER_NOISE * random.normal()) })
  }
  return { trace: traceFromReadings(readings), from, halfS, fullS }
}

describe.each([
  [1, 'energy'],
  [2, 'charge'],
] as const)('200 random devices, seed %i, whose display counts %s', (seed, counts) => {
  const trials = Array.from({ length: DEVICES }, (_, i) => {
    const random = randomFrom(seed * 1000 + i)
    const { strong, weak, sourceWatts } = draw(random, i % 2 === 1)
    const curve = acceptanceFrom(charge(strong, random, DISPLAYS[counts]).trace)!
    const { from, halfS, fullS } = charge(weak, random, DISPLAYS[counts])
    const { linkEfficiency } = weak
    const found = (to: number) => forecast(curve, { sourceWatts, from, to, linkEfficiency })
    const off = found(100).seconds / fullS - 1
    return {
      off,
      u: found(100).uncertaintyS / fullS,
      toHalf: found(50).seconds / halfS - 1,
      wireless: i % 2 === 1,
    }
  })
  const medianOf = (of: number[]) => of.map(Math.abs).sort((a, b) => a - b)[of.length >> 1]
  const median = (of: typeof trials) => medianOf(of.map((e) => e.off))

  it('the time to full is right to 3 % at the median and 10 % at worst, wired and wireless', () => {
    expect(median(trials.filter((e) => e.wireless))).toBeLessThanOrEqual(0.03)
    expect(median(trials.filter((e) => !e.wireless))).toBeLessThanOrEqual(0.03)
    expect(Math.max(...trials.map((e) => Math.abs(e.off)))).toBeLessThanOrEqual(0.1)
  })
  it('and so is the time to half, at the median', () => {
    expect(medianOf(trials.map((e) => e.toHalf))).toBeLessThanOrEqual(0.03)
  })
  it('and nine tenths to 99 in 100 lie within twice the claimed uncertainty', () => {
    const within = trials.filter((e) => Math.abs(e.off) <= 2 * e.u).length / DEVICES
    expect(within).toBeGreaterThanOrEqual(0.9)
    expect(within).toBeLessThanOrEqual(0.99)
  })
})
