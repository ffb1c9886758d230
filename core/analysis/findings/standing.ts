import { duration } from '../../words/figures'
import type { Finding, Rule } from './finding'

/** A display that rose by at least this share of what had been due, at once, had only stood still. */
const CAUGHT_UP = 0.5

/** The level stood still: the display stuck, the charge stalled, or a protective setting held it. */
export const standing: Rule = ({ standstills }) =>
  standstills.map(({ kind, startS, endS, percent, expectedPoints, jump }): Finding => {
    const how = `at ${percent} % for ${duration(endS - startS)}`
    const caughtUp = jump >= Math.max(2, CAUGHT_UP * expectedPoints)
    if (kind === 'held')
      return {
        code: 'protective-hold',
        severity: 'warning',
        atS: startS,
        message: `The charge was held ${how}, with hardly any power flowing: a protective setting, it seems.`,
        advice: 'Switch optimised or limited charging off for a test, and put it back afterwards.',
      }
    if (kind === 'stalled')
      return {
        code: 'stalled',
        severity: 'warning',
        atS: startS,
        message: `The charge stalled ${how}: hardly any power flowed.`,
        advice:
          'Look at cable, plug and how the device lies on its pad; repeat the run if it was one of them.',
      }
    if (caughtUp)
      return {
        code: 'stuck-then-jumped',
        severity: 'warning',
        atS: endS,
        message: `The display stood ${how} and then rose by ${jump} points at once.`,
        advice: 'Wake the screen before each reading; levels read meanwhile were too low.',
      }
    return {
      code: kind === 'stuck' ? 'stuck' : 'stalled',
      severity: 'warning',
      atS: startS,
      message:
        kind === 'stuck'
          ? `The display stood ${how} although energy for about ${Math.round(expectedPoints)} points flowed.`
          : `The level stood still ${how}; whether power flowed was not read.`,
      advice:
        kind === 'stuck'
          ? 'Wake the screen and read again; else the device used what it was given, or the gauge is off.'
          : 'Put a meter in the chain: only it tells a stuck display from a charge that stalled.',
    }
  })
