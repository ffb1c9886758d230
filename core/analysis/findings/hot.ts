import type { Finding, Rule } from './finding'

/** A place at or above the limit of its run, °C. */
export const hot: Rule = ({ trace, context }) =>
  Object.entries(trace.temperatures).flatMap(([place, column]): Finding[] => {
    const row = column.findIndex((celsius) => celsius >= context.stopLimitC)
    if (row < 0) return []
    return [
      {
        code: 'hot',
        severity: 'warning',
        atS: trace.time[row],
        message: `${place ? `The ${place}` : 'The device'} reached ${column[row]} °C; the limit of this run was ${context.stopLimitC} °C.`,
        advice:
          'Do not go on: let it cool, on a hard surface, and look for swelling, smell or discolouration.',
      },
    ]
  })
