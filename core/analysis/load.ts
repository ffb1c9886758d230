import { batteryPowerColumn, type TraceEvent } from '../trace/trace'
import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf, type Samples } from '../trace/samples'
import { mean } from '../stats/mean'

/** A stretch under a named load, s. */
export interface LoadPhase {
  name: string
  startS: number
  endS: number
}

/** Readings of source and battery further apart than this, s, were not taken together. */
const TOGETHER_S = 10
/** A load is steady where its watts keep within this share of their mean. */
const STEADY_SHARE = 0.1

/** Where the source's power went during a phase: W as means; battery power is negative while it drains. */
export interface LoadSplit extends LoadPhase {
  sourceW: number
  batteryW: number
  /** Whether the battery's watts were read, or worked out of its level. */
  batteryFrom: 'readings' | 'level'
  /** What the device used, losses counted with it; NaN where it cannot be told, with the reason. */
  systemW: number
  reason?: string
  /** Hours until empty at this rate; NaN while it does not drain. */
  hoursToEmpty: number
}

/** Phases between "load started" and "load stopped"; one still open runs to the end. */
export function loadPhases(events: readonly TraceEvent[], endS: number): LoadPhase[] {
  const phases: LoadPhase[] = []
  let open: { name: string; startS: number } | undefined
  for (const event of [...events].sort((a, b) => a.t - b.t)) {
    if (event.kind !== 'load-start' && event.kind !== 'load-stop') continue
    if (open && event.t > open.startS) phases.push({ ...open, endS: event.t })
    open = event.kind === 'load-start' ? { name: event.text, startS: event.t } : undefined
  }
  if (open && endS > open.startS) phases.push({ ...open, endS })
  return phases
}

/**
 * Source power = battery power + system power, by phase. Battery power is as read where the trace carries it, else the
 * level's change over the phase times usable capacity (Wh). Where both are read, they count where they were read
 * together; under a steady load any readings will do, under a changing one those further apart tell nothing.
 */
export function loadSplit(trace: Trace, events: readonly TraceEvent[], usableWh: number): LoadSplit[] {
  const endS = trace.time.length ? trace.time[trace.time.length - 1] : 0
  const [source, battery] = [powerColumn(trace), batteryPowerColumn(trace)].map((c) =>
    samplesOf(trace.time, c),
  )
  return loadPhases(events, endS).map((phase) => {
    const split = splitOf(within(source, phase), within(battery, phase), () =>
      byLevel(trace, phase, usableWh),
    )
    const level = levelAt(trace, phase.endS)
    return {
      ...phase,
      ...split,
      hoursToEmpty: split.batteryW < 0 ? ((level / 100) * usableWh) / -split.batteryW : NaN,
    }
  })
}

type Split = Pick<LoadSplit, 'sourceW' | 'batteryW' | 'batteryFrom' | 'systemW' | 'reason'>

function splitOf(source: Samples, battery: Samples, levelW: () => number): Split {
  if (battery.v.length === 0) {
    const [sourceW, batteryW] = [meanOf(source.v), levelW()]
    return { sourceW, batteryW, batteryFrom: 'level', systemW: sourceW - batteryW }
  }
  const batteryFrom = 'readings'
  const pairs = Array.from(
    battery.t,
    (at, i) => [nearest(source, at, TOGETHER_S), battery.v[i]] as const,
  ).filter(([w]) => !Number.isNaN(w))
  if (pairs.length > 0) {
    const [sourceW, batteryW] = [meanOf(pairs.map(([w]) => w)), meanOf(pairs.map(([, w]) => w))]
    return { sourceW, batteryW, batteryFrom, systemW: sourceW - batteryW }
  }
  const [sourceW, batteryW] = [meanOf(source.v), meanOf(battery.v)]
  if (steady(source.v) && steady(battery.v))
    return { sourceW, batteryW, batteryFrom, systemW: sourceW - batteryW }
  return {
    sourceW,
    batteryW,
    batteryFrom,
    systemW: NaN,
    reason: source.v.length
      ? 'Source and battery were read more than 10 s apart while the load changed.'
      : 'The source was not read.',
  }
}

const meanOf = (v: ArrayLike<number>): number => (v.length ? mean(v) : NaN)

/** More than one reading, all within a share of their mean. One alone shows nothing of the kind. */
const steady = (v: Float64Array): boolean =>
  v.length > 1 && v.every((w) => Math.abs(w - mean(v)) <= STEADY_SHARE * Math.abs(mean(v)))

function within({ t, v }: Samples, { startS, endS }: LoadPhase): Samples {
  const [from, to] = [firstAtOrAfter(t, startS), firstAtOrAfter(t, endS + 1e-9)]
  return { t: t.subarray(from, to), v: v.subarray(from, to) }
}

/** The value read nearest to a moment; NaN where none lies within `reachS`. */
function nearest({ t, v }: Samples, at: number, reachS: number): number {
  const after = firstAtOrAfter(t, at)
  const near = after > 0 && !(t[after] - at <= at - t[after - 1]) ? after - 1 : after
  return near < t.length && Math.abs(t[near] - at) <= reachS ? v[near] : NaN
}

function byLevel(trace: Trace, phase: LoadPhase, usableWh: number): number {
  const points = levelAt(trace, phase.endS) - levelAt(trace, phase.startS)
  return ((points / 100) * usableWh * 3600) / (phase.endS - phase.startS)
}

function levelAt(trace: Trace, at: number): number {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const after = firstAtOrAfter(t, at + 1e-9)
  return v.length ? v[Math.max(0, after - 1)] : NaN
}
