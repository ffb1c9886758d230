import type { Cable, Device, Offer, Source } from './gear'
import {
  cableSide,
  deviceSide,
  sourceSide,
  UNMARKED_CABLE_A,
  USUAL_CABLE,
  type CableSide,
  type DeviceSide,
  type SourceSide,
} from './sides'

export { UNMARKED_CABLE_A }

/** What keeps the watts from being more. */
export type Limit =
  'source' | 'port' | 'device' | 'cable' | 'no-common-protocol' | 'too-weak' | 'link' | 'no-way'
export type Outcome = 'charges' | 'slow' | 'connected' | 'none'
/** How they speak to each other: a published protocol, or the name of a proprietary family. */
export type Protocol =
  'pd-fixed' | 'pd-adjustable' | 'type-c' | 'legacy' | 'wireless' | 'none' | (string & {})

/** What a source and a device settle on through a cable. V, A, W at the source's port. */
export interface Agreement {
  outcome: Outcome
  protocol: Protocol
  volts: number
  amps: number
  watts: number
  limit: Limit
  port: string
  /** Why not more, in one sentence. */
  why: string
  /** True where the device states no levels and is taken to accept any open one. */
  assumed: boolean
}

/** A dedicated charging port gives up to 1.5 A at 5 V (Battery Charging 1.2, from memory). */
export const LEGACY_MAX_A = 1.5
/** From so many volts on a cable must be marked for extended range (USB Power Delivery 3.1, from memory). */
const EXTENDED_FROM_V = 28
/** Below this share of what the device takes, charging is called slow. */
const SLOW_SHARE = 0.25
/** Watts that are lost in rounding a print. */
const ROUNDING_W = 0.5

/** A level that both sides take, and what each of them would let through. */
interface Level {
  protocol: Protocol
  volts: number
  /** Of the source's offer, of the device, and of the cable; A. */
  offered: number
  taken: number
  carried: number
}

/** The best that any port of the source gives the device. A missing cable counts as an unmarked 3 A one. */
export function agree(device: Device, source: Source, cable: Cable | null = null): Agreement {
  const ports =
    source.kind === 'wireless pad'
      ? [{ name: 'pad', ratedWatts: null, offers: [{ kind: 'wireless' as const, watts: source.ratedWatts }] }]
      : source.ports
  const found = ports.map((port) =>
    settle(sourceSide(source, port), deviceSide(device), cableSide(cable), port.name),
  )
  const best = found.reduce<Agreement | null>((a, b) => (!a || rank(b) > rank(a) ? b : a), null)
  return best ?? nothing('The source has no port on record.', 'no-way')
}

const rank = (a: Agreement): number =>
  a.outcome === 'none' ? -1 : a.outcome === 'connected' ? 0 : 1 + a.watts

/**
 * What one port and one device settle on: the best level that both take. Every offer and every acceptance belongs to a
 * protocol; 9 V of a family that the device does not speak is no 9 V for it.
 *
 * @example settle(
 *   { offers: parseOffers('9V3A').offers, portWatts: Infinity, ratedWatts: 27 },
 *   { accepts: parseOffers('9V3A').offers, families: [], maxWatts: 20, minWatts: 0, minVolts: 0, assumed: false },
 * ).watts // 20
 */
export function settle(
  source: SourceSide,
  device: DeviceSide,
  cable: CableSide = USUAL_CABLE,
  port = '',
): Agreement {
  const levels = source.offers.flatMap((offer) => levelOf(offer, device, cable) ?? [])
  if (levels.length === 0)
    return device.accepts.every((a) => a.kind !== 'wireless') &&
      source.offers.every((o) => o.kind === 'wireless') &&
      source.offers.length > 0
      ? { ...nothing('The device has no coil to charge from a pad.', 'no-way'), port }
      : { ...nothing('They share no voltage, not even 5 V.', 'no-common-protocol'), port }
  const reached = (level: Level) => wattsOf(level, source, device)
  const best = levels.reduce((a, b) => (better(device, b, a, reached) ? b : a))
  const watts = reached(best)
  const base = {
    protocol: best.protocol,
    volts: best.volts,
    amps: watts / best.volts,
    watts,
    port,
    assumed: device.assumed && best.protocol.startsWith('pd-'),
  }
  if (!enough(device, best, watts))
    return {
      ...base,
      outcome: 'connected',
      limit: 'too-weak',
      why: `It needs at least ${minimumInWords(device)}; ${fmt(watts)} W${atVolts(best.volts)} is below that.`,
    }
  const most = mostOf(best, device)
  const [limit, why] = limitOf(source, device, cable, best, watts)
  return { ...base, outcome: watts < SLOW_SHARE * most ? 'slow' : 'charges', limit, why }
}

