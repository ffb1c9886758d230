import { batteryPowerColumn, powerColumn } from '../../trace/trace'
import { firstAtOrAfter, samplesOf } from '../../trace/samples'
import { notice, type Rule } from './finding'

/** Source and battery further apart than this, s, were not read together. */
const TOGETHER_S = 10
/** So many in a hundred may be alone. */
const ALONE_SHARE = 0.05

/** Readings of one end without the other, where both ends were read. */
export const oneEnd: Rule = ({ trace }) => {
  const source = samplesOf(trace.time, powerColumn(trace))
  const battery = samplesOf(trace.time, batteryPowerColumn(trace))
  if (source.t.length === 0 || battery.t.length === 0) return []
  let alone = 0
  for (const at of battery.t) {
    const next = source.t[firstAtOrAfter(source.t, at - TOGETHER_S)]
    if (!(next <= at + TOGETHER_S)) alone++
  }
  if (alone <= ALONE_SHARE * battery.t.length) return []
  return [
    notice(
      'one-end',
      `${alone} of ${battery.t.length} readings at the battery stand without one at the source within ${TOGETHER_S} s.`,
      'Read both ends one right after the other: under a changing load the rest give no system power.',
    ),
  ]
}
