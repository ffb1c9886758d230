import type { Agreement, Limit } from './agree'
import { agreeAlong, chainTo } from './chain'
import type { Cable, Device, Observation, Source } from './gear'
import { disagreement } from './observed'

/** One pair of the grid: what is expected, what was last seen, and where the two contradict each other. */
export interface GridCell {
  device: Device
  source: Source
  expected: Agreement
  /** Share of what the device takes at most, 0–1; NaN when that is not known. */
  share: number
  seen: Observation[]
  contradiction: string | null
}

/** What holds the power where it is, in two or three words. */
export const LIMIT_WORDS: Record<Limit, string> = {
  source: 'source’s most',
  device: 'device’s most',
  cable: 'cable’s most',
  port: 'port’s most',
  'no-common-protocol': 'no better level shared',
  'too-weak': 'too weak',
  link: 'a link before it',
  'no-way': 'no way in',
}

/** Every device against one source. Observations count where they were made with this cable, or with none named. */
export function gridRow(
  source: Source,
  devices: readonly Device[],
  cable: Cable | null,
  observations: readonly Observation[],
  /** The shelf, for what stands before a source that takes from another, */
  sources: readonly Source[] = [],
  /** and what stands there instead; null where each is fed enough. As the shelf has it where left out. */
  fedFromId?: string | null,
): GridCell[] {
  const chain = chainTo(source, sources, fedFromId)
  return devices.map((device) => {
    const expected = agreeAlong(device, chain, cable)
    const seen = observations
      .filter((o) => o.deviceId === device.id && o.sourceId === source.id)
      .filter((o) => !cable || o.cableId === null || o.cableId === cable.id)
      .sort((a, b) => b.when.localeCompare(a.when))
    const most = expected.protocol === 'wireless' ? device.wirelessWatts : device.maxWatts
    return {
      device,
      source,
      expected,
      share: most === null ? NaN : Math.min(1, expected.watts / most),
      seen,
      contradiction: seen.length ? disagreement(expected, seen[0].outcome) : null,
    }
  })
}
