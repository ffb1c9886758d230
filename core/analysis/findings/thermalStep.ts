import { hottestNear } from '../parts/parts'
import type { Finding, Rule } from './finding'

/** A part that ended while it was hot and there was still room. */
export const thermalStep: Rule = ({ trace, parts }) =>
  parts
    .filter((part) => part.endedBy === 'heat')
    .map((part): Finding => ({
      code: 'thermal-step',
      severity: 'notice',
      atS: part.endS,
      message: `Power stepped down at ${Math.round(part.endPercent)} % with ${hottestNear(trace, part.endS).toFixed(1)} °C on the device: probably heat.`,
      advice:
        'A stronger source can lose to a weaker one this way: compare with a run in a cooler place before calling it slower.',
    }))
