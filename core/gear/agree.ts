import type { Cable, Device, Source } from './gear'
import { levelOf, mostOf, wattsOf, type Level, type Protocol } from './levels'
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
export type { Protocol }

/** What keeps the watts from being more. */
export type Limit =
  'source' | 'port' | 'device' | 'cable' | 'no-common-protocol' | 'too-weak' | 'link' | 'no-way'
export type Outcome = 'charges' | 'slow' | 'connected' | 'none'
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

/** Below this share of what the device takes, charging is called slow. */
const SLOW_SHARE = 0.25
/** Watts that are lost in rounding a print. */
const ROUNDING_W = 0.5

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
