import { medianInterval, type Samples } from '../../trace/samples'

/** Up to this far apart, s, levels show when the display turned; further apart they show what it stood at. */
const TURNS_UP_TO_S = 60

/** Levels under a whole-point display at moments of its own clock. Points; seconds. */
export interface LevelPoints extends Samples {
  /** Standard uncertainty of a moment, s: half the step between two looks, rectangular. */
  momentU: number
}

/**
 * What a display tells of the level under it: where it is looked at often, the level that it has just turned to, half
 * way between two looks; else half a point above what it shows. Nothing from full on: a display says it early.
 */
export function levelPoints(shown: Samples): LevelPoints {
  const often = medianInterval(shown) <= TURNS_UP_TO_S
  const t: number[] = []
  const v: number[] = []
  let squares = 0
  for (let i = 1; i < shown.t.length && shown.v[i] < 100; i++) {
    const step = shown.t[i] - shown.t[i - 1]
    const turned = shown.v[i] - shown.v[i - 1]
    if (often && (turned !== 1 || step > TURNS_UP_TO_S)) continue
    t.push(often ? shown.t[i] - step / 2 : shown.t[i])
    v.push(often ? shown.v[i] : shown.v[i] + 0.5)
    squares += often ? (step * step) / 12 : 0
  }
  return { t: Float64Array.from(t), v: Float64Array.from(v), momentU: Math.sqrt(squares / (t.length || 1)) }
}
