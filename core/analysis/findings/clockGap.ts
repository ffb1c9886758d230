import type { Rule } from './finding'

/** Stretches in which no power was read. */
export const clockGap: Rule = ({ energy }) =>
  energy.gaps.map((gap) => ({
    code: 'clock-gap',
    severity: 'warning',
    atS: gap.startS,
    message: `No power was read for ${Math.round(gap.endS - gap.startS)} s; the energy across it is bridged, not measured.`,
    advice: 'Check the meter’s lead and the recording app; repeat the run if the gap covers the peak.',
  }))
