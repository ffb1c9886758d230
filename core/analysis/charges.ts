import { bisector, median } from 'd3-array'
import { firstAfter, firstAtOrAfter, samplesOf, type Samples } from '../trace/samples'
import { batteryPowerColumn, currentColumn, powerColumn, type Trace } from '../trace/trace'
import { idleBefore } from './idle'
import { flowLimit } from './joining/onset'

/** One charge of a record that holds several: a stretch of its clock, s. */
export interface Charge {
  /** Power-on: the last reading before current flows for good, or before the level rises. */
  fromS: number
  /** The last moment that still tells of it; Infinity of the last charge, which the record's end ends. */
  toS: number
  /** Whether it surely is another one than the one before; a hold or a pause in the middle of one may look alike. */
  isSure: boolean
}

/** A level that fell by so much and rose again by so much was drained between two charges. Points. */
const [FALL, RISE] = [10, 5]
/** Between two charges nothing flows for so long, where the level tells that it fell, and where nothing does. s */
const [PAUSE_S, LONG_PAUSE_S] = [60, 300]
/** A top-up of a full battery brings less than this share of what flowed before it. */
const TOP_UP_SHARE = 0.1
/** What had tapered before a pause and flows so many times as strongly behind it flows into another battery, or one drained since. */
const ANEW = 2
/** How much of a stretch tells how strongly it ends, or begins. s */
const TOLD_BY_S = 120
/** What looks like more charges than this is a gauge that cannot be believed. */
const MOST = 50
/** What flows for less than this is no charge. s */
const SHORT_S = 60
/** A resting plateau is told from so much of its end: it stays with its charge. s */
const REST_S = 300

/** Samples from one position up to another, not included. */
interface Stretch {
  from: number
  until: number
}

/**
 * The charges of a record that holds several, as a meter or a device logs them that was left running while one was
 * followed by the next; empty for a record of one.
 *
 * By the level, where there is one: it fell by 10 points and more and rose again, while nothing flowed or within one step.
 * What falls while power flows was drained under load, and is no other charge. Else by what flows: nothing for five
 * minutes, then more than a top-up. That is another charge for sure where what had tapered flows at twice the strength
 * again; else a hold, or a pause, may look the same.
 *
 * @param trace seconds, percentage points, watts or amperes
 * @example chargesIn(overnight).map(({ fromS, toS }) => [fromS, toS]) // [[0, 6120], [7320, Infinity]]
 */
export function chargesIn(trace: Trace): Charge[] {
  const column =
    powerColumn(trace) ?? currentColumn(trace) ?? batteryPowerColumn(trace) ?? trace.batteryCurrent
  const flow = samplesOf(trace.time, column)
  const levels = samplesOf(trace.time, trace.percent)
  const later = levels.t.length > 2 ? byLevel(levels, flow) : byFlow(flow)
  if (later.length === 0 || later.length >= MOST) return []
  const begins = [idleBefore(trace), ...later.map(({ fromS }) => fromS)]
  return begins.map((fromS, i) => ({
    fromS,
    toS: i < later.length ? Math.min(later[i].endS, begins[i + 1]) : Infinity,
    isSure: i === 0 || later[i - 1].isSure,
  }))
}

/** The charges that surely are some: what may be a hold or a pause stays with the one before it. One where none is sure. */
export function surely(charges: readonly Charge[]): Charge[] {
  const found: Charge[] = []
  for (const charge of charges) {
    const before = found.at(-1)
    if (before && !charge.isSure) found[found.length - 1] = { ...before, toS: charge.toS }
    else found.push(charge)
  }
  return found
}

/** A later charge, and the end of the one before it. */
interface Later {
  fromS: number
  endS: number
  isSure: boolean
}

function byLevel({ t, v }: Samples, flow: Samples): Later[] {
  const valleys = valleysOf(v)
  if (valleys.length === 0) return []
  const found: Later[] = []
  const flowing = stretchesOf(flow, PAUSE_S)
  const endsAfter = bisector(({ until }: Stretch) => flow.t[until - 1]).right
  const beginsBy = bisector(({ from }: Stretch) => flow.t[from]).left
  for (const { topAt, leftAt, troughAt } of valleys) {
    const isStep = v.subarray(leftAt, troughAt + 1).some((level, i) => v[leftAt + i - 1] - level >= FALL)
    const next = flowing[endsAfter(flowing, t[troughAt])]
    const before = flowing[beginsBy(flowing, t[leftAt]) - 1]
    const fullS = t[leftAt - 1]
    if (next && before && next !== before)
      found.push({ fromS: beginOf(flow, next), endS: Math.min(fullS, restOf(flow, before)), isSure: true })
    else if (flow.t.length === 0)
      found.push({ fromS: t[troughAt], endS: Math.min(fullS, t[topAt] + REST_S), isSure: isStep })
    // Fed all the while, and drained all the same, is one run under load: no load takes so much within a step.
    else if (isStep) found.push({ fromS: t[troughAt], endS: fullS, isSure: true })
  }
  return found
}

