import { fitLine } from '../stats/line'
import { powerColumn, type Trace } from '../trace/trace'
import { firstAtOrAfter, samplesOf, type Samples } from '../trace/samples'
import { gapThreshold } from './integral'

/** "Down" is below the resting plateau plus this share of the way from there to the held peak. */
export const TAPER_SHARE = 0.05
/** So much record there must be of it, s. */
const QUIET_S = 60
/** The plateau is looked for in the last five minutes: in all of them, else in fewer, s. */
const PLATEAU_WITHIN_S = [300, 240, 180, 120, 60]
/** Level is what drifts by no more than this share of itself a minute; a taper falls by several times as much. */
const LEVEL_DRIFT = 0.02
/** Where no display says "full", only so small a share of the held peak can be what a full device draws. */
const RESTING_SHARE = 0.2

/**
 * What the device draws when full, W: the level part of the last five minutes of the watts, where there is one and
 * the display showed 100 all through it (without a display: where it is a small share of the held peak). Else 0.
 */
export function restingPlateau(trace: Trace, heldPeakW: number): number {
  const watts = samplesOf(trace.time, powerColumn(trace))
  const shown = samplesOf(trace.time, trace.percent)
  const endS = watts.t[watts.t.length - 1]
  const lastBelow = shown.v.findLastIndex((level) => level < 100)
  const fullSince = shown.t.length === 0 ? -Infinity : (shown.t[lastBelow + 1] ?? Infinity)
  for (const within of PLATEAU_WITHIN_S) {
    const from = firstAtOrAfter(watts.t, endS - within)
    if (watts.t[from] < fullSince || endS - watts.t[from] < Math.min(within, QUIET_S)) continue
    const plateau = levelPart({ t: watts.t.subarray(from), v: watts.v.subarray(from) })
    if (Number.isNaN(plateau)) continue
    if (shown.t.length > 0 || plateau <= RESTING_SHARE * heldPeakW) return plateau
  }
  return 0
}

/** The mean of samples that do not drift; NaN where they do. */
function levelPart({ t, v }: Samples): number {
  const { slope, mean } = fitLine(t, v)
  return Math.abs(slope) * 60 <= LEVEL_DRIFT * Math.abs(mean) ? mean : NaN
}

/**
 * Taper end: the earliest reading (s) after the held peak from which power stays down for good, with at least 60 s
 * of unbroken record of it. NaN when it never does. A pause in mid-charge that ends is none.
 */
export function taperEnd(trace: Trace, heldPeakW: number, heldPeakAtS: number): number {
  if (!(heldPeakW > 0)) return NaN
  const { t, v } = samplesOf(trace.time, powerColumn(trace))
  const plateau = restingPlateau(trace, heldPeakW)
  const limit = plateau + TAPER_SHARE * (heldPeakW - plateau)
  const down = v.findLastIndex((watts, i) => !(watts < limit) || t[i] <= heldPeakAtS) + 1
  const gap = gapThreshold({ t, v })
  let recordS = 0
  for (let i = down + 1; i < t.length; i++) if (t[i] - t[i - 1] <= gap) recordS += t[i] - t[i - 1]
  return recordS >= QUIET_S ? t[down] : NaN
}
