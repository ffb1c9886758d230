import { samplesOf } from '../../trace/samples'
import type { Finding, Rule } from './finding'

/** A level that falls by more than a point between two readings. */
export const levelFell: Rule = ({ trace }) => {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const found: Finding[] = []
  for (let i = 1; i < t.length; i++) {
    if (v[i - 1] - v[i] <= 1) continue
    found.push({
      code: 'level-fell',
      severity: 'warning',
      atS: t[i],
      message: `The level fell from ${v[i - 1]} % to ${v[i]} %.`,
      advice:
        'Check the reading; if it is right, the source was not keeping up or the gauge corrected itself.',
    })
  }
  return found
}
