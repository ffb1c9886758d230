import { clock } from '../../words/figures'
import { chargesIn } from '../charges'
import type { Rule } from './finding'

/** A record that goes on into the next charge: what is worked out of the whole mixes the two. */
export const anotherCharge: Rule = ({ trace }) =>
  chargesIn(trace)
    .slice(1)
    .filter(({ isSure }) => isSure)
    .map(({ fromS }) => ({
      code: 'another-charge',
      severity: 'blocking',
      atS: fromS,
      message: `At ${clock(fromS)} another charge begins: figures of the whole record mix the two.`,
      advice: 'Make a run of each charge, and set this one aside.',
    }))
