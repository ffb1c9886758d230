import { firstAtOrAfter, samplesOf } from '../trace/samples'
import type { Trace } from '../trace/trace'
import { GAIN_UNCERTAINTY } from './marks'
import { energyFlow, passed } from './flow'
import type { MeterError } from './meterError'

/** Charging efficiency: what the battery gained over what the meter saw, over one and the same stretch. */
export interface Efficiency {
  /** 0–1; above 1 when the inputs cannot be right; NaN where it cannot be known. */
  value: number
  /** Standard uncertainty, same unit. */
  uncertainty: number
  /** The stretch: from the first level to the first 100 %, else to the last level. s */
  startS: number
  endS: number
  /** Points gained, and energy at the meter, over it. */
  gain: number
  energyWh: number
  /** Why there is none, in plain words; absent when there is one. */
  reason?: string
}

export interface UsableCapacity {
  /** Rated × health, Wh; NaN when not known. */
  usableWh: number
  /** Its standard uncertainty as a share of it. */
  uncertainty: number
}

/** Share of the stretch that the meter must cover. */
const COVERED_SHARE = 0.9

/** Works it out for one trace. */
export function efficiency(trace: Trace, capacity: UsableCapacity, meter: MeterError): Efficiency {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const none = (reason: string): Efficiency => ({
    value: NaN,
    uncertainty: NaN,
    startS: NaN,
    endS: NaN,
    gain: NaN,
    energyWh: NaN,
    reason,
  })
  if (t.length < 2) return none('No battery level was read at two moments.')
  const full = v.findIndex((level, i) => i > 0 && level >= 100)
  const last = full > 0 ? full : t.length - 1
  const span = { startS: t[0], endS: t[last] }
  const gain = v[last] - v[0]
  if (!(gain > 0)) return none('The level did not rise.')
  if (Number.isNaN(capacity.usableWh)) return none('The device states no capacity.')
  const flow = energyFlow(trace)
  const metered = passed(flow, span)
  const energyWh = metered.measured + metered.bridged
  if (Number.isNaN(energyWh)) return none('No energy was measured.')
  if (metered.coveredS < COVERED_SHARE * (span.endS - span.startS))
    return none('The meter covers less than nine tenths of the charge.')
  if (!(energyWh > 0)) return none('No energy went into the device.')
  const value = ((gain / 100) * capacity.usableWh) / energyWh
  return {
    value,
    uncertainty:
      value *
      Math.hypot(
        GAIN_UNCERTAINTY / gain,
        capacity.uncertainty,
        metered.uncertainty / energyWh,
        (meter.energyOver(flow, span, energyWh) || 0) / energyWh,
        fullMark(trace, t[last - 1], t[last], v[last]) / energyWh,
      ),
    ...span,
    gain,
    energyWh,
  }
}

/** Wh that may have flowed after the display had turned full unseen: rectangular over the last bracket (GUM §4.3.7). */
function fullMark(trace: Trace, fromS: number, toS: number, level: number): number {
  const watched = trace.watched?.[firstAtOrAfter(trace.time, toS)] === 1
  if (level < 100 || watched) return 0
  const { measured, bridged } = passed(energyFlow(trace), { startS: fromS, endS: toS })
  return Math.abs(measured + bridged) / Math.sqrt(12)
}
