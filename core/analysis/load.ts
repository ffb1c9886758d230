import type { TraceEvent } from '../trace/trace'
import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf } from '../trace/samples'

/** A stretch under a named load, s. */
export interface LoadPhase {
  name: string
  startS: number
  endS: number
}

/** Where the source's power went during a phase: W as means; battery power is negative while it drains. */
export interface LoadSplit extends LoadPhase {
  sourceW: number
  batteryW: number
  /** What the device used, losses counted with it. */
  systemW: number
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
 * Source power = battery power + system power, by phase. Battery power is as read where the trace carries it,
 * else the level's change over the phase times usable capacity (Wh).
 */
export function loadSplit(trace: Trace, events: readonly TraceEvent[], usableWh: number): LoadSplit[] {
  const endS = trace.time.length ? trace.time[trace.time.length - 1] : 0
  const power = powerColumn(trace)
  return loadPhases(events, endS).map((phase) => {
    const sourceW = meanWithin(trace.time, power, phase)
    const batteryW = batteryWithin(trace, phase, usableWh)
    const level = levelAt(trace, phase.endS)
    return {
      ...phase,
      sourceW,
      batteryW,
      systemW: sourceW - batteryW,
      hoursToEmpty: batteryW < 0 ? ((level / 100) * usableWh) / -batteryW : NaN,
    }
  })
}

function meanWithin(
  time: Float64Array,
  column: Float64Array | undefined,
  { startS, endS }: LoadPhase,
): number {
  const { t, v } = samplesOf(time, column)
  const kept = v.subarray(firstAtOrAfter(t, startS), firstAtOrAfter(t, endS + 1e-9))
  return kept.length ? kept.reduce((a, b) => a + b, 0) / kept.length : NaN
}

function batteryWithin(trace: Trace, phase: LoadPhase, usableWh: number): number {
  const read = meanWithin(trace.time, trace.batteryPower, phase)
  if (!Number.isNaN(read)) return read
  const points = levelAt(trace, phase.endS) - levelAt(trace, phase.startS)
  return ((points / 100) * usableWh * 3600) / (phase.endS - phase.startS)
}

/** The level last shown at a moment; the first shown, before any was. */
function levelAt(trace: Trace, at: number): number {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const after = firstAtOrAfter(t, at + 1e-9)
  return v.length ? v[Math.max(0, after - 1)] : NaN
}
