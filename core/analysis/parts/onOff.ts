import type { Samples } from '../../trace/samples'
import { binsOf } from './bins'

/** A stretch in which the charge was switched on and off in turn, s. */
export interface OnOff {
  startS: number
  endS: number
  /** How often it came on again. */
  cycles: number
}

/** Medians over so long: a spike is no switching. */
const SMOOTH_S = 5
/** Off is less than half of what it was, on again more than twice; by so much of the held peak at least. */
const RATIO = 2
const LEAST_SHARE = 0.03
/** So many times at least, no longer apart than this, s. */
const FEWEST = 3
const LONGEST_APART_S = 1200

/** Stretches of switching on and off, in order. Watts of a meter that reads each of the states at least once. */
export function onOffOf(watts: Samples, heldPeakW: number): OnOff[] {
  if (!(heldPeakW > 0)) return []
  const bins = binsOf(watts, SMOOTH_S)
  const rises = risesOf(bins, LEAST_SHARE * heldPeakW)
  const groups: { offS: number; onS: number }[][] = []
  for (const rise of rises) {
    const open = groups.at(-1)
    if (open && rise.onS - open[open.length - 1].onS <= LONGEST_APART_S) open.push(rise)
    else groups.push([rise])
  }
  return groups
    .filter((group) => group.length >= FEWEST)
    .map((group) => ({
      startS: group[0].offS,
      endS: group[group.length - 1].onS,
      cycles: group.length,
    }))
}

/** Each time it came on: when it had gone off before, and when it came on. */
function risesOf({ t, v }: Samples, least: number): { offS: number; onS: number }[] {
  const rises: { offS: number; onS: number }[] = []
  let low = NaN
  let high = -Infinity
  let offS = NaN
  for (let i = 0; i < t.length; i++) {
    const isLow = !Number.isNaN(low)
    if (!isLow) {
      high = Math.max(high, v[i])
      if (v[i] < high / RATIO && high - v[i] > least) [low, offS] = [v[i], t[i]]
      continue
    }
    if (v[i] > RATIO * Math.max(low, 0) && v[i] - low > least) {
      rises.push({ offS, onS: t[i] })
      high = v[i]
      low = NaN
    } else if (v[i] < low) {
      // What goes on falling has only now gone off.
      if (low - v[i] > least) offS = t[i]
      low = v[i]
    }
  }
  return rises
}
