import type { Offer } from './gear'
import type { CableSide, DeviceSide, SourceSide } from './sides'

/** How they speak to each other: a published protocol, or the name of a proprietary family. */
export type Protocol =
  'pd-fixed' | 'pd-adjustable' | 'type-c' | 'legacy' | 'wireless' | 'none' | (string & {})

/** A dedicated charging port gives up to 1.5 A at 5 V (Battery Charging 1.2, from memory). */
export const LEGACY_MAX_A = 1.5
/** From so many volts on a cable must be marked for extended range (USB Power Delivery 3.1, from memory). */
const EXTENDED_FROM_V = 28

/** A level that both sides take, and what each of them would let through. */
export interface Level {
  protocol: Protocol
  volts: number
  /** Of the source's offer, of the device, and of the cable; A. */
  offered: number
  taken: number
  carried: number
}

/**
 * What an offer comes to with a device and through a cable; null where the device does not speak it. Wireless power has
 * no volts: its level counts its watts as amperes at one volt.
 */
export function levelOf(offer: Offer, device: DeviceSide, cable: CableSide): Level | null {
  switch (offer.kind) {
    case 'wireless': {
      const coil = device.accepts.find((a) => a.kind === 'wireless')
      return coil?.kind === 'wireless'
        ? { protocol: 'wireless', volts: NaN, offered: offer.watts, taken: coil.watts, carried: Infinity }
        : null
    }
    case 'fixed':
      return overCable(offer.volts, cable, {
        protocol: 'pd-fixed',
        volts: offer.volts,
        offered: offer.amps,
        taken: takenAt(device, offer.volts),
        carried: cable.amps,
      })
    case 'adjustable': {
      const range = device.accepts.find((a) => a.kind === 'adjustable')
      if (!device.assumed && range?.kind !== 'adjustable') return null
      const own = range?.kind === 'adjustable' ? range : { minVolts: 0, maxVolts: Infinity, amps: Infinity }
      const volts = Math.min(offer.maxVolts, own.maxVolts)
      if (volts < Math.max(offer.minVolts, own.minVolts)) return null
      const level = {
        protocol: 'pd-adjustable',
        volts,
        offered: offer.amps,
        taken: own.amps,
        carried: cable.amps,
      }
      return overCable(volts, cable, level)
    }
    case 'family': {
      if (!device.families.includes(offer.family)) return null
      const stated = device.accepts.filter((a) => a.kind === 'family' && a.family === offer.family)
      const own = stated.find((a) => a.kind === 'family' && a.volts === offer.volts)
      // A family whose levels are stated one by one has only those.
      if (stated.length > 0 && own?.kind !== 'family') return null
      return overCable(offer.volts, cable, {
        protocol: offer.family,
        volts: offer.volts,
        offered: offer.amps,
        taken: own?.kind === 'family' ? own.amps : Infinity,
        carried: cable.family === offer.family ? cable.familyAmps : cable.amps,
      })
    }
    case 'type-c':
      return { protocol: 'type-c', volts: 5, offered: offer.amps, taken: Infinity, carried: cable.amps }
    case 'legacy': {
      // What a maker's port signals beyond the common 1.5 A is for devices that know the signal.
      const own = device.accepts.find((a) => a.kind === 'legacy')
      const taken = own?.kind === 'legacy' ? own.amps : LEGACY_MAX_A
      return { protocol: 'legacy', volts: 5, offered: offer.amps, taken, carried: cable.amps }
    }
  }
}

/** Amperes that a device takes at an open fixed level; NaN where it does not accept it. 5 V is where every port starts. */
function takenAt(device: DeviceSide, volts: number): number {
  const own = device.accepts.find((a) => a.kind === 'fixed' && a.volts === volts)
  if (own?.kind === 'fixed') return own.amps
  return volts === 5 || device.assumed ? Infinity : NaN
}

function overCable(volts: number, cable: CableSide, level: Level): Level | null {
  if (Number.isNaN(level.taken)) return null
  const barred = volts > cable.maxVolts || (volts >= EXTENDED_FROM_V && !cable.extended)
  return { ...level, carried: barred ? 0 : level.carried }
}

/** The most the device takes this way; 0 where nobody says, which nothing falls short of. */
export function mostOf(level: Level, { maxWatts, accepts }: DeviceSide): number {
  const coil = accepts.find((a) => a.kind === 'wireless')
  const most = level.protocol === 'wireless' && coil?.kind === 'wireless' ? coil.watts : maxWatts
  return Number.isFinite(most) ? most : 0
}

/** Watts of a level under every cap; those in `without` are left out. */
export function wattsOf(
  { volts, offered, taken, carried }: Level,
  { portWatts, ratedWatts }: SourceSide,
  { maxWatts }: DeviceSide,
  without: readonly ('cable' | 'port' | 'rating')[] = [],
): number {
  const lifted = (cap: 'cable' | 'port' | 'rating', value: number) =>
    without.includes(cap) ? Infinity : value
  const amps = Math.min(offered, taken, lifted('cable', carried))
  const atLevel = Number.isNaN(volts) ? amps : volts * amps
  return Math.min(atLevel, maxWatts, lifted('port', portWatts), lifted('rating', ratedWatts))
}
