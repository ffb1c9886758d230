import { currentColumn, powerColumn, type Trace } from '../../trace/trace'
import { samplesOf, type Samples } from '../../trace/samples'
import { restingPlateau } from '../taper'
import { offsetByEnergy } from './byEnergy'
import { lagBounds } from './lagBounds'
import { levelPoints } from './levelPoints'
import { onset, type Onset } from './onset'
import { union } from './union'

/** Two records of one run on one clock. */
export interface Joined {
  /** Seconds since power-on. */
  trace: Trace
  /** What was added to the device's clock, s, and its standard uncertainty; NaN where it was given. */
  offsetS: number
  uncertaintyS: number
  by: 'start-of-current' | 'energy' | 'given'
  /** Power-on by the meter's clock, s. */
  powerOnS: number
  /** Readings from before power-on, left out. */
  leftOut: number
}

/** Between the meter's first watts and the battery's first amperes may lie so much, s, either way. */
const SWITCH_S = 1

/**
 * Puts a meter's record and a device's on one clock: by the start of current in both where both show it, else by the
 * lag at which delivered energy and shown level agree best, else as given.
 *
 * @throws RangeError in plain words where neither way is open
 * @see union for what becomes of the readings
 */
export function join(meter: Trace, device: Trace, given?: number): Joined {
  const watts = samplesOf(meter.time, powerColumn(meter) ?? currentColumn(meter))
  const flows = onset(watts)
  if (!flows) throw new RangeError('The meter’s file shows no current that flows for ten seconds.')
  const found = given === undefined ? offsetOf(meter, watts, flows, device) : givenOffset(given)
  const powerOnS = Number.isNaN(flows.earliestS) ? flows.latestS : middle(flows)
  const trace = union(meter, device, found.offsetS, powerOnS)
  const before = (time: Float64Array, by: number) => time.filter((t) => t + by < powerOnS).length
  return {
    trace,
    ...found,
    powerOnS,
    leftOut: before(meter.time, 0) + before(device.time, found.offsetS),
  }
}

const givenOffset = (offsetS: number) => ({ offsetS, uncertaintyS: NaN, by: 'given' as const })

function offsetOf(
  meter: Trace,
  watts: Samples,
  flows: Onset,
  device: Trace,
): Pick<Joined, 'offsetS' | 'uncertaintyS' | 'by'> {
  const charging = onset(samplesOf(device.time, intoBattery(device)))
  if (charging && !Number.isNaN(charging.earliestS) && !Number.isNaN(flows.earliestS))
    return {
      offsetS: middle(flows) - middle(charging),
      // Each start lies anywhere between two looks (rectangular, GUM JCGM 100:2008 §4.3.7).
      uncertaintyS: Math.hypot(width(flows), width(charging), 2 * SWITCH_S) / Math.sqrt(12),
      by: 'start-of-current',
    }
  const shown = samplesOf(device.time, device.percent)
  const most = watts.v.reduce((top, w) => Math.max(top, w), 0)
  const beside = restingPlateau(meter, most)
  const byEnergy = offsetByEnergy(watts, levelPoints(shown), { ...lagBounds(shown, flows), beside })
  if (!byEnergy)
    throw new RangeError(
      'The two files show neither the start of current in both nor enough of energy and level to tell how their clocks lie. Give the offset.',
    )
  return { ...byEnergy, by: 'energy' }
}

/** What the device's file says of the current into its battery; only where it begins matters. */
const intoBattery = (device: Trace): Float64Array | undefined =>
  device.batteryCurrent ?? device.batteryPower ?? device.current ?? device.power

const middle = ({ earliestS, latestS }: Onset): number => (earliestS + latestS) / 2
const width = ({ earliestS, latestS }: Onset): number => latestS - earliestS
