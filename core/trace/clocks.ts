import type { Reading } from './trace'

/** Amperes, or watts, above which current flows. */
const FLOWS_A = 0.05
const FLOWS_W = 0.3

/** Seconds by which each stream's clock is moved to stand on the lane's; streams not named are not moved. */
export type Offsets = Readonly<Record<string, number>>

/** When current began in one stream's readings, s on its own clock; NaN when it never did, or always flowed. */
export function startOfCurrent(readings: readonly Reading[]): number {
  const flows = (r: Reading): boolean | undefined => {
    if (r.current !== undefined) return Math.abs(r.current) > FLOWS_A
    const watts = r.power ?? r.batteryPower
    return watts === undefined ? undefined : watts > FLOWS_W
  }
  const known = readings.filter((r) => flows(r) !== undefined)
  const first = known.findIndex((r) => flows(r))
  return first > 0 ? known[first].t : NaN
}

/**
 * Offsets that put streams on one clock by their start of current: the first stream keeps its clock, the others
 * are moved to begin with it. A stream without a visible start keeps the offset it had.
 */
export function alignByCurrent(readings: readonly Reading[], before: Offsets): Offsets {
  const streams = [...new Set(readings.flatMap((r) => r.stream ?? []))]
  const starts = new Map(streams.map((s) => [s, startOfCurrent(readings.filter((r) => r.stream === s))]))
  const lead = streams.find((s) => !Number.isNaN(starts.get(s)!))
  if (lead === undefined) return before
  const onLane = starts.get(lead)! + (before[lead] ?? 0)
  const moved = streams
    .filter((s) => s !== lead && !Number.isNaN(starts.get(s)!))
    .map((s) => [s, Math.round((onLane - starts.get(s)!) * 10) / 10])
  return { ...before, ...Object.fromEntries(moved) }
}

/** A stream's time on the lane's clock, s, to the millisecond. Nothing stands before power-on. */
export const onLane = (t: number, offset = 0): number => Math.max(0, Math.round((t + offset) * 1000) / 1000)

/** All readings on the lane's clock, in the order of their times; those of one instant as they came. */
export function onOneClock(readings: readonly Reading[], offsets: Offsets): Reading[] {
  return readings.map((r) => ({ ...r, t: onLane(r.t, offsets[r.stream ?? '']) })).sort((a, b) => a.t - b.t)
}
