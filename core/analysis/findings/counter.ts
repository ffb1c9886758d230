import { AT_START_S } from '../counter'
import { notice, said, type Finding, type Rule } from './finding'

/** Count and integral may differ by this share, and by so little that it is the last digit of a small meter, Wh. */
const DISAGREEMENT = 0.03
const LAST_DIGIT_WH = 0.01

/** A meter's own count: set back, taken to have begun at nothing, or at odds with its watts. */
export const counter: Rule = ({ energy }) => {
  if (!energy.counter) return []
  const { energyWh, integralWh, resets, assumedZero, fromS } = energy.counter
  const found: Finding[] = resets.map((atS) => ({
    code: 'counter-reset',
    severity: 'notice',
    atS,
    message: 'The meter’s count was lower than before: it was set back, and counts anew from there.',
    advice: 'Leave the count alone while a run goes on; what flowed just before it was set back is lost.',
  }))
  if (assumedZero)
    found.push(
      notice(
        'counter-from-nothing',
        'The meter’s count was not read at power-on; it is taken to have stood at nothing.',
        'Read the count at the start.',
      ),
    )
  if (fromS > AT_START_S)
    found.push({
      code: 'counter-carried',
      severity: 'notice',
      atS: fromS,
      message:
        'The meter’s count was more than can have flowed when it was first read: it counts from there.',
      advice: 'Set the count to nothing, or read it, at the start; what flowed before is bridged or lost.',
    })
  const off = Math.abs(energyWh - integralWh)
  if (off > Math.max(DISAGREEMENT * Math.abs(energyWh), LAST_DIGIT_WH))
    found.push({
      code: 'counter-disagrees',
      severity: energy.energyFrom === 'integral' ? 'warning' : 'notice',
      atS: NaN,
      message: `The meter counted ${said(energyWh, 2)} Wh; its watts add up to ${said(integralWh, 2)} Wh.`,
      advice:
        energy.energyFrom === 'integral'
          ? 'One of the two is wrong: check which column is which, and the meter’s clock.'
          : 'The count is used, since the watts were read seldom.',
    })
  return found
}