/** The most the device takes this way; 0 where nobody says, which nothing falls short of. */
function mostOf(level: Level, { maxWatts, accepts }: DeviceSide): number {
  const coil = accepts.find((a) => a.kind === 'wireless')
  const most = level.protocol === 'wireless' && coil?.kind === 'wireless' ? coil.watts : maxWatts
  return Number.isFinite(most) ? most : 0
}

/** Wireless power has no volts: its level counts its watts as amperes at one volt. */
function levelOf(offer: Offer, device: DeviceSide, cable: CableSide): Level | null {
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

/** Watts of a level under every cap; those in `without` are left out. */
function wattsOf(
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

const enough = ({ minWatts, minVolts }: DeviceSide, { volts }: Level, watts: number): boolean =>
  watts > 0 && watts >= minWatts && !(volts < minVolts)

/** A level that charges beats one that does not; then the stronger wins, and of equals the lower volts. */
function better(device: DeviceSide, a: Level, b: Level, reached: (level: Level) => number): boolean {
  const [wattsA, wattsB] = [reached(a), reached(b)]
  const [chargesA, chargesB] = [enough(device, a, wattsA), enough(device, b, wattsB)]
  if (chargesA !== chargesB) return chargesA
  return wattsA === wattsB ? a.volts < b.volts : wattsA > wattsB
}

function limitOf(
  source: SourceSide,
  device: DeviceSide,
  cable: CableSide,
  best: Level,
  watts: number,
): [Limit, string] {
  if (watts >= mostOf(best, device) && mostOf(best, device) > 0)
    return [
      'device',
      `The device takes no more than ${fmt(watts)} W${best.protocol === 'wireless' ? ' without a wire' : ''}.`,
    ]
  /** The best of all levels with a cap out of the way. */
  const lifted = (cap: 'cable' | 'port' | 'rating') =>
    source.offers
      .flatMap((offer) => levelOf(offer, device, cable) ?? [])
      .reduce((most, level) => Math.max(most, wattsOf(level, source, device, [cap])), 0)
  if (lifted('cable') > watts + ROUNDING_W)
    return [
      'cable',
      `The cable carries ${fmt(best.carried)} A${atVolts(best.volts)}; without it there would be ${fmt(lifted('cable'))} W.`,
    ]
  if (lifted('port') > watts + ROUNDING_W)
    return ['port', `This port gives no more than ${fmt(source.portWatts)} W.`]
  if (lifted('rating') > watts + ROUNDING_W)
    return ['source', `The source gives no more than ${fmt(source.ratedWatts)} W in all.`]
  const offered = Math.min(best.offered, best.taken) < best.offered ? best.taken * best.volts : NaN
  if (watts === offered)
    return ['device', `The device takes no more than ${fmt(best.taken)} A${atVolts(best.volts)}.`]
  if (mostOffered(source) > watts + ROUNDING_W)
    return [
      'no-common-protocol',
      best.volts === 5
        ? `They share nothing above 5 V, so the source’s ${fmt(mostOffered(source))} W stay out of reach.`
        : `The highest level they share is ${fmt(best.volts)} V at ${fmt(best.offered)} A, below the source’s ${fmt(mostOffered(source))} W.`,
    ]
  return [
    'source',
    `The source gives no more than ${fmt(watts)} W${best.protocol === 'wireless' ? '' : atVolts(best.volts)}.`,
  ]
}

/** The most that a source offers to anybody, W: its rating, where its levels reach it or are not known. */
function mostOffered({ offers, ratedWatts, portWatts }: SourceSide): number {
  const levels = offers.map((o) =>
    o.kind === 'wireless'
      ? o.watts
      : (o.kind === 'adjustable' ? o.maxVolts : 'volts' in o ? o.volts : 5) * o.amps,
  )
  return Math.min(Math.max(...levels, 0), ratedWatts, portWatts)
}

function minimumInWords({ minWatts, minVolts }: DeviceSide): string {
  const parts = []
  if (minWatts > 0) parts.push(`${fmt(minWatts)} W`)
  if (minVolts > 0) parts.push(`${fmt(minVolts)} V`)
  return parts.join(' and ') || 'some power'
}

/** Nothing passes, and why. */
export const nothing = (why: string, limit: Limit): Agreement => ({
  outcome: 'none',
  protocol: 'none',
  volts: NaN,
  amps: NaN,
  watts: 0,
  limit,
  port: '',
  why,
  assumed: false,
})

const atVolts = (volts: number): string => (Number.isNaN(volts) ? '' : ` at ${fmt(volts)} V`)
const fmt = (n: number): string => String(Math.round(n * 100) / 100)
