import { blankSource, portOf } from '../gear/blanks'
import { blankDevice, type Device } from '../gear/deviceFields'
import type { Source } from '../gear/gear'
import { noConditions } from '../protocol/runConditions'
import { NO_HEAT, type LaneChoice } from './setup'

/** Seconds of the runs' clock in one of ours: a charge of two hours takes about a minute. */
const PACE = 120
const FROM_PERCENT = 5
/** The usable energy is small, so that nobody waits long. */
const CAPACITY_WH = 12

/** Made-up gear for a first look: one phone, a weak source and a stronger one. `newId` gives each its id. */
export function guideGear(newId: () => string): { device: Device; sources: [Source, Source] } {
  const source = (name: string, ratedWatts: number, offers: string) =>
    blankSource({ id: newId(), name, kind: 'wall charger', ratedWatts, ports: [portOf(offers)] })
  return {
    device: blankDevice({
      id: newId(),
      name: 'Example phone',
      kind: 'phone',
      capacityWh: CAPACITY_WH,
      maxWatts: 18,
      fixedVolts: [9],
    }),
    sources: [source('Example 10 W', 10, '5V2A'), source('Example 18 W', 18, '5V3A, 9V2A')],
  }
}

/** Two simulated lanes with that gear, as the bench starts them. */
export const guideLanes = ({ device, sources }: ReturnType<typeof guideGear>): LaneChoice[] =>
  sources.map((source, i) => ({
    deviceId: device.id,
    sourceId: source.id,
    cableId: null,
    start: { percent: FROM_PERCENT, read: true },
    reading: { kind: 'meter', seconds: 1 },
    stop: { kind: 'shown-full' },
    planned: null,
    checklist: [],
    heat: NO_HEAT,
    conditions: { ...noConditions(), deviceState: 'simulated' },
    feed: { kind: 'simulated', seed: i + 1, speed: PACE },
  }))
