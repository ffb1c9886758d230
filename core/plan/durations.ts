import { agreeAlong } from '../gear/chain'
import { capacityOf } from '../gear/capacity'
import type { Cable, Device, DeviceKind, Source } from '../gear/gear'
import { genericAcceptance, type AcceptanceCurve } from '../model/acceptance'
import { forecast, levelAfter, type Forecast } from '../model/forecast'
import type { Protocol } from '../protocol/protocol'
import type { BenchMeans } from './campaign'

/** How long a run is expected to take, and on what that rests. Seconds. */
export interface Expectation {
  /** Charging alone, as expected. */
  chargeS: number
  /** Its standard uncertainty; 0 for a fixed time. */
  uncertaintyS: number
  /** Charging with the share kept in hand, to whole five minutes: what the timetable reserves. */
  slotS: number
  drainS: number
  restS: number
  /** Draining, resting and rigging together. */
  prepS: number
  /** Level at which it is expected to stop, %. */
  endPercent: number
  basis: 'run' | 'generic' | 'fixed' | 'watched'
  /** What the figure rests on, in words. */
  why: string
}

/** Assumed where a device's record is silent. Common practice, no source. */
const USUAL: Record<DeviceKind, { wh: number; watts: number; drainHours: number }> = {
  phone: { wh: 15, watts: 20, drainHours: 5 },
  tablet: { wh: 29, watts: 25, drainHours: 6 },
  laptop: { wh: 56, watts: 60, drainHours: 4 },
  other: { wh: 10, watts: 10, drainHours: 4 },
}
/** Energy in the battery for energy at the meter, until the device's own figure is known (spot-check practice). */
export const ASSUMED_EFFICIENCY = 0.8
/** A pair that does not charge is watched for this long before it is written down. */
const WATCH_S = 1800
const STEP_S = 300

/** Hours that a device takes to drain from full: as timed, else what is usual for its kind. */
export const usualDrainHours = (device: Device): number => device.drainHours ?? USUAL[device.kind].drainHours

/** Expected time of a run to its stop rule; `own` is the device's acceptance curve where a full run gave one. */
export function expectedTime(
  device: Device,
  /** From the wall on; the last link is what the device is put on. */
  chain: readonly Source[],
  cable: Cable | null,
  protocol: Protocol,
  means: BenchMeans,
  own: AcceptanceCurve | null,
): Expectation {
  const curve = curveFor(device, own)
  const { outcome, watts } = agreeAlong(device, chain, cable)
  const flows = outcome === 'charges' || outcome === 'slow'
  const [{ seconds: chargeS, uncertaintyS }, basis, why] = chargeTime(protocol, curve, flows ? watts : 0)
  const endPercent = endOf(protocol, curve, flows ? watts : 0)
  const drainS = drainTime(device, protocol, endPercent, means)
  const restS = protocol.restMinutes * 60
  const held = protocol.stop.kind === 'duration' ? 1 : 1 + means.marginPercent / 100
  return {
    chargeS,
    uncertaintyS,
    slotS: Math.ceil((chargeS * held) / STEP_S - 1e-9) * STEP_S,
    drainS,
    restS,
    prepS: Math.ceil((drainS + restS + means.setupMinutes * 60) / STEP_S) * STEP_S,
    endPercent,
    basis,
    why,
  }
}

const BASIS_WORDS = {
  run: 'forecast from this device’s full run',
  generic: 'from the generic curve of its kind',
} as const

function chargeTime(
  protocol: Protocol,
  curve: AcceptanceCurve,
  watts: number,
): [Pick<Forecast, 'seconds' | 'uncertaintyS'>, Expectation['basis'], string] {
  const { stop, startPercent } = protocol
  if (stop.kind === 'duration') return [exactly(stop.seconds), 'fixed', 'the protocol’s fixed time']
  if (!(watts > 0))
    return [exactly(WATCH_S), 'watched', 'it is not expected to charge: watched for half an hour']
  const to = stop.kind === 'level' ? Math.max(stop.percent, startPercent + 1) : 100
  const found = forecast(curve, { sourceWatts: watts, from: Math.min(startPercent, 99), to })
  return [found, curve.origin, BASIS_WORDS[curve.origin]]
}

const exactly = (seconds: number) => ({ seconds, uncertaintyS: 0 })

/** Before the next run the device is drained from where the last one left it. */
function drainTime(device: Device, protocol: Protocol, endPercent: number, means: BenchMeans): number {
  if (protocol.startWay === 'as-found') return 0
  const hours = means.drainHours[device.id] ?? usualDrainHours(device)
  return (Math.max(0, endPercent - protocol.startPercent) / 100) * hours * 3600
}

/** The level at which its stop rule ends it, %. */
function endOf({ stop, startPercent }: Protocol, curve: AcceptanceCurve, watts: number): number {
  if (stop.kind === 'level') return stop.percent
  if (stop.kind !== 'duration') return 100
  return watts > 0 ? levelAfter(curve, watts, startPercent, stop.seconds) : startPercent
}

/** The device's own curve, or else the generic one of its kind. */
export const curveFor = (device: Device, own: AcceptanceCurve | null): AcceptanceCurve =>
  own ?? genericFor(device)

function genericFor(device: Device): AcceptanceCurve {
  const usual = USUAL[device.kind]
  const { usableWh } = capacityOf(device)
  const wh = Number.isNaN(usableWh) ? usual.wh : usableWh
  return genericAcceptance(wh / ASSUMED_EFFICIENCY, device.maxWatts ?? usual.watts)
}
