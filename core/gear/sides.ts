import type { Cable, Device, Offer, Port, Source } from './gear'
import { parseOffers } from './offers'

/** One port of a source as it takes part in a connection. Watts. */
export interface SourceSide {
  offers: readonly Offer[]
  /** Most that the port gives, and the source in all; Infinity where nobody says. */
  portWatts: number
  ratedWatts: number
}

/** A device as it takes part in a connection. Watts, volts. */
export interface DeviceSide {
  accepts: readonly Offer[]
  /** Families whose every level it takes. */
  families: readonly string[]
  maxWatts: number
  minWatts: number
  minVolts: number
  /** True where it states no levels: it is then taken to accept any open one. */
  assumed: boolean
}

/** A cable as it takes part in a connection. Amperes. */
export interface CableSide {
  /** For open protocols: what its marker, or the lack of it, allows. */
  amps: number
  /** Marked for extended range: 28 V and more. */
  extended: boolean
  /** Most volts it is rated for; Infinity where nobody says. */
  maxVolts: number
  /** The family it is made for, and what it carries for that. */
  family: string
  familyAmps: number
}

/** Without a marker chip a cable carries 3 A (USB Power Delivery, from memory). */
export const UNMARKED_CABLE_A = 3

/** Any usual cable. */
export const USUAL_CABLE: CableSide = {
  amps: UNMARKED_CABLE_A,
  extended: false,
  maxVolts: Infinity,
  family: '',
  familyAmps: 0,
}

export const cableSide = (cable: Cable | null): CableSide =>
  cable === null
    ? USUAL_CABLE
    : {
        amps: cable.marked ? cable.maxAmps : Math.min(cable.maxAmps, UNMARKED_CABLE_A),
        extended: cable.extendedRange,
        maxVolts: cable.maxVolts ?? Infinity,
        family: cable.family,
        // Its own cable carries what the family needs, marker or none.
        familyAmps: cable.familyAmps ?? cable.maxAmps,
      }

export const sourceSide = (source: Source, port: Port): SourceSide => ({
  offers: port.offers,
  portWatts: port.ratedWatts ?? Infinity,
  ratedWatts: source.ratedWatts,
})

export function deviceSide(device: Device): DeviceSide {
  const accepts: Offer[] = device.fixedVolts.map((volts) => ({ kind: 'fixed', volts, amps: Infinity }))
  if (device.adjustable) accepts.push({ kind: 'adjustable', ...device.adjustable, amps: Infinity })
  if (device.wirelessWatts !== null) accepts.push({ kind: 'wireless', watts: device.wirelessWatts })
  if (device.legacyAmps !== null) accepts.push({ kind: 'legacy', amps: device.legacyAmps })
  const families = device.family
    .split(/[,;]/)
    .map((name) => name.trim())
    .filter(Boolean)
  return {
    accepts,
    families,
    maxWatts: device.maxWatts ?? Infinity,
    minWatts: device.minWatts ?? 0,
    minVolts: device.minVolts ?? 0,
    assumed: device.fixedVolts.length === 0 && !device.adjustable && families.length === 0,
  }
}

/** What a link of a chain takes from the one before it, as a device would. Null where it takes nothing from anybody. */
export function linkSide(link: Source): DeviceSide | null {
  if (link.takes.trim() === '') return null
  const side = parseOffers(link.takes)
  return {
    accepts: side.offers,
    families: side.offers.flatMap((o) => (o.kind === 'family' ? [o.family] : [])),
    maxWatts: side.maxWatts ?? Infinity,
    minWatts: side.minWatts ?? 0,
    minVolts: 0,
    assumed: side.offers.length === 0,
  }
}