/** A level that rose, fell and rose again for good, by positions. */
interface Valley {
  /** The first reading at its highest before it. */
  topAt: number
  /** The first reading that had left that. */
  leftAt: number
  /** The last reading at its lowest. */
  troughAt: number
}

function valleysOf(v: Float64Array): Valley[] {
  const found: Valley[] = []
  let [least, topAt, troughAt] = [v[0], 0, 0]
  for (let i = 1; i < v.length; i++) {
    if (v[i] > v[topAt]) [topAt, troughAt] = [i, i]
    else if (v[i] <= v[troughAt]) troughAt = i
    const fall = v[topAt] - v[troughAt]
    const rise = v[i] - v[troughAt]
    if (fall < FALL || rise < RISE) continue
    // One reading alone that says something else was read wrongly: what follows stands where it stood before.
    if (i - troughAt === 1 && rise > fall / 2) {
      troughAt = i
      continue
    }
    // What fell without having risen was drained before its charge.
    if (v[topAt] - least >= RISE) found.push({ topAt, leftAt: leftBefore(v, troughAt, v[topAt]), troughAt })
    least = v[troughAt]
    topAt = troughAt = i
  }
  return found
}

/** The first position from which a column stays more than a point below its highest, up to another position. */
function leftBefore(v: Float64Array, until: number, top: number): number {
  let i = until
  while (i > 1 && v[i - 1] < top - 1) i--
  return i
}

function byFlow(flow: Samples): Later[] {
  const found: Later[] = []
  let before: Stretch | undefined
  let amount = 0
  for (const next of stretchesOf(flow, LONG_PAUSE_S)) {
    const more = amountOf(flow, next)
    if (!before || more < TOP_UP_SHARE * amount) {
      before = { from: before?.from ?? next.from, until: next.until }
      amount += more
      continue
    }
    found.push({
      fromS: beginOf(flow, next),
      endS: restOf(flow, before),
      isSure: beginning(flow, next) >= ANEW * ending(flow, before),
    })
    before = next
    amount = more
  }
  return found
}

/** Where something flows, parted where nothing does for that long: shorter breaks are of the stretch they interrupt. */
function stretchesOf({ t, v }: Samples, pauseS: number): Stretch[] {
  const limit = flowLimit(v)
  const found: Stretch[] = []
  let last: Stretch | undefined
  for (let i = 0; i < t.length; i++) {
    if (!(v[i] > limit)) continue
    // What was read coarsely is parted by a reading of nothing, and not by the time between two that flow.
    const isApart = last && i > last.until && t[i] - t[last.until] >= pauseS
    if (last && !isApart) last.until = i + 1
    else found.push((last = { from: i, until: i + 1 }))
  }
  return found.filter(({ from, until }) => t[until - 1] - t[from] >= SHORT_S)
}

const beginOf = ({ t }: Samples, { from }: Stretch): number => t[Math.max(0, from - 1)]
/** The last reading within five minutes of where a stretch ends. */
const restOf = ({ t }: Samples, { until }: Stretch): number => t[firstAfter(t, t[until - 1] + REST_S) - 1]

/** What flowed in a stretch, by the trapezoidal rule, in the flow's unit times seconds. */
function amountOf({ t, v }: Samples, { from, until }: Stretch): number {
  let sum = 0
  for (let i = from + 1; i < until; i++) sum += ((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])
  return sum
}

const beginning = ({ t, v }: Samples, { from, until }: Stretch): number =>
  median(v.subarray(from, Math.min(until, firstAfter(t, t[from] + TOLD_BY_S))))!
const ending = ({ t, v }: Samples, { from, until }: Stretch): number =>
  median(v.subarray(Math.max(from, firstAtOrAfter(t, t[until - 1] - TOLD_BY_S)), until))!
