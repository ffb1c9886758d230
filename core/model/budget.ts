/** Share of its rated watt-hours that a pack or panel gives; assumed until it is measured. */
export const ASSUMED_USABLE_SHARE = 0.85

/** How big a store must be, or how far it goes. The share is shown as assumed where nobody gave it. */
export interface Budget {
  value: number
  usableShare: number
  assumed: boolean
}

const budget = (usableShare: number | undefined, value: (share: number) => number): Budget => {
  const share = usableShare ?? ASSUMED_USABLE_SHARE
  if (!(share > 0 && share <= 1)) throw new RangeError('The usable share lies above 0 and up to 1.')
  return { value: value(share), usableShare: share, assumed: usableShare === undefined }
}

/**
 * Watt-hours that a pack or panel must hold for so many full charges.
 *
 * @param chargeWh Wh at the meter for one full charge, measured or forecast
 * @throws RangeError for a share that is none
 * @example packFor(20, 3, 0.8).value // 75
 */
export const packFor = (chargeWh: number, charges: number, usableShare?: number): Budget =>
  budget(usableShare, (share) => (chargeWh * charges) / share)

/**
 * Full charges that a pack of so many rated watt-hours holds; not rounded.
 *
 * @throws RangeError for a share that is none
 */
export const chargesIn = (packWh: number, chargeWh: number, usableShare?: number): Budget =>
  budget(usableShare, (share) => (packWh * share) / chargeWh)

/**
 * Hours of a use on a pack.
 *
 * @param useW see {@link wattsOfUse}
 * @throws RangeError for a share that is none
 */
export const hoursOn = (packWh: number, useW: number, usableShare?: number): Budget =>
  budget(usableShare, (share) => (packWh * share) / useW)

/**
 * Energy per hour of a use, W, from what it took over some minutes.
 *
 * @example wattsOfUse(3, 10) // 18
 */
export const wattsOfUse = (energyWh: number, minutes: number): number => (energyWh / minutes) * 60
