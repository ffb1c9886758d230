import { samplesOf } from '../../trace/samples'
import { energyFlow, passed } from '../flow'
import type { Rule } from './finding'

/** Over so many points the display's own step no longer matters. */
const OVER_POINTS = 15
/** By so much more than was delivered: two whole-point displays, and the capacity's own tenth. */
const SLACK_POINTS = 2
const SLACK_SHARE = 1.1

/** Somewhere the level gained more than went past the meter, though the run as a whole may look right. */
export const gainExceeds: Rule = ({ trace, usableWh, efficiency }) => {
  const { t, v } = samplesOf(trace.time, trace.percent)
  if (!(usableWh > 0) || efficiency.value > 1) return []
  const flow = energyFlow(trace)
  let from = 0
  for (let i = 1; i < t.length; i++) {
    if (v[i] - v[from] < OVER_POINTS) continue
    const { measured, bridged } = passed(flow, { startS: t[from], endS: t[i] })
    const delivered = (100 * (measured + bridged)) / usableWh
    if (v[i] - v[from] > SLACK_SHARE * delivered + SLACK_POINTS)
      return [
        {
          code: 'gain-exceeds-energy',
          severity: 'warning',
          atS: t[i],
          message: `From ${v[from]} to ${v[i]} % the battery gained more than the meter delivered (energy for ${Math.round(delivered)} points).`,
          advice:
            'Check the meter’s clock against the levels, and the capacity; the level may have caught up.',
        },
      ]
    from = i
  }
  return []
}
