import { firstAfter, valueAt, type Samples } from '../trace/samples'

/** A meter's running total, counted through its resets. Wh or Ah; seconds since power-on. */
export interface Count {
  /** What it counted between `startS` and `endS`. */
  total: number
  startS: number
  endS: number
  /** Moments of the readings that were lower than the one before: it had been set back. */
  resets: number[]
  /** True where nobody read it at power-on, and it is taken to have stood at nothing there. */
  assumedZero: boolean
  /** The total since `startS` at each reading. */
  samples: Samples
}

/** A first reading this soon after power-on is its reading at the start, s. */
export const AT_START_S = 10
/** A first reading more than this share above what flowed by then carries an older total. */
const PLAUSIBLE = 1.5
/** In the first quarter of an hour power is near what it begins with: not more than so many times what it is later. */
const EARLY_S = 900
const EARLY_RATIO = 4
/** Last digit that is let pass besides, Wh or Ah. */
const SLACK = 0.05

/**
 * Counts a running total. A step down is a reset and starts a new count. A first reading after power-on is counted
 * from nothing where that can be. Where the total would be more than what can have flowed, it was carried over, and the
 * count starts with it: more than `flow`, as far as it was read; else, early in a run, more than some times the count's
 * own fastest rate (a charge is fastest at first, so that a late one says little of it); else more than `highest`.
 * Null without a reading, and where a single reading at power-on counted nothing.
 *
 * @param flow what was read of W or A
 * @param highest the most that flows at all, W or A
 * @example countOf({ t: Float64Array.of(300), v: Float64Array.of(0.415) })?.total // 0.415
 */
export function countOf({ t, v }: Samples, flow?: Samples, highest = Infinity): Count | null {
  if (t.length === 0) return null
  const sinceFirst = new Float64Array(t.length)
  const resets: number[] = []
  for (let i = 1; i < t.length; i++) {
    const isReset = v[i] < v[i - 1]
    if (isReset) resets.push(t[i])
    sinceFirst[i] = sinceFirst[i - 1] + (isReset ? v[i] : v[i] - v[i - 1])
  }
  const assumedZero = t[0] > AT_START_S && v[0] <= mostBy(t, sinceFirst, highest, flow) + SLACK
  if (t.length === 1 && !assumedZero) return null
  if (!assumedZero)
    return {
      total: sinceFirst[t.length - 1],
      startS: t[0],
      endS: t[t.length - 1],
      resets,
      assumedZero,
      samples: { t, v: sinceFirst },
    }
  return {
    total: v[0] + sinceFirst[t.length - 1],
    startS: 0,
    endS: t[t.length - 1],
    resets,
    assumedZero,
    samples: { t: afterZero(t, 0), v: afterZero(sinceFirst, v[0]) },
  }
}

/** A column moved by `shift`, with 0 before it. A log may hold a million readings: none is spread into arguments. */
function afterZero(column: Float64Array, shift: number): Float64Array {
  const longer = new Float64Array(column.length + 1)
  for (let i = 0; i < column.length; i++) longer[i + 1] = column[i] + shift
  return longer
}

/** The most that can have been counted by the first reading. */
function mostBy(t: Float64Array, sinceFirst: Float64Array, highest: number, flow?: Samples): number {
  const known = flow ? firstAfter(flow.t, t[0]) : 0
  // Watts that were read only later say nothing of what flowed before, nor do those before the supply stepped up.
  if (flow && known > 0 && flow.t[known - 1] > AT_START_S) return PLAUSIBLE * atMost(flow, known, t[0])
  const most = (highest * t[0]) / 3600
  const fastest = fastestOf(t, sinceFirst)
  return t[0] <= EARLY_S && fastest > 0 ? Math.min(most, EARLY_RATIO * fastest * t[0]) : most
}

/** What can have flowed until `untilS`: between two readings as fast as at the faster of them. Only what flows in counts. */
function atMost({ t, v }: Samples, known: number, untilS: number): number {
  let hours = 0
  for (let i = 0; i <= known; i++) {
    const [from, to] = [i > 0 ? t[i - 1] : 0, i < known ? t[i] : untilS]
    const faster = Math.max(v[i - 1] ?? -Infinity, v[i] ?? -Infinity, 0)
    hours += (faster * (to - from)) / 3600
  }
  return hours
}

/** The last digit of a small meter says nothing of a rate over less than this, s. */
const RATE_OVER_S = 60

/** The fastest that a count grew over a minute or more, per second; NaN where it was not read over so long. */
function fastestOf(t: Float64Array, sinceFirst: Float64Array): number {
  let fastest = NaN
  let from = 0
  for (let i = 1; i < t.length; i++) {
    while (t[i] - t[from + 1] >= RATE_OVER_S) from++
    if (t[i] - t[from] < RATE_OVER_S) continue
    const rate = (sinceFirst[i] - sinceFirst[from]) / (t[i] - t[from])
    if (!(rate <= fastest)) fastest = rate
  }
  return fastest
}

/** What a count grew by between two moments, along straight lines between its readings, and how many seconds of them it covers. */
export function countBetween(
  count: Count,
  startS: number,
  endS: number,
): { total: number; coveredS: number } {
  const from = Math.max(startS, count.startS)
  const to = Math.min(endS, count.endS)
  if (!(to > from)) return { total: 0, coveredS: 0 }
  return { total: valueAt(count.samples, to) - valueAt(count.samples, from), coveredS: to - from }
}
