import type { Rule } from './finding'

/** A level lower than the agreed one by more than this share is another level. */
const SHARE = 0.2
/** Within the first minute the supply may still be at its start, s. */
const SETTLED_S = 60

/** The supply never came to the level on which source and device should have settled. */
export const wrongSupply: Rule = ({ supply, context: { expectedVolts } }) => {
  const settled = supply.filter(({ endS }) => endS > SETTLED_S)
  if (!(expectedVolts > 0) || settled.length === 0) return []
  const top = settled.reduce((best, s) => (s.volts > best.volts ? s : best))
  if (top.volts >= (1 - SHARE) * expectedVolts) return []
  return [
    {
      code: 'wrong-supply',
      severity: 'warning',
      atS: top.startS,
      message: `The supply stayed at ${top.volts.toFixed(1)} V; the two should settle on ${expectedVolts.toFixed(1)} V.`,
      advice: 'Check the cable and the port, and whether both speak the same protocol.',
    },
  ]
}
