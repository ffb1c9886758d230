import { currentColumn, powerColumn, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import { integrate } from './integral'

const SECONDS_PER_HOUR = 3600

export interface EnergyFigures {
  /** Wh that the meter watched go by; NaN without power. */
  energyWh: number
  /** Ah likewise. */
  chargeAh: number
  /** Wh across gaps, by the straight line between their ends: not part of `energyWh`. */
  bridgedWh: number
  gaps: { startS: number; endS: number }[]
  /** Watt-hours received ÷ sent where the trace carries both (wireless). 0–1. */
  transferEfficiency: number
}

/** Energy and charge by the trapezoidal rule. */
export function energy(trace: Trace): EnergyFigures {
  const watts = samplesOf(trace.time, powerColumn(trace))
  const amps = samplesOf(trace.time, currentColumn(trace))
  const received = samplesOf(trace.time, trace.batteryPower)
  const e = integrate(watts)
  const known = watts.t.length > 0
  return {
    energyWh: known ? e.measured / SECONDS_PER_HOUR : NaN,
    chargeAh: amps.t.length > 0 ? integrate(amps).measured / SECONDS_PER_HOUR : NaN,
    bridgedWh: known ? e.bridged / SECONDS_PER_HOUR : NaN,
    gaps: e.gaps,
    transferEfficiency: known && received.t.length > 1 ? integrate(received).measured / e.measured : NaN,
  }
}

/** Watt-hours gained by the battery for `gain` percentage points. */
export const energyGained = (gain: number, usableWh: number): number => (gain / 100) * usableWh

/**
 * Charging efficiency over a run: energy gained ÷ energy at the meter (bridged energy included, since the
 * level rose across the gaps too). Above 1 is impossible and is left so for the findings to name.
 */
export function chargingEfficiency(gain: number, usableWh: number, meterWh: number): number {
  return meterWh > 0 && gain > 0 ? energyGained(gain, usableWh) / meterWh : NaN
}

/** Efficiency of a wireless link: power received ÷ power sent, same unit. */
export const wirelessEfficiency = (received: number, sent: number): number =>
  sent > 0 ? received / sent : NaN

/** Apparent load resistance V/I in Ω, as reviewers read it off their meters. */
export const loadResistance = (volts: number, amps: number): number => (amps !== 0 ? volts / amps : NaN)
