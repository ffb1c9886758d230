import type { Cable, Device, Offer, Port, Source } from './gear'

export type Limit = 'source' | 'device' | 'cable' | 'mismatch' | 'below-minimum' | 'no-way'
export type Outcome = 'charges' | 'slow' | 'connected' | 'none'

/** What a source and a device settle on through a cable. V, A, W at the source's port. */
export interface Agreement {
  outcome: Outcome
  mode: 'fixed' | 'adjustable' | 'legacy' | 'family' | 'wireless' | 'none'
  volts: number
  amps: number
  watts: number
  limit: Limit
  port: string
  /** Why not more, in one sentence. */
  why: string
}

/** Without a marker chip a cable carries 3 A (USB Power Delivery, from memory). */
export const UNMARKED_CABLE_A = 3
/** A dedicated charging port gives up to 1.5 A at 5 V (Battery Charging 1.2, from memory). */
export const LEGACY_MAX_A = 1.5
/** Below this share of what the device takes, charging is called slow. */
const SLOW_SHARE = 0.25

interface Candidate {
  mode: Agreement['mode']
  volts: number
  /** What the source alone would give, and what the cable leaves of it. */
  sourceAmps: number
  amps: number
}

const cableAmps = (cable: Cable | null): number => {
  if (!cable) return UNMARKED_CABLE_A
  return cable.marked ? cable.maxAmps : Math.min(cable.maxAmps, UNMARKED_CABLE_A)
}

/** The best that any port of the source gives the device. A missing cable counts as an unmarked 3 A one. */
export function agree(device: Device, source: Source, cable: Cable | null = null): Agreement {
  if (source.kind === 'wireless pad') return agreeWireless(device, source)
  const found = source.ports.map((port) => agreeAtPort(device, source, port, cable))
  const best = found.reduce<Agreement | null>((a, b) => (!a || rank(b) > rank(a) ? b : a), null)
  return best ?? nothing('The source has no port on record.', 'no-way')
}

const rank = (a: Agreement): number =>
  a.outcome === 'none' ? -1 : a.outcome === 'connected' ? 0 : 1 + a.watts

function agreeAtPort(device: Device, source: Source, port: Port, cable: Cable | null): Agreement {
  const limitA = cableAmps(cable)
  const candidates = port.offers
    .map((offer) => candidateFrom(device, offer, limitA))
    .filter((c) => c !== null)
  if (candidates.length === 0)
    return { ...nothing('They share no voltage, not even 5 V.', 'mismatch'), port: port.name }
  const best = candidates.reduce((a, b) => (better(device, b, a) ? b : a))
  const offered = best.volts * best.amps
  const watts = Math.min(offered, device.maxWatts ?? Infinity)
  const base = { mode: best.mode, volts: best.volts, amps: watts / best.volts, watts, port: port.name }
  if (!enough(device, best))
    return {
      ...base,
      outcome: 'connected',
      limit: 'below-minimum',
      why: `It needs at least ${minimumInWords(device)}; ${fmt(watts)} W at ${fmt(best.volts)} V is below that.`,
    }
  const [limit, why] = limitOf(device, source, best, watts, limitA, cable)
  const slow = device.maxWatts !== null && watts < SLOW_SHARE * device.maxWatts
  return { ...base, outcome: slow ? 'slow' : 'charges', limit, why }
}

const usable = (device: Device, c: Candidate): number =>
  Math.min(c.volts * c.amps, device.maxWatts ?? Infinity)

const enough = (device: Device, c: Candidate): boolean =>
  usable(device, c) >= (device.minWatts ?? 0) && c.volts >= (device.minVolts ?? 0)

/** A level that charges beats one that does not, whatever its watts; among equals the stronger wins. */
function better(device: Device, a: Candidate, b: Candidate): boolean {
  const [charges, other] = [enough(device, a), enough(device, b)]
  return charges === other ? usable(device, a) > usable(device, b) : charges
}

function candidateFrom(device: Device, offer: Offer, limitA: number): Candidate | null {
  const at = (mode: Agreement['mode'], volts: number, sourceAmps: number): Candidate => ({
    mode,
    volts,
    sourceAmps,
    amps: Math.min(sourceAmps, limitA),
  })
  switch (offer.kind) {
    case 'fixed':
      // 5 V is where every port starts: no device refuses it, though it may not charge from it.
      return offer.volts === 5 || device.fixedVolts.includes(offer.volts)
        ? at('fixed', offer.volts, offer.amps)
        : null
    case 'adjustable': {
      if (!device.adjustable) return null
      const volts = Math.min(offer.maxVolts, device.adjustable.maxVolts)
      return volts >= Math.max(offer.minVolts, device.adjustable.minVolts)
        ? at('adjustable', volts, offer.amps)
        : null
    }
    case 'family':
      return device.family !== '' && device.family === offer.family
        ? at('family', offer.volts, offer.amps)
        : null
    case 'legacy':
      return at('legacy', 5, Math.min(offer.amps, LEGACY_MAX_A))
  }
}

function limitOf(
  device: Device,
  source: Source,
  best: Candidate,
  watts: number,
  limitA: number,
  cable: Cable | null,
): [Limit, string] {
  if (device.maxWatts !== null && watts >= device.maxWatts)
    return ['device', `The device takes no more than ${fmt(device.maxWatts)} W.`]
  if (best.amps < best.sourceAmps)
    return [
      'cable',
      `${cable ? 'The cable' : 'A cable without a marker'} carries ${fmt(limitA)} A; the source could give ${fmt(best.sourceAmps)} A.`,
    ]
  if (best.volts === 5 && best.volts * best.amps < source.ratedWatts - 0.5)
    return [
      'mismatch',
      `They share nothing above 5 V, so the source’s ${fmt(source.ratedWatts)} W stay out of reach.`,
    ]
  if (best.volts * best.amps < source.ratedWatts - 0.5)
    return [
      'mismatch',
      `The highest level they share is ${fmt(best.volts)} V at ${fmt(best.amps)} A, below the source’s ${fmt(source.ratedWatts)} W.`,
    ]
  return ['source', `The source gives no more than ${fmt(watts)} W.`]
}

function agreeWireless(device: Device, source: Source): Agreement {
  if (device.wirelessWatts === null) return nothing('The device has no coil to charge from a pad.', 'no-way')
  const watts = Math.min(source.ratedWatts, device.wirelessWatts)
  const byDevice = watts >= device.wirelessWatts
  return {
    outcome: device.maxWatts !== null && watts < SLOW_SHARE * device.maxWatts ? 'slow' : 'charges',
    mode: 'wireless',
    volts: NaN,
    amps: NaN,
    watts,
    limit: byDevice ? 'device' : 'source',
    port: 'pad',
    why: byDevice
      ? `Without a wire the device takes no more than ${fmt(watts)} W.`
      : `The pad gives no more than ${fmt(watts)} W.`,
  }
}

function minimumInWords(device: Device): string {
  const parts = []
  if (device.minWatts !== null) parts.push(`${fmt(device.minWatts)} W`)
  if (device.minVolts !== null) parts.push(`${fmt(device.minVolts)} V`)
  return parts.join(' and ')
}

const nothing = (why: string, limit: Limit): Agreement => ({
  outcome: 'none',
  mode: 'none',
  volts: NaN,
  amps: NaN,
  watts: 0,
  limit,
  port: '',
  why,
})

const fmt = (n: number): string => String(Math.round(n * 100) / 100)
