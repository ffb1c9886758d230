import { powerColumn, type Trace } from '../trace/trace'
import { highestAt, medianInterval, samplesOf, type Samples } from '../trace/samples'
import { cut, gapThreshold, integrate } from './integral'
import { milestoneOfLevel } from './levels'

/** Peaks and means of the meter's watts. NaN where there is no power to speak of. */
export interface PowerFigures {
  /** Highest single reading, W, and its time, s. */
  peakW: number
  peakAtS: number
  /** Highest mean over any 60 s window, W. */
  heldPeakW: number
  heldPeakAtS: number
  /** True when the readings lie too far apart for a window: the held peak is then the highest reading. */
  coarse: boolean
  /** Mean over the time that was watched, W. */
  meanW: number
  /** Readings above 1.1 × the held peak. */
  spikes: { atS: number; watts: number }[]
}

const WINDOW_S = 60
const COARSE_ABOVE_S = 30
const SPIKE_RATIO = 1.1

/** Peak, held peak, mean and spikes. */
export function power(trace: Trace): PowerFigures {
  const samples = samplesOf(trace.time, powerColumn(trace))
  const { t, v } = samples
  if (t.length === 0)
    return {
      peakW: NaN,
      peakAtS: NaN,
      heldPeakW: NaN,
      heldPeakAtS: NaN,
      coarse: false,
      meanW: NaN,
      spikes: [],
    }
  const top = highestAt(v)
  const held = heldPeak(samples)
  const coarse = held === undefined
  const { measured, measuredS } = integrate(samples)
  const heldPeakW = held?.watts ?? v[top]
  return {
    peakW: v[top],
    peakAtS: t[top],
    heldPeakW,
    heldPeakAtS: held?.startS ?? t[top],
    coarse,
    meanW: measuredS > 0 ? measured / measuredS : v[top],
    spikes: coarse ? [] : spikesAbove(samples, SPIKE_RATIO * heldPeakW),
  }
}

function spikesAbove({ t, v }: Samples, limit: number): PowerFigures['spikes'] {
  const found: PowerFigures['spikes'] = []
  for (let i = 0; i < t.length; i++) if (v[i] > limit) found.push({ atS: t[i], watts: v[i] })
  return found
}

/**
 * Highest mean over any 60 s of unbroken readings; undefined when they are more than 30 s apart or too short.
 * The window's mean is piecewise smooth between moments at which either edge meets a reading; inside such a
 * stretch it can only peak where both edges carry the same power, so those points are tried as well.
 */
function heldPeak(samples: Samples): { watts: number; startS: number } | undefined {
  const { t, v } = samples
  if (!(medianInterval(samples) <= COARSE_ABOVE_S)) return undefined
  const energy = new Float64Array(t.length)
  for (let i = 1; i < t.length; i++) energy[i] = energy[i - 1] + ((v[i] + v[i - 1]) / 2) * (t[i] - t[i - 1])
  const lastGapEnd = gapEnds(t, gapThreshold(samples))

  const wattsAt = (cursor: number, time: number): number => {
    const span = t[cursor + 1] - t[cursor]
    return span > 0 ? v[cursor] + ((v[cursor + 1] - v[cursor]) * (time - t[cursor])) / span : v[cursor]
  }
  /** Joules up to a moment: two numbers apart, no pair for each of a million readings. */
  const joulesAt = (cursor: number, time: number): number =>
    energy[cursor] + ((v[cursor] + wattsAt(cursor, time)) / 2) * (time - t[cursor])

  let [best, bestS] = [-Infinity, NaN]
  const meanFrom = (left: number, right: number, startS: number): number =>
    (joulesAt(right, startS + WINDOW_S) - joulesAt(left, startS)) / WINDOW_S
  let left = 0
  let right = 0
  let start = t[0]
  const last = t[t.length - 1]
  while (start + WINDOW_S <= last) {
    while (left < t.length - 2 && t[left + 1] <= start) left++
    while (right < t.length - 2 && t[right + 1] <= start + WINDOW_S) right++
    const next = Math.min(t[left + 1], t[right + 1] - WINDOW_S)
    const stop = Math.max(next, start)
    const lastRead = t[right] >= start + WINDOW_S ? right : right + 1
    if (lastGapEnd[lastRead] <= start) {
      const watts = meanFrom(left, right, start)
      if (watts > best) [best, bestS] = [watts, start]
    }
    if (lastGapEnd[right + 1] <= start) {
      const d0 = wattsAt(right, start + WINDOW_S) - wattsAt(left, start)
      const d1 = wattsAt(right, stop + WINDOW_S) - wattsAt(left, stop)
      if (d0 > 0 && d1 < 0) {
        const top = start + ((stop - start) * d0) / (d0 - d1)
        const watts = meanFrom(left, right, top)
        if (watts > best) [best, bestS] = [watts, top]
      }
    }
    if (stop > start) start = stop
    else if (start + WINDOW_S >= last) break
    else start = t[left + 1] // rounding left no progress: go on to the next reading
  }
  return best > -Infinity ? { watts: best, startS: bestS } : undefined
}

/** For each reading, the time at which the last gap before it ended (−∞ when there was none). */
function gapEnds(t: Float64Array, threshold: number): Float64Array {
  const ends = new Float64Array(t.length).fill(-Infinity)
  for (let i = 1; i < t.length; i++) ends[i] = t[i] - t[i - 1] > threshold ? t[i] : ends[i - 1]
  return ends
}

/** Mean power and charging rate within one band of level. */
export interface Band {
  fromPercent: number
  toPercent: number
  /** When the level was in it, s; NaN where it never was. */
  startS: number
  endS: number
  /** W; NaN when the meter did not cover it. */
  meanW: number
  /** Percentage points per minute; NaN when the band was not entered. */
  pointsPerMinute: number
  /** True when the run covers only part of the band. */
  partial: boolean
}

const BAND_EDGES = [0, 20, 50, 80, 100]

/** Mean power and rate for 0–20, 20–50, 50–80 and 80–100 %. */
export function bands(trace: Trace): Band[] {
  const watts = samplesOf(trace.time, powerColumn(trace))
  const shown = samplesOf(trace.time, trace.percent)
  return BAND_EDGES.slice(1).map((toPercent, i) => {
    const fromPercent = BAND_EDGES[i]
    const enter = milestoneOfLevel(shown, watts, fromPercent)
    const leave = milestoneOfLevel(shown, watts, toPercent)
    const seconds = leave.t - enter.t
    if (!(seconds > 0))
      return {
        fromPercent,
        toPercent,
        startS: NaN,
        endS: NaN,
        meanW: NaN,
        pointsPerMinute: NaN,
        partial: true,
      }
    const { measured, bridged, measuredS, bridgedS } = integrate(cut(watts, enter.t, leave.t), {
      threshold: gapThreshold(watts),
    })
    return {
      fromPercent,
      toPercent,
      startS: enter.t,
      endS: leave.t,
      meanW: measuredS + bridgedS > 0 ? (measured + bridged) / (measuredS + bridgedS) : NaN,
      pointsPerMinute: (60 * (leave.level - enter.level)) / seconds,
      partial: enter.level > fromPercent || leave.level < toPercent,
    }
  })
}
