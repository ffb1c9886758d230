import { drainingIn } from '../analysis/findings/draining'
import { standstills } from '../analysis/standstill'
import { supplyOf } from '../analysis/supply'
import type { AcceptanceCurve } from '../model/acceptance'
import { energyAt } from '../model/levelMap'
import { batteryPowerColumn, powerColumn, traceFromReadings, type Trace } from '../trace/trace'
import { anyRead, firstAtOrAfter, samplesOf, valueAt } from '../trace/samples'
import { duration, figure } from '../words/figures'
import type { LaneNow } from './due'

/** What a lane's reviewer should know while there is time: the run may be spoilt. */
export interface LaneWarning {
  code: 'watch' | 'stuck' | 'stalled' | 'protective-hold' | 'draining' | 'slow' | 'wrong-supply' | 'silent'
  message: string
  advice: string
}

/** What is expected of what was put together; NaN where it is not known. */
export interface Expected {
  /** W: what the two settle on; and what their meter shows of it, where that is more: before a pad. */
  agreedWatts: number
  meterWatts?: number
  agreedVolts: number
  usableWh: number
  /** The device's own, where a full run gave one; a generic one says too little. */
  curve: AcceptanceCurve | null
}

/** What happened before the last hour is history, s. */
const LOOK_BACK_S = 3600
/** Nothing is judged before so long, s: a supply steps up, a dead device wakes. */
const SETTLED_S = 180
/** A mean over so long, s, below this share of what is expected, is slow. */
const MEAN_S = 120
const SLOW_SHARE = 0.7
/** Without a run of the device what it takes is known below this level only, %. */
const UNKNOWN_FROM_PERCENT = 40
/** A level lower than agreed by more than this share is another one. */
const VOLTS_SHARE = 0.2
/** A meter that was heard and says nothing for so long, s. */
const SILENT_S = 60

/**
 * Warnings of a lane at this moment, the gravest first; none before three minutes. Looks back an hour at most: what it
 * costs does not grow with the run. The rules are those of the findings.
 */
export function laneWarnings(lane: LaneNow, expected: Expected): LaneWarning[] {
  const { state, elapsedS, setup } = lane
  if (elapsedS < SETTLED_S) return []
  const near = watchNow(lane)
  const readings = state.readings.since(elapsedS - LOOK_BACK_S)
  if (readings.length < 2) return setup.feed.kind === 'hand' ? near : silent(lane)
  const trace = traceFromReadings(readings)
  return [
    ...drains(trace),
    ...stands(trace, lane, expected),
    ...supplied(trace, expected),
    ...slow(trace, expected),
    ...silent(lane),
    ...near,
  ]
}

/** So near the level that ends the run, points, that the display is worth watching: read by hand, it is then known to seconds. */
const NEAR_POINTS = 2
function watchNow({ setup, state }: LaneNow): LaneWarning[] {
  const goal = setup.stop.kind === 'shown-full' ? 100 : setup.stop.kind === 'level' ? setup.stop.percent : NaN
  const shown = state.levels.last?.percent ?? NaN
  if (setup.feed.kind !== 'hand' || !(shown >= goal - NEAR_POINTS && shown < goal)) return []
  return [
    {
      code: 'watch',
      message: `${shown} %: watch it now.`,
      advice: `Press “it just turned” as the display shows ${goal} %: the time is then known to seconds.`,
    },
  ]
}

const drains = (trace: Trace): LaneWarning[] =>
  drainingIn(trace).map(({ message, advice }) => ({ code: 'draining', message, advice }))

function stands(trace: Trace, { state }: LaneNow, { usableWh }: Expected): LaneWarning[] {
  const watts = samplesOf(trace.time, powerColumn(trace))
  // By the battery's own watts where those are read, and then against the most of them.
  const heldPeakW = anyRead(batteryPowerColumn(trace)) ? state.mostBatteryWatts : state.mostWatts
  const last = standstills(trace, { heldPeakW, usableWh }).find((s) => s.isLast)
  if (!last || (last.kind === 'unknown' && watts.t.length > 0)) return []
  const how = `at ${last.percent} % for ${duration(last.endS - last.startS)}`
  switch (last.kind) {
    case 'stuck':
      return [
        {
          code: 'stuck',
          message: `The display stands ${how} while power flows.`,
          advice: 'Wake the screen: it may not refresh by itself.',
        },
      ]
    case 'held':
      return [
        {
          code: 'protective-hold',
          message: `The charge is held ${how}.`,
          advice: 'A protective setting seems to be on: switch it off, or end the run here.',
        },
      ]
    default:
      return [
        {
          code: 'stalled',
          message: `Nothing was gained ${how}.`,
          advice: 'Look at cable, plug and how the device lies on its pad.',
        },
      ]
  }
}

function supplied(trace: Trace, { agreedVolts }: Expected): LaneWarning[] {
  const levels = supplyOf(trace)
  const now = levels.at(-1)
  // Late in a charge a supply steps down by itself: only a run that never was higher is at the wrong level.
  const top = levels.reduce((most, s) => Math.max(most, s.volts), 0)
  if (!now || !(top < (1 - VOLTS_SHARE) * agreedVolts)) return []
  return [
    {
      code: 'wrong-supply',
      message: `The supply is at ${figure(now.volts, 1, 'V')}; the two should settle on ${figure(agreedVolts, 1, 'V')}.`,
      advice: 'Check cable and port, and whether both speak the same protocol.',
    },
  ]
}

/** Watts that a meter should show at a level; NaN where too little is known. */
export function wattsExpected(expected: Expected, percent: number): number {
  const { agreedWatts, meterWatts = NaN } = expected
  const share = meterWatts > agreedWatts ? meterWatts / agreedWatts : 1
  return share * wattsAt(expected, percent)
}

/** The same of the device. */
function wattsAt({ agreedWatts, curve }: Expected, percent: number): number {
  if (!curve) return percent < UNKNOWN_FROM_PERCENT ? agreedWatts : NaN
  const { energyWh, watts, restingW } = curve
  return Math.min(agreedWatts, valueAt({ t: energyWh, v: watts }, energyAt(curve, percent)) + restingW)
}

function slow(trace: Trace, expected: Expected): LaneWarning[] {
  const { t, v } = samplesOf(trace.time, powerColumn(trace))
  const percent = samplesOf(trace.time, trace.percent).v.at(-1) ?? NaN
  const wanted = wattsExpected(expected, percent)
  const from = firstAtOrAfter(t, t[t.length - 1] - MEAN_S)
  const recent = v.subarray(from)
  const mean = recent.reduce((sum, w) => sum + w, 0) / recent.length
  if (percent >= 100 || !(mean < SLOW_SHARE * wanted)) return []
  return [
    {
      code: 'slow',
      message: `It draws ${figure(mean, 1, 'W')}; ${figure(wanted, 1, 'W')} are expected ${expected.curve ? `at ${percent} % from a full run of this device` : 'of the two'}.`,
      advice: 'Wrong protocol, cable, port or heat: better found now than in the morning.',
    },
  ]
}

/** A meter that stopped telling. By hand, a reading that is due is called for elsewhere. */
function silent({ state, elapsedS, setup }: LaneNow): LaneWarning[] {
  if (setup.feed.kind !== 'instruments' || !(elapsedS - state.lastT > SILENT_S)) return []
  return [
    {
      code: 'silent',
      message: `No instrument has said anything for ${duration(elapsedS - state.lastT)}.`,
      advice: 'Look at its lead and its power; what it does not say is not filled in.',
    },
  ]
}
