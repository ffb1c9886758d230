import { firstAfter, firstAtOrAfter, samplesOf, valueAfter, valueAt, type Samples } from './samples'
import { currentColumn, powerColumn, withReading, type Reading, type Trace, type TraceEvent } from './trace'

/** A stretch in which the device was unplugged, s. */
export interface Pause {
  startS: number
  endS: number
}

/** Moments are kept to the millisecond. */
const HAIR_S = 0.001

/** Stretches between "unplugged" and "plugged in again". One that nobody ended is none: how long it took is not known. */
export function pausesOf(events: readonly TraceEvent[]): Pause[] {
  const pauses: Pause[] = []
  let startS = NaN
  for (const { t, kind } of [...events].sort((a, b) => a.t - b.t)) {
    if (kind === 'unplugged') startS = Number.isNaN(startS) ? t : startS
    if (kind !== 'plugged-in') continue
    if (t > startS) pauses.push({ startS, endS: t })
    startS = NaN
  }
  return pauses
}

/** When the device was unplugged, s, if it still is. */
export function unpluggedSince(events: readonly TraceEvent[]): number | undefined {
  const last = [...events]
    .sort((a, b) => a.t - b.t)
    .findLast(({ kind }) => kind === 'unplugged' || kind === 'plugged-in')
  return last?.kind === 'unplugged' ? last.t : undefined
}

/**
 * A trace with nothing flowing while the device was unplugged: what was read last before it holds until the plug is out,
 * what is read first after it from when it is in again, and between them stands nought, since nothing can flow. A pause in
 * which the meter was read is left as it was read. The same trace where there is none.
 */
export function withPauses(trace: Trace, pauses: readonly Pause[]): Trace {
  return pauses.reduce(withPause, trace)
}

function withPause(trace: Trace, { startS, endS }: Pause): Trace {
  const watts = samplesOf(trace.time, powerColumn(trace))
  const amps = samplesOf(trace.time, currentColumn(trace))
  const { t } = watts.t.length ? watts : amps
  const before = firstAfter(t, startS) - 1
  const after = firstAtOrAfter(t, endS)
  if (before < 0 || after >= t.length || after > before + 1) return trace
  // A reading at the very moment of plugging in comes after nothing flowed.
  const end = t[after] === endS ? endS - HAIR_S : endS
  const flow = (at: number, of: (samples: Samples) => number): Reading => ({
    t: at,
    ...(watts.t.length ? { power: of(watts) } : {}),
    ...(amps.t.length ? { current: of(amps) } : {}),
  })
  const nothing = () => 0
  return [
    flow(startS, (samples) => valueAt(samples, t[before])),
    flow(startS, nothing),
    flow(end, nothing),
    flow(end, (samples) => valueAfter(samples, t[after])),
  ].reduce((grown, reading) => withReading(grown, reading).trace, trace)
}
