import type { Rule } from './finding'

/** Readings above the held peak by more than a tenth: named once, at the highest. */
export const spikes: Rule = ({ power }) => {
  if (power.spikes.length === 0) return []
  const top = power.spikes.reduce((a, b) => (b.watts > a.watts ? b : a))
  return [
    {
      code: 'spike',
      severity: 'notice',
      atS: top.atS,
      message: `${power.spikes.length} ${power.spikes.length === 1 ? 'reading stands' : 'readings stand'} more than a tenth above the held peak; the highest is ${top.watts.toFixed(1)} W.`,
      advice: 'Quote the held peak.',
    },
  ]
}
