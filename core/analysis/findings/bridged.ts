import type { Rule } from './finding'

/** Share of the energy above which what was bridged is more than a blemish. */
const BRIDGED_SHARE = 0.1

/** More than a tenth of the energy flowed while nobody read the meter. */
export const bridged: Rule = ({ energy: { energyWh, bridgedWh } }) => {
  const share = Math.abs(bridgedWh) / (Math.abs(energyWh) + Math.abs(bridgedWh))
  if (!(share > BRIDGED_SHARE)) return []
  return [
    {
      code: 'bridged',
      severity: 'warning',
      atS: NaN,
      message: `${Math.round(100 * share)} % of the energy was bridged, not measured.`,
      advice: 'Read the watts more often, or read the meter’s own count of watt-hours.',
    },
  ]
}
