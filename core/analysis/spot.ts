import { samplesOf } from '../trace/samples'
import { durationOf, type Trace } from '../trace/trace'

/** What a few minutes at the meter say about the time to half full. */
export interface Spot {
  /** As practised: every watt-hour counted as stored, s. */
  toHalfLosslessS: number
  /** With the losses of a charge, s. */
  toHalfS: number
  /** 0–1. */
  efficiency: number
  /** True where it is not the device's own, measured before. */
  efficiencyAssumed: boolean
}

/** A longer record is a run, s. */
export const LONGEST_SPOT_S = 900
/** Above half the watts no longer hold. */
const HALF = 0.5
/** What usually arrives of what the meter sees. */
export const ASSUMED_EFFICIENCY = 0.8

export interface SpotInputs {
  /** At the meter over the whole record, Wh. */
  energyWh: number
  usableWh: number
}

/**
 * Time to half full at the mean power of a short record: half the usable capacity over it. Holds below about half full
 * only: null where the record is longer than 15 minutes, where a level above half was read, or without capacity.
 *
 * @example spotCheck(fiveMinutes, { energyWh: 0.42, usableWh: 14.1 }) // toHalfLosslessS 5036
 */
export function spotCheck(trace: Trace, { energyWh, usableWh }: SpotInputs): Spot | null {
  const seconds = durationOf(trace)
  const { v } = samplesOf(trace.time, trace.percent)
  const isShort = seconds > 0 && seconds <= LONGEST_SPOT_S
  if (!isShort || !(usableWh > 0) || !(energyWh > 0) || v.some((level) => level > 100 * HALF)) return null
  const toHalfLosslessS = (HALF * usableWh * seconds) / energyWh
  return {
    toHalfLosslessS,
    toHalfS: toHalfLosslessS / ASSUMED_EFFICIENCY,
    efficiency: ASSUMED_EFFICIENCY,
    efficiencyAssumed: true,
  }
}

/** With the device's own efficiency, 0–1, as other runs measured it; as it is where none did. */
export const withOwnEfficiency = (spot: Spot, efficiency: number | undefined): Spot =>
  efficiency === undefined
    ? spot
    : { ...spot, toHalfS: spot.toHalfLosslessS / efficiency, efficiency, efficiencyAssumed: false }

/** What went past the meter in a record, bridged included, Wh, and the mean watts of that. */
export function goneOver({ durationS, energy }: { durationS: number; energy: { energyWh: number; bridgedWh: number } }): {
  wh: number
  meanW: number
} {
  const wh = energy.energyWh + energy.bridgedWh
  return { wh, meanW: durationS > 0 ? (wh * 3600) / durationS : NaN }
} // prettier-ignore
