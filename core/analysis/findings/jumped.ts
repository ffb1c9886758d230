import { samplesOf } from '../../trace/samples'
import { powerColumn } from '../../trace/trace'
import { passed, energyFlow } from '../flow'
import type { Finding, Rule } from './finding'

/** A jump is more than twice what the energy allows, and so many points more. */
const RATIO = 2
const POINTS = 4

/** A level that rose by more than the energy of its step allows, without having stood still before it. */
export const jumped: Rule = ({ trace, standstills, usableWh }) => {
  const { t, v } = samplesOf(trace.time, trace.percent)
  if (!powerColumn(trace) || !(usableWh > 0)) return []
  const flow = energyFlow(trace)
  const found: Finding[] = []
  for (let i = 1; i < t.length; i++) {
    const gained = v[i] - v[i - 1]
    if (gained <= POINTS || standstills.some(({ endS }) => endS === t[i - 1])) continue
    const { measured, bridged } = passed(flow, { startS: t[i - 1], endS: t[i] })
    const most = (100 * (measured + bridged)) / usableWh
    if (!(gained > RATIO * most && gained > most + POINTS)) continue
    found.push({
      code: 'jumped',
      severity: 'warning',
      atS: t[i],
      message: `The level rose from ${v[i - 1]} to ${v[i]} % with energy for ${Math.max(0, Math.round(most))} points at most.`,
      advice:
        'The gauge corrected itself, or a reading is wrong: check it, and do not quote times across it.',
    })
  }
  return found
}
