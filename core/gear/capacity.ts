import type { Device } from './gear'

/** Nominal volts assumed for one lithium-ion cell where the maker gives none. */
export const ASSUMED_CELL_VOLTS = 3.85

/**
 * Rated watt-hours from milliampere-hours: mAh × nominal volts ÷ 1000.
 * `nominalVolts` defaults to {@link ASSUMED_CELL_VOLTS}, which the caller must show as assumed.
 * @example ratedWattHours(4200) // 16.17
 */
export const ratedWattHours = (mAh: number, nominalVolts = ASSUMED_CELL_VOLTS): number =>
  (mAh * nominalVolts) / 1000

/** Usable capacity, Wh: rated Wh × health (percent). */
export const usableCapacity = (ratedWh: number, healthPercent = 100): number =>
  (ratedWh * healthPercent) / 100

/** A device's capacity in Wh, and whether a nominal voltage had to be assumed for it. */
export interface Capacity {
  ratedWh: number
  usableWh: number
  assumedVolts: boolean
  /** Standard uncertainty of `usableWh` as a share of it. */
  uncertainty: number
}

/** Health is told in whole percent: rectangular over one of them (GUM JCGM 100:2008 §4.3.7). */
const HEALTH_STEP = 1 / Math.sqrt(12)
/** Makers state cells at 3.7 V to 3.9 V or so: what an assumed voltage may be off by, as a share. Common practice, no source. */
const ASSUMED_VOLTS_LIMIT = 0.026

/** Rated watt-hours and health (percent) as a capacity, with what is known of it. */
export const heldCapacity = (ratedWh: number, healthPercent: number, assumedVolts: boolean): Capacity => ({
  ratedWh,
  usableWh: usableCapacity(ratedWh, healthPercent),
  assumedVolts,
  uncertainty: Math.hypot(HEALTH_STEP / healthPercent, assumedVolts ? ASSUMED_VOLTS_LIMIT / Math.sqrt(3) : 0),
})

/** Works out rated and usable capacity; NaN when the device states none. */
export function capacityOf(device: Device): Capacity {
  const given = device.capacityWh
  const ratedWh =
    given ??
    (device.capacityMah === null ? NaN : ratedWattHours(device.capacityMah, device.nominalVolts ?? undefined))
  return heldCapacity(ratedWh, device.healthPercent, given === null && device.nominalVolts === null)
}
