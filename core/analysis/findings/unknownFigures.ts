import { batteryPowerColumn, powerColumn } from '../../trace/trace'
import { notice, type Finding, type Rule } from './finding'

/** The reason behind every figure of power, energy and efficiency that could not be known. */
export const unknownFigures: Rule = ({ trace, power, energy, efficiency, taperEndS }) => {
  const found: Finding[] = []
  const isRead = Boolean(powerColumn(trace) ?? batteryPowerColumn(trace))
  if (!powerColumn(trace))
    found.push(
      batteryPowerColumn(trace)
        ? notice(
            'no-power',
            'No power was read at the source: the watts are the battery’s own, as the device tells them.',
            'Put a meter in the chain to know what the source gives and what is lost on the way.',
          )
        : notice('no-power', 'No power was read.', 'Put a meter in the chain to know watts and energy.'),
    )
  if (power.coarse)
    found.push(
      notice(
        'coarse-power',
        'The held peak is the highest reading: readings are more than 30 s apart.',
        'Read a meter more often to know the held peak.',
      ),
    )
  if (Number.isNaN(energy.chargeAh))
    found.push(
      notice(
        'no-charge',
        'No current was read, so the charge in Ah is unknown.',
        'Record amperes, or volts beside watts.',
      ),
    )
  if (Number.isNaN(taperEndS))
    found.push(
      notice(
        'no-taper-end',
        isRead
          ? 'Power never came down for good, with a minute of record of it.'
          : 'Without watts nobody knows when the power came down.',
        'Let the meter run on after the display shows full.',
      ),
    )
  if (efficiency.reason)
    found.push(
      notice(
        'no-efficiency',
        `No efficiency. ${efficiency.reason}`,
        'Give the device’s capacity and put a meter in the chain.',
      ),
    )
  return found
}
