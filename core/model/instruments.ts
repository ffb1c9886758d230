import { randomFrom, type Random } from '../stats/random'
import type { Reading } from '../trace/trace'
import { shownPercent, startOf, step, type ChargeSetup, type ChargeState } from './charge'

/** How exact the simulated meter is. */
export interface MeterCharacter {
  /** Smallest step of its display. */
  voltResolution: number
  ampResolution: number
  /** Standard deviation of its noise, as a share of the reading. */
  noise: number
}

const SMALL_INLINE_METER: MeterCharacter = { voltResolution: 0.01, ampResolution: 0.001, noise: 0.002 }

/** A simulated meter, battery and thermometer on one charge: advances by whole seconds, reads once a second. */
export interface SimulatedBench {
  /** State after the last second that passed. */
  readonly state: ChargeState
  /** Lets time pass to `t` whole seconds and returns the readings on the way, one a second. */
  advanceTo(t: number): Reading[]
  /** Lets time pass without reading, as while the program was away. */
  skipTo(t: number): void
}

/** Same setup and seed, same readings: also when part of them is skipped. */
export function simulatedBench(setup: ChargeSetup, seed: number, meter = SMALL_INLINE_METER): SimulatedBench {
  const random = randomFrom(seed)
  let state = startOf(setup)
  const tick = () => {
    state = step(setup, state, 1)
    return readingOf(state, random, meter)
  }
  return {
    get state() {
      return state
    },
    advanceTo(t) {
      const readings: Reading[] = []
      while (state.t + 1 <= t) readings.push(tick())
      return readings
    },
    skipTo(t) {
      while (state.t + 1 <= t) tick()
    },
  }
}

function readingOf(state: ChargeState, random: Random, meter: MeterCharacter): Reading {
  const noisy = (value: number, resolution: number) =>
    tidy(Math.round((value * (1 + meter.noise * random.normal())) / resolution) * resolution)
  return {
    t: state.t,
    percent: shownPercent(state.share),
    voltage: noisy(state.volts, meter.voltResolution),
    current: noisy(state.amps, meter.ampResolution),
    temperatures: { back: tidy(Math.round(state.temperatureC * 10) / 10) },
  }
}

/** Takes the binary dust off a rounded decimal. */
const tidy = (n: number): number => Number(n.toFixed(4))
