import { wattsUncertainty, type Accuracy } from '../gear/accuracy'
import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf } from '../trace/samples'
import { integrate, type Span } from './integral'
import type { Flow } from './flow'

/** What a run's meter leaves open about its watts, at each reading and over any stretch. Standard uncertainties. */
export interface MeterError {
  /** W, of the watts at the reading at a moment or the next one after it (s). */
  wattsAt(atS: number, watts: number): number
  /** Wh: a meter that is off by a share is off by it all the time, so the readings' uncertainties add up. */
  energyOver(flow: Flow, span: Span, energyWh: number): number
}

/** What a meter's stated accuracy leaves open about a trace; NaN throughout where none is stated. */
export function meterError(trace: Trace, meter: Accuracy | undefined): MeterError {
  const { voltage, current } = trace
  const watts = powerColumn(trace)
  const column =
    meter &&
    watts?.map((w, i) => (Number.isNaN(w) ? NaN : wattsUncertainty(meter, w, voltage?.[i], current?.[i])))
  const open = samplesOf(trace.time, column)
  return {
    wattsAt: (atS, w) => {
      const near = Math.min(firstAtOrAfter(open.t, atS), open.t.length - 1)
      return meter ? (open.v[near] ?? wattsUncertainty(meter, w)) : NaN
    },
    energyOver: (flow, span, energyWh) => {
      if (!meter) return NaN
      if (flow.from === 'counter') return wattsUncertainty(meter, energyWh)
      if (open.t.length === 0) return NaN
      const { t, v } = open
      const inside = {
        t: t.filter((at) => at >= span.startS && at <= span.endS),
        v: v.filter((_, i) => t[i] >= span.startS && t[i] <= span.endS),
      }
      if (inside.t.length === 0) return wattsUncertainty(meter, energyWh)
      const all = integrate(inside, { threshold: Infinity, span })
      return (all.measured + all.bridged) / 3600
    },
  }
}
