import { highestAt, type Samples } from '../trace/samples'
import { timeAtShare } from './bracket'

/**
 * When the shown level first crosses `percent`, clamped to the run: a run that starts above enters at its
 * start, one that ends below leaves at its end. Seconds and percentage points; NaN without readings.
 */
export function milestoneOfLevel(
  shown: Samples,
  power: Samples,
  percent: number,
): { t: number; level: number } {
  const { t, v } = shown
  if (t.length === 0) return { t: NaN, level: NaN }
  if (v[0] >= percent) return { t: t[0], level: v[0] }
  const seen = v.findIndex((level) => level >= percent)
  if (seen < 0) {
    // The highest level shown, at its first showing: a plateau at the end is not part of the band's time.
    const top = highestAt(v)
    return { t: t[top], level: v[top] }
  }
  const share = (percent - v[seen - 1]) / (v[seen] - v[seen - 1])
  return { t: timeAtShare(power, t[seen - 1], t[seen], share), level: percent }
}
