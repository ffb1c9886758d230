import { ASSUMED_CELL_VOLTS, ratedWattHours, usableCapacity } from '../analysis/energy'
import type { Device } from './gear'

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

export { ASSUMED_CELL_VOLTS }
