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
}

/** Works out rated and usable capacity; NaN when the device states none. */
export function capacityOf(device: Device): Capacity {
  const given = device.capacityWh
  const ratedWh =
    given ??
    (device.capacityMah === null ? NaN : ratedWattHours(device.capacityMah, device.nominalVolts ?? undefined))
  return {
    ratedWh,
    usableWh: usableCapacity(ratedWh, device.healthPercent),
    assumedVolts: given === null && device.nominalVolts === null,
  }
}
