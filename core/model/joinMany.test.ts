import { describe, expect, it } from 'vitest'
import { join } from '../analysis/joining/join'
import { randomFrom, type Random } from '../stats/random'
import { traceFromReadings, type Reading, type Trace } from '../trace/trace'
import { DISPLAYS } from './displays.fixture'
import { shownPercent, startOf, step, type ChargeSetup } from './charge'
import { simulatedSetup } from './setup'

// Pairs of records of one simulated charge, each with its own clock, sampling and noise; the offset is known.

const PAIRS = 100

interface Pair {
  meter: Trace
  device: Trace
  offsetS: number
}

function drawDevice(random: Random): ChargeSetup {
  const within = (low: number, high: number) => low + random.uniform() * (high - low)
  const base = simulatedSetup()
  const usableWh = within(8, 60)
  const most = usableWh * within(0.4, 1.6)
  return {
    ...base,
    usableWh,
    ohmAh: within(0.1, 0.3),
    systemWatts: within(0.05, 0.02 * most),
    startPercent: within(1, 30),
    agreement: { ...base.agreement, watts: most * within(0.5, 1.2) },
    staircase: [
      { untilShare: within(0.3, 0.6), watts: most },
      { untilShare: within(0.6, 0.8), watts: most * within(0.5, 0.8) },
      { untilShare: 1, watts: most * within(0.3, 0.5) },
    ],
  }
}

/** `current`: the device's file has its battery's amperes, from before the switch on. */
function record(seed: number, current: boolean): Pair {
  const random = randomFrom(seed)
  const within = (low: number, high: number) => low + random.uniform() * (high - low)
  const setup = drawDevice(random)
  const shown = (share: number) => shownPercent(DISPLAYS[seed % 2 ? 'energy' : 'charge'](share))
  const offsetS = within(-300, 300)
  const idleS = within(10, 60)
  const [meterStep, deviceStep] = [within(0.8, 2), current ? within(0.8, 2) : within(1, 20)]
  const meter: Reading[] = []
  const device: Reading[] = []
  let state = startOf(setup)
  let [nextMeter, nextDevice] = [0, within(0, deviceStep)]
  for (let t = 0, left = 600; left > 0; t += 0.5) {
    if (t >= idleS) state = step(setup, state, 0.5)
    if (shown(state.share) === 100) left -= 0.5
    if (t >= nextMeter) {
      meter.push({ t, power: t < idleS ? 0 : state.watts * (1 + 0.003 * random.normal()) })
      nextMeter = t + meterStep * (1 + 0.1 * random.normal())
    }
    if (t >= nextDevice) {
      const batteryCurrent = t < idleS ? -0.1 : (state.batteryWatts / 3.9) * (1 + 0.01 * random.normal())
      // A clock that began some hours before.
      const at = t - offsetS + 400
      device.push({ t: at, percent: shown(state.share), ...(current ? { batteryCurrent } : {}) })
      nextDevice = t + deviceStep * (1 + 0.1 * random.normal())
    }
  }
  return { meter: traceFromReadings(meter), device: traceFromReadings(device), offsetS: offsetS - 400 }
}

const rms = (of: number[]) => Math.sqrt(of.reduce((sum, v) => sum + v * v, 0) / of.length)

describe.each([
  ['the start of current', true, 'start-of-current', 2],
  ['energy against level', false, 'energy', 60],
] as const)('by %s', (_, current, by, withinS) => {
  const found = Array.from({ length: PAIRS }, (_, i) => {
    const pair = record(i + 1, current)
    const joined = join(pair.meter, pair.device)
    return { ...joined, error: joined.offsetS - pair.offsetS }
  })
  it(`the offset is found within ${withinS} s`, () => {
    expect(found.every((f) => f.by === by)).toBe(true)
    expect(Math.max(...found.map((f) => Math.abs(f.error)))).toBeLessThanOrEqual(withinS)
  })
  it('and is as sure as it says', () => {
    const inside = found.filter((f) => Math.abs(f.error) <= 2 * f.uncertaintyS).length / PAIRS
    const ratio = rms(found.map((f) => f.error)) / rms(found.map((f) => f.uncertaintyS))
    expect(inside).toBeGreaterThanOrEqual(0.95)
    // Stranger cells are allowed for than these.
    expect(ratio).toBeGreaterThan(0.3)
    expect(ratio).toBeLessThan(1.1)
  })
  it('power-on is the moment of the switch, not that of the first line', () => {
    expect(found.every((f) => f.powerOnS > 8 && f.powerOnS < 62)).toBe(true)
    expect(found.every((f) => f.trace.time[0] >= 0 && f.leftOut > 0)).toBe(true)
  })
})
