import { anyRead } from '../trace/samples'
import { batteryPowerColumn, powerColumn, type Trace } from '../trace/trace'
import { energy, type EnergyFigures } from './energy'
import { power, type PowerFigures } from './power'

/** What the battery's own watts tell, as the device reports them: W and Wh, positive into the battery. */
export interface AtBattery {
  power: PowerFigures
  energy: EnergyFigures
}

/**
 * A trace with the battery's watts, volts and amperes in the place of the source's, and without a meter's totals: what
 * is worked out from it stands for the battery's side.
 */
function asMetered(trace: Trace): Trace {
  const { batteryPower, batteryVoltage, batteryCurrent, ...others } = trace
  return {
    ...others,
    power: batteryPowerColumn({ time: trace.time, temperatures: {}, batteryPower, batteryVoltage, batteryCurrent }),
    voltage: batteryVoltage,
    current: batteryCurrent,
    counterWh: undefined,
    counterAh: undefined,
  }
} // prettier-ignore

/**
 * The trace whose watts make the curve: the source's wherever a meter read them, else the battery's own.
 *
 * @param isMetered whether the source's were read, where that is known already
 */
export const curveOf = (trace: Trace, isMetered = anyRead(powerColumn(trace))): Trace =>
  !isMetered && anyRead(batteryPowerColumn(trace)) ? asMetered(trace) : trace

/** Power and energy at the battery; null where nobody read its watts. */
export function atBattery(trace: Trace): AtBattery | null {
  if (!anyRead(batteryPowerColumn(trace))) return null
  const own = asMetered(trace)
  return { power: power(own), energy: energy(own) }
}
