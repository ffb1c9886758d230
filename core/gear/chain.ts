import { agree, settle, type Agreement } from './agree'
import type { Cable, Device, Source } from './gear'
import { cableSide, linkSide, sourceSide } from './sides'

/** What one link of a chain gets from the one before it, and what it can pass on. W. */
export interface LinkFlow {
  link: Source
  takes: Agreement
  passesW: number
}

export interface ChainAgreement extends Agreement {
  links: LinkFlow[]
  /** Name of the link that holds the watts where they are; '' where none does. */
  limitedBy: string
  /** What a meter shows of them, W: before a pad, since none can stand behind one. NaN where a pad says not how much it loses. */
  meterWatts: number
}

/** A link passes on what it gets, less what it uses itself, times its efficiency; one that feeds itself its rating. */
const passedOn = (link: Source, watts: number): number =>
  Math.max(0, (watts - (link.drawsW ?? 0)) * ((link.efficiencyPercent ?? 100) / 100))

/**
 * The chain that ends in a source: what stands before it, and before that, as the shelf has it. The one that is named
 * stands before the last link instead; null there: it is fed enough. A link that takes nothing from anybody is a
 * beginning; one that would come round again is left out.
 */
export function chainTo(
  source: Source,
  sources: readonly Source[],
  fedFromId: string | null = source.fedFromId,
): Source[] {
  const chain = [source]
  let before = fedFromId
  while (before !== null && chain[0].takes.trim() !== '') {
    const link = sources.find((s) => s.id === before)
    if (!link || chain.includes(link)) break
    chain.unshift(link)
    before = link.fedFromId
  }
  return chain
}

/**
 * What a device settles on at the end of a chain: source → dock, pad, monitor, power bank, laptop … → cable → device.
 * Each link takes from the one before it by what it says it takes, and gives no more than what then passes; the link
 * that holds the watts is named. The cable is the one to the device; between links a usual one is taken.
 *
 * @param chain from the wall on; the last link is what the device is put on
 * @throws RangeError for an empty chain
 */
export function agreeAlong(
  device: Device,
  chain: readonly Source[],
  cable: Cable | null = null,
): ChainAgreement {
  const found = alongLinks(device, chain, cable)
  return { ...found, meterWatts: atMeter(found, chain[chain.length - 1]) }
}

/** What the last link takes so that so much arrives behind it, and no more than it gets; of a wire, what arrives. */
function atMeter({ watts, links }: Omit<ChainAgreement, 'meterWatts'>, last: Source): number {
  if (last.kind !== 'wireless pad' || watts <= 0) return watts
  const gets = links.at(-1)?.takes.watts
  if (last.efficiencyPercent === null) return gets ?? NaN
  return Math.min(gets ?? Infinity, watts / (last.efficiencyPercent / 100) + (last.drawsW ?? 0))
}

function alongLinks(
  device: Device,
  chain: readonly Source[],
  cable: Cable | null,
): Omit<ChainAgreement, 'meterWatts'> {
  if (chain.length === 0) throw new RangeError('A chain has at least one link.')
  const links: LinkFlow[] = []
  let from = chain[0]
  for (const link of chain.slice(1)) {
    const takes = feed(from, link)
    const passesW = passedOn(
      link,
      takes.outcome === 'none' || takes.outcome === 'connected' ? 0 : takes.watts,
    )
    links.push({ link, takes, passesW })
    from = { ...link, ratedWatts: Math.min(link.ratedWatts, passesW) }
  }
  const last = chain[chain.length - 1]
  const whole = agree(device, last, cable)
  if (from.ratedWatts <= 0) {
    const starved = links.find((l) => l.passesW <= 0)!.link.name
    return {
      ...whole,
      outcome: 'none',
      watts: 0,
      amps: 0,
      limit: 'link',
      why: `${starved} gets too little to pass anything on.`,
      links,
      limitedBy: starved,
    }
  }
  const found = agree(device, from, cable)
  if (!(found.watts < whole.watts)) return { ...found, links, limitedBy: '' }
  const tight = links.reduce((a, b) => (b.passesW < a.passesW ? b : a))
  const { takes, link, passesW } = tight
  // Of the two, the link is the one that takes.
  const itself = takes.why.replace(/^The device /, 'It ')
  const why = `${link.name} gets ${fmt(takes.watts)} W and passes ${fmt(passesW)} W on. ${itself}`
  return { ...found, limit: 'link', why, links, limitedBy: link.name }
}

/** What a link gets from the one before it, from its best port. */
function feed(from: Source, link: Source): Agreement {
  const side = linkSide(link) ?? {
    accepts: [],
    families: [],
    maxWatts: link.ratedWatts + (link.drawsW ?? 0),
    minWatts: 0,
    minVolts: 0,
    assumed: true,
  }
  const found = from.ports.map((port) => settle(sourceSide(from, port), side, cableSide(null), port.name))
  return found.reduce(
    (a, b) => (b.watts > a.watts ? b : a),
    settle({ offers: [], portWatts: 0, ratedWatts: 0 }, side),
  )
}

const fmt = (n: number): string => String(Math.round(n * 100) / 100)
