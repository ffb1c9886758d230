import { agreeAlong } from '../gear/chain'
import { blankSource, portOf } from '../gear/blanks'
import { capacityOf } from '../gear/capacity'
import { blankDevice } from '../gear/deviceFields'
import type { Cable, Device, DeviceKind, Source } from '../gear/gear'
import type { ChargeSetup } from './charge'

/** What the model assumes of a kind of device where its record is silent. */
const KINDS: Record<
  DeviceKind,
  { watts: number; wh: number; heatCapacity: number; heatLoss: number; systemWatts: number }
> = {
  phone: { watts: 20, wh: 15, heatCapacity: 160, heatLoss: 0.22, systemWatts: 0.25 },
  tablet: { watts: 25, wh: 28, heatCapacity: 420, heatLoss: 0.5, systemWatts: 0.5 },
  laptop: { watts: 60, wh: 56, heatCapacity: 1200, heatLoss: 1.3, systemWatts: 3 },
  other: { watts: 10, wh: 10, heatCapacity: 150, heatLoss: 0.2, systemWatts: 0.1 },
}

/** Stairs of a fast charge, as shares of the most it takes: the hand-over from fast to slow. */
const STAIRS = [
  { untilShare: 0.36, of: 1 },
  { untilShare: 0.56, of: 0.76 },
  { untilShare: 0.7, of: 0.54 },
  { untilShare: 1, of: 0.36 },
]

/** What of a pad's watts arrives, where nobody says. */
const USUAL_PAD_PERCENT = 76

export interface SetupOptions {
  startPercent: number
  ambientC?: number
  cable?: Cable | null
  /** What stands before the source, from the wall on. */
  before?: readonly Source[]
  stallAtShare?: number
  onOffAtEnd?: boolean
  /** Extra heat in the device from this source, as a share of its thermal loss taken away (0–0.9). */
  poorCooling?: number
}

/** A charge of `device` from `source`, by what they agree on, along the chain. */
export function setupFor(device: Device, source: Source, options: SetupOptions): ChargeSetup {
  const kind = KINDS[device.kind]
  const { usableWh } = capacityOf(device)
  const along = agreeAlong(device, [...(options.before ?? []), source], options.cable ?? null)
  const linkEfficiency =
    along.protocol === 'wireless' ? (source.efficiencyPercent ?? USUAL_PAD_PERCENT) / 100 : 1
  // Before a pad stands what it takes: no more than that reaches the device, less what is lost on the way.
  const fed = along.links.at(-1)?.takes.watts ?? Infinity
  const agreement = { ...along, watts: Math.min(along.watts, fed * linkEfficiency) }
  const most = (device.maxWatts ?? kind.watts) * 0.88
  return {
    usableWh: Number.isNaN(usableWh) ? kind.wh : usableWh,
    startPercent: options.startPercent,
    agreement,
    staircase: STAIRS.map(({ untilShare, of }) => ({ untilShare, watts: most * of })),
    ambientC: options.ambientC ?? 21,
    throttleFromC: 39,
    throttleToC: 46,
    throttleFloor: 0.3,
    heatCapacity: kind.heatCapacity,
    heatLoss: kind.heatLoss * (1 - (options.poorCooling ?? 0)),
    converterEfficiency: 0.9,
    linkEfficiency,
    systemWatts: kind.systemWatts,
    negotiationS: 4,
    stallAtShare: options.stallAtShare,
    onOffAtEnd: options.onOffAtEnd,
  }
}

/** The charge behind the bridge's simulated instruments: an invented phone on an invented charger. */
export const simulatedSetup = (): ChargeSetup =>
  setupFor(
    { ...SIMULATED_PHONE },
    blankSource({
      id: 'simulated',
      name: 'Simulated source',
      kind: 'wall charger',
      ratedWatts: 20,
      ports: [portOf('9V2.22A')],
    }),
    { startPercent: 5.4 },
  )

const SIMULATED_PHONE = blankDevice({
  id: 'simulated',
  name: 'Simulated phone',
  kind: 'phone',
  capacityWh: 15,
  maxWatts: 20,
  fixedVolts: [9],
})
