import { decimal } from '../trace/decimal'
import type { Offer } from './gear'
import { printedPieces } from './printed'

/** What could be read of one side of a connection, and what could not. Volts, amperes, watts. */
export interface ParsedSide {
  offers: Offer[]
  /** What a source gives in all, what a device takes at most and at least. */
  ratedWatts?: number
  maxWatts?: number
  minWatts?: number
  /** The pieces that were not understood, as typed. */
  unread: string[]
}

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const LEVEL = String.raw`${NUMBER}\s*V\s*[\/x×@]?\s*${NUMBER}\s*A`
const FIXED = new RegExp(String.raw`^${LEVEL}$`, 'i')
const ADJUSTABLE = new RegExp(
  String.raw`^(?:adjustable\s+)?${NUMBER}\s*(?:V\s*)?(?:[-–—]|to)\s*${NUMBER}\s*V\s*[\/x×@]?\s*${NUMBER}\s*A(?:\s+adjustable)?$`,
  'i',
)
const PLAIN = new RegExp(String.raw`^(legacy|type-?c)(?:\s+5\s*V)?(?:\s*[\/x×@]?\s*${NUMBER}\s*A)?$`, 'i')
const FAMILY = new RegExp(String.raw`^(?:family\s+)?(\p{L}[^,;]*?)\s+${LEVEL}$`, 'iu')
const NO_FAMILY =
  /[:()=⎓/]|\dV|^(?:legacy|type-?c|adjustable|wireless)\b|^(?:usb(?:[- ]?[ac]\d?)?|port(?: \w+)?|in(?:put)?|out(?:put)?)$/i
const WIRELESS = new RegExp(String.raw`^wireless\s+${NUMBER}\s*W$`, 'i')
const WHOLE = new RegExp(String.raw`^(rated|max|min)\s+${NUMBER}\s*W$`, 'i')

/** What a plain 5 V port gives where its print names no amperes: Battery Charging 1.2, USB Type-C (memory). */
const USUAL_AMPS = { legacy: 1.5, 'type-c': 3 }

/**
 * Reads offers as they are printed on a charger, or what a device accepts: "5V3A, 9V3A, 20V3.25A; 3.3–11V 3A
 * adjustable", "type-c 5V3A", "legacy 5V 2.4A", "Tideway 10V 5A" (a proprietary family of that name), "wireless 15W";
 * for the whole of a source "rated 45W", of a device "max 27W", "min 10W". A comma between two digits is a decimal one:
 * every piece ends in a letter.
 */
export function parseOffers(text: string): ParsedSide {
  const side: ParsedSide = { offers: [], unread: [] }
  for (const piece of printedPieces(text)) {
    const whole = WHOLE.exec(piece)
    const watts = whole ? decimal(whole[2]) : NaN
    if (whole && saneWatts(watts)) side[`${whole[1].toLowerCase() as 'rated' | 'max' | 'min'}Watts`] = watts
    else {
      const offer = parseOffer(piece)
      if (offer) side.offers.push(offer)
      else side.unread.push(piece)
    }
  }
  return side
}

function parseOffer(piece: string): Offer | null {
  const adjustable = ADJUSTABLE.exec(piece)
  if (adjustable) {
    const [minVolts, maxVolts, amps] = adjustable.slice(1).map(decimal)
    return sane(maxVolts, amps) && minVolts < maxVolts
      ? { kind: 'adjustable', minVolts, maxVolts, amps }
      : null
  }
  const plain = PLAIN.exec(piece)
  if (plain) {
    const kind = plain[1].toLowerCase() === 'legacy' ? 'legacy' : 'type-c'
    const amps = plain[2] ? decimal(plain[2]) : USUAL_AMPS[kind]
    return sane(5, amps) ? { kind, amps } : null
  }
  const wireless = WIRELESS.exec(piece)
  if (wireless) {
    const watts = decimal(wireless[1])
    return saneWatts(watts) ? { kind: 'wireless', watts } : null
  }
  const fixed = FIXED.exec(piece)
  if (fixed) {
    const [volts, amps] = fixed.slice(1).map(decimal)
    return sane(volts, amps) ? { kind: 'fixed', volts, amps } : null
  }
  const family = FAMILY.exec(piece)
  // A port or an end is no family.
  if (!family || NO_FAMILY.test(family[1])) return null
  const [volts, amps] = family.slice(2).map(decimal)
  return sane(volts, amps) ? { kind: 'family', family: family[1], volts, amps } : null
}

/** 48 V and 5 A is the most a USB port offers; a little room above it for families of their own. */
const sane = (volts: number, amps: number): boolean => volts > 0 && volts <= 60 && amps > 0 && amps <= 20
const saneWatts = (watts: number): boolean => watts > 0 && watts <= 500

/** Writes offers the way {@link parseOffers} reads them. */
export const formatOffers = (offers: readonly Offer[]): string => offers.map(formatOffer).join(', ')

function formatOffer(o: Offer): string {
  switch (o.kind) {
    case 'fixed':
      return `${o.volts}V ${o.amps}A`
    case 'adjustable':
      return `${o.minVolts}–${o.maxVolts}V ${o.amps}A adjustable`
    case 'family':
      return `${o.family} ${o.volts}V ${o.amps}A`
    case 'wireless':
      return `wireless ${o.watts}W`
    default:
      return `${o.kind} 5V ${o.amps}A`
  }
}
