import { quantile } from '../stats/quantile'
import { batteryPowerColumn, powerColumn, type Trace } from '../trace/trace'
import { samplesOf, valueAt, type Samples } from '../trace/samples'

/**
 * A stretch in which the shown level did not move although it should have: `stuck`, energy flowed, the display stood;
 * `stalled`, nothing that counts flowed; `held`, the same at a level at which a protective setting stops; `unknown`,
 * nobody read the watts.
 */
export interface Standstill {
  kind: 'stuck' | 'stalled' | 'held' | 'unknown'
  startS: number
  endS: number
  percent: number
  /** Points that should have come meanwhile. */
  expectedPoints: number
  /** Points by which the display rose at the next reading; NaN where the record ends. */
  jump: number
  /** Whether the record ends with it. */
  isLast: boolean
}

/** A display that stands for so many points' worth, and for so long, s, stands still. */
const POINTS = 3
const SHORTEST_S = 120
/** Without watts it must be longer, s; and from this level on a charge slows down by itself, %. */
const SHORTEST_UNKNOWN_S = 600
const SLOWS_FROM_PERCENT = 95
/** Less than this share of the held peak is what a device draws that does not charge. */
const RESTING_SHARE = 0.1
/** Where a protective setting stops a charge, %; it lasts so long at least, s. */
const HELD_FROM_PERCENT = 70
const SHORTEST_HOLD_S = 600
/** What arrives in the battery of what the meter sees, where the capacity is known. */
const USUAL_EFFICIENCY = 0.8

export interface StandstillOptions {
  heldPeakW: number
  /** Usable capacity, Wh; without it the run's own points for each watt-hour count. */
  usableWh?: number
}

/** Standstills in order. A level of 100 is not one. */
export function standstills(trace: Trace, { heldPeakW, usableWh = NaN }: StandstillOptions): Standstill[] {
  const shown = samplesOf(trace.time, trace.percent)
  // What the source gives may go into a load: where the battery's own watts were read, they count.
  const battery = samplesOf(trace.time, batteryPowerColumn(trace))
  const atBattery = battery.t.length > 0
  const watts = atBattery ? battery : samplesOf(trace.time, powerColumn(trace))
  const { t, v } = shown
  const joules = joulesUntil(watts)
  const perJoule = pointsPerJoule(shown, watts, joules, usableWh / (atBattery ? 1 : USUAL_EFFICIENCY))
  const usual = usualPointTime(shown)
  const found: Standstill[] = []
  for (let from = 0; from < t.length;) {
    let to = from
    while (to + 1 < t.length && Math.abs(v[to + 1] - v[from]) < 0.5) to++
    const [startS, endS] = [t[from], t[to]]
    const seconds = endS - startS
    const isRead = watts.t.length > 0 && startS >= watts.t[0] && endS <= watts.t[watts.t.length - 1]
    const energy = isRead ? at(watts, joules, endS) - at(watts, joules, startS) : NaN
    const isResting = energy / seconds < RESTING_SHARE * heldPeakW
    // By the energy where it flows; by the clock where it does not, or nobody knows.
    const byClock = seconds / (isRead ? usual.median : pointTimeBefore(shown, from, usual.median))
    const expectedPoints = isRead && !isResting ? energy * perJoule : byClock
    const kind = !isRead ? 'unknown' : !isResting ? 'stuck' : isHeld(v[from], seconds) ? 'held' : 'stalled'
    // Near full a charge that slows down looks like one that stands; only energy tells them apart there.
    const isLong =
      kind === 'stuck'
        ? seconds >= SHORTEST_S
        : v[from] < SLOWS_FROM_PERCENT && seconds >= (isRead ? SHORTEST_S : SHORTEST_UNKNOWN_S)
    if (v[from] < 100 && isLong && expectedPoints >= POINTS)
      found.push({
        kind,
        startS,
        endS,
        percent: v[from],
        expectedPoints,
        jump: to + 1 < t.length ? v[to + 1] - v[to] : NaN,
        isLast: to + 1 === t.length,
      })
    from = to + 1
  }
  return found
}

const isHeld = (percent: number, seconds: number): boolean =>
  percent >= HELD_FROM_PERCENT && seconds >= SHORTEST_HOLD_S

/** Joules up to each reading of the watts. */
function joulesUntil({ t, v }: Samples): Float64Array {
  const sums = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++) sums[i] = sums[i - 1] + ((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])
  return sums
}
const at = ({ t }: Samples, joules: Float64Array, s: number): number => valueAt({ t, v: joules }, s)

/** `fullWh`: energy that fills the battery from empty, where the watts were read. */
function pointsPerJoule({ t, v }: Samples, watts: Samples, joules: Float64Array, fullWh: number): number {
  if (fullWh > 0) return 100 / (fullWh * 3600)
  const full = v.findIndex((level) => level >= 100)
  const last = full > 0 ? full : t.length - 1
  const gain = v[last] - v[0]
  const joulesIn = at(watts, joules, t[last]) - at(watts, joules, t[0])
  return gain > 0 && joulesIn > 0 ? gain / joulesIn : NaN
}

/** Seconds a point, as they usually are in this run. */
function usualPointTime({ t, v }: Samples): { median: number } {
  const times: number[] = []
  let since = 0
  for (let i = 1; i < t.length; i++)
    if (v[i] >= v[since] + 1) {
      times.push((t[i] - t[since]) / (v[i] - v[since]))
      since = i
    }
  return { median: quantile(times, 0.5) }
}

/** Seconds a point over the ten points before a reading; what is usual where there are not so many. */
function pointTimeBefore({ t, v }: Samples, index: number, usual: number): number {
  const from = v.findLastIndex((level, i) => i < index && level <= v[index] - 10)
  return from < 0 ? usual : (t[index] - t[from]) / (v[index] - v[from])
}
