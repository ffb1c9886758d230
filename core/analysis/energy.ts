import { batteryPowerColumn, durationOf, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import { chargeFlow, energyFlow, passed, type Flow } from './flow'
import { cut, integrate, type Span } from './integral'

/** A meter's running totals, counted through their resets. */
export interface CounterFigures {
  /** Wh and Ah; NaN where that total was not read. */
  energyWh: number
  chargeAh: number
  /** Moments at which either was set back, s. */
  resets: number[]
  /** What the watts add up to over the time that the watt-hours were counted; NaN without watts. */
  integralWh: number
  /** True when a total first read later on is taken to have stood at nothing at power-on. */
  assumedZero: boolean
  /** From when it counts, s: later than power-on where an older total was on it. */
  fromS: number
}

export interface EnergyFigures {
  /** Wh that the meter saw go by, net; NaN without power or a counter. */
  energyWh: number
  /** Ah likewise. */
  chargeAh: number
  /** Whether `energyWh` is the meter's own count or the integral of its watts. */
  energyFrom: 'integral' | 'counter'
  /** Wh while nobody read the meter: not part of `energyWh`. */
  bridgedWh: number
  gaps: Span[]
  /** Of both together, Wh: into the device, and out of it. */
  intoWh: number
  outOfWh: number
  /** Standard uncertainty of both together, Wh, without the meter's own accuracy. */
  uncertaintyWh: number
  counter: CounterFigures | null
  /** Watt-hours received ÷ sent where the trace carries both (wireless), over the time both were read. 0–1. */
  transferEfficiency: number
}

/**
 * Energy and charge of a whole trace, from power-on to its last reading: trapezoidal, or by the meter's own count
 * where watts were read further apart than 60 s.
 */
export function energy(trace: Trace): EnergyFigures {
  const span = { startS: 0, endS: durationOf(trace) }
  const watts = energyFlow(trace)
  const e = passed(watts, span)
  const charge = passed(chargeFlow(trace), span)
  return {
    energyWh: e.measured,
    chargeAh: charge.measured,
    energyFrom: watts.from,
    bridgedWh: e.bridged,
    gaps: e.gaps,
    intoWh: e.into,
    outOfWh: e.outOf,
    uncertaintyWh: e.uncertainty,
    counter: counterFigures(watts, chargeFlow(trace)),
    transferEfficiency: transfer(trace),
  }
}

function counterFigures(watts: Flow, amps: Flow): CounterFigures | null {
  if (!watts.count && !amps.count) return null
  const beside = watts.count && watts.rate.t.length > 0
  const integral = beside
    ? passed({ ...watts, from: 'integral' }, { startS: watts.count!.startS, endS: watts.count!.endS })
    : undefined
  return {
    energyWh: watts.count?.total ?? NaN,
    chargeAh: amps.count?.total ?? NaN,
    resets: [...new Set([...(watts.count?.resets ?? []), ...(amps.count?.resets ?? [])])].sort(
      (a, b) => a - b,
    ),
    integralWh: integral ? integral.measured + integral.bridged : NaN,
    assumedZero: Boolean(watts.count?.assumedZero || amps.count?.assumedZero),
    fromS: Math.max(watts.count?.startS ?? 0, amps.count?.startS ?? 0),
  }
}

/** Energy received over energy sent, over the time that both were read. */
function transfer(trace: Trace): number {
  const sent = energyFlow(trace).rate
  const received = samplesOf(trace.time, batteryPowerColumn(trace))
  if (sent.t.length < 2 || received.t.length < 2) return NaN
  const from = Math.max(sent.t[0], received.t[0])
  const to = Math.min(sent.t[sent.t.length - 1], received.t[received.t.length - 1])
  const over = (of: typeof sent) => integrate(cut(of, from, to), { threshold: Infinity }).measured
  return to > from ? wirelessEfficiency(over(received), over(sent)) : NaN
}

/** Watt-hours gained by the battery for `gain` percentage points. */
export const energyGained = (gain: number, usableWh: number): number => (gain / 100) * usableWh

/** Efficiency of a wireless link: power received ÷ power sent, same unit. */
export const wirelessEfficiency = (received: number, sent: number): number =>
  sent > 0 ? received / sent : NaN

/** Apparent load resistance V/I in Ω, as reviewers read it off their meters. */
export const loadResistance = (volts: number, amps: number): number => (amps !== 0 ? volts / amps : NaN)
