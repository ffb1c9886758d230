import type { Finding, Rule } from './finding'

/** The charge switched on and off in turn: at the very end a trickle, before it a fault. */
export const onOff: Rule = ({ switched, parts }) => {
  const trickleS = parts.find((p) => p.kind === 'trickle')?.startS ?? Infinity
  return switched.map(({ startS, endS, cycles }): Finding =>
    endS >= trickleS
      ? {
          code: 'trickle',
          severity: 'notice',
          atS: startS,
          message: `At the end the charge switched on and off ${cycles} times.`,
          advice: '“Full” depends on the rule here: quote shown full and the end of the taper, by name.',
        }
      : {
          code: 'on-off',
          severity: 'warning',
          atS: startS,
          message: `The charge switched off and on again ${cycles} times.`,
          advice: 'Look at the plug, the cable, the heat and what the source can give; repeat the run.',
        },
  )
}
