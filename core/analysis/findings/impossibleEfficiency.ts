import type { Rule } from './finding'

/** More energy in the battery than went past the meter. */
export const impossibleEfficiency: Rule = ({ efficiency }) => {
  if (!(efficiency.value > 1)) return []
  return [
    {
      code: 'impossible-efficiency',
      severity: 'blocking',
      atS: NaN,
      message: `The battery would have gained more than the meter delivered (${Math.round(efficiency.value * 100)} %).`,
      advice:
        'Check capacity and health, whether the meter missed time, and whether the start level had settled.',
    },
  ]
}
