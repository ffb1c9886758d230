import { decimal } from '../trace/decimal'
import type { Offer } from './gear'

/** What could be read of a line of offers, and what could not. */
export interface ParsedOffers {
  offers: Offer[]
  /** The pieces that were not understood, as typed. */
  unread: string[]
}

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const FIXED = new RegExp(String.raw`^${NUMBER}\s*V\s*[\/x×@]?\s*${NUMBER}\s*A$`, 'i')
const ADJUSTABLE = new RegExp(
  String.raw`^(?:adjustable\s+)?${NUMBER}\s*(?:V\s*)?(?:[-–—]|to)\s*${NUMBER}\s*V\s*[\/x×@]?\s*${NUMBER}\s*A(?:\s+adjustable)?$`,
  'i',
)
const LEGACY = new RegExp(String.raw`^legacy(?:\s+5\s*V)?(?:\s+${NUMBER}\s*A)?$`, 'i')
const FAMILY = new RegExp(String.raw`^family\s+(.+?)\s+${NUMBER}\s*V\s*[\/x×@]?\s*${NUMBER}\s*A$`, 'i')

/**
 * Reads offers as they are printed on a charger: "5V3A, 9V3A, 15V3A, 20V3.25A; 3.3–11V 3A adjustable",
 * "legacy 5V 1.5A", "family Tideway 10V 5A". Decimal commas are understood where the pieces are parted by
 * ";" or ", ". Volts and amperes.
 */
export function parseOffers(text: string): ParsedOffers {
  const pieces = text
    .split(/[;\n]|,(?!\d)|,(?=\d+(?:[.,]\d+)?\s*(?:V|[-–—]))/i)
    .map((piece) => piece.trim())
    .filter(Boolean)
  const result: ParsedOffers = { offers: [], unread: [] }
  for (const piece of pieces) {
    const offer = parseOffer(piece)
    if (offer) result.offers.push(offer)
    else result.unread.push(piece)
  }
  return result
}

function parseOffer(piece: string): Offer | null {
  const adjustable = ADJUSTABLE.exec(piece)
  if (adjustable) {
    const [minVolts, maxVolts, amps] = adjustable.slice(1).map(decimal)
    return sane(maxVolts, amps) && minVolts < maxVolts
      ? { kind: 'adjustable', minVolts, maxVolts, amps }
      : null
  }
  const family = FAMILY.exec(piece)
  if (family) {
    const [volts, amps] = family.slice(2).map(decimal)
    return sane(volts, amps) ? { kind: 'family', family: family[1], volts, amps } : null
  }
  const fixed = FIXED.exec(piece)
  if (fixed) {
    const [volts, amps] = fixed.slice(1).map(decimal)
    return sane(volts, amps) ? { kind: 'fixed', volts, amps } : null
  }
  const legacy = LEGACY.exec(piece)
  return legacy ? { kind: 'legacy', amps: legacy[1] ? decimal(legacy[1]) : 1.5 } : null
}

/** 48 V and 5 A is the most a USB port offers; a little room above it for families of their own. */
const sane = (volts: number, amps: number): boolean => volts > 0 && volts <= 60 && amps > 0 && amps <= 20

/** Writes offers the way {@link parseOffers} reads them. */
export const formatOffers = (offers: readonly Offer[]): string =>
  offers
    .map((o) => {
      if (o.kind === 'fixed') return `${o.volts}V ${o.amps}A`
      if (o.kind === 'adjustable') return `${o.minVolts}–${o.maxVolts}V ${o.amps}A adjustable`
      if (o.kind === 'legacy') return `legacy 5V ${o.amps}A`
      return `family ${o.family} ${o.volts}V ${o.amps}A`
    })
    .join(', ')
