import { chainTo } from '../gear/chain'
import type { Cable, Device, Source } from '../gear/gear'
import type { AcceptanceCurve } from '../model/acceptance'
import { pairKey, type Campaign } from './campaign'
import { expectedTime, type Expectation } from './durations'

/** The gear a campaign speaks of, and what is known of each device's charging. */
export interface PlanGear {
  devices: readonly Device[]
  sources: readonly Source[]
  cables: readonly Cable[]
  curves: Readonly<Record<string, AcceptanceCurve | null>>
}

/** Expected times by pair. */
export function expectations(campaign: Campaign, gear: PlanGear): Map<string, Expectation> {
  return new Map(
    campaign.pairs.flatMap((pair) => {
      const device = gear.devices.find((d) => d.id === pair.deviceId)
      const source = gear.sources.find((s) => s.id === pair.sourceId)
      if (!device || !source) return []
      const cable = gear.cables.find((c) => c.id === pair.cableId) ?? null
      const own = gear.curves[device.id] ?? null
      const chain = chainTo(source, gear.sources)
      return [[pairKey(pair), expectedTime(device, chain, cable, campaign.protocol, campaign.means, own)]]
    }),
  )
}
