import { clock } from '../../words/figures'
import type { Rule } from './finding'

/** It was unplugged, and readings go on without a word of its being plugged in again: how long the pause was is not known. */
export const openPause: Rule = ({ trace, context: { unpluggedS } }) => {
  const lastS = trace.time[trace.time.length - 1] ?? NaN
  return unpluggedS < lastS
    ? [
        {
          code: 'open-pause',
          severity: 'warning',
          atS: unpluggedS,
          message: `It was unplugged at ${clock(unpluggedS)}, and nobody noted when it was plugged in again.`,
          advice:
            'Note “Plugged in again” at its time under events: until then the pause counts as charging.',
        },
      ]
    : []
}
