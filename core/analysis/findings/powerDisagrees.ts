import { said, type Rule } from './finding'

/** Watts and volts × amperes may differ by this share before it is a finding. */
const POWER_DISAGREEMENT = 0.03

/** Given watts against volts × amperes: named once, at the first place, with how often. */
export const powerDisagrees: Rule = ({ trace }) => {
  const { time, power, voltage, current } = trace
  if (!power || !voltage || !current) return []
  let first = -1
  let count = 0
  for (let i = 0; i < time.length; i++) {
    const product = voltage[i] * current[i]
    // Below half a watt the last digits of a small meter are a larger share than the limit.
    if (!(Math.abs(power[i] - product) > POWER_DISAGREEMENT * Math.max(Math.abs(power[i]), 0.5))) continue
    count++
    if (first < 0) first = i
  }
  if (first < 0) return []
  const product = voltage[first] * current[first]
  return [
    {
      code: 'power-disagrees',
      severity: 'warning',
      atS: time[first],
      message: `Watts and volts × amperes differ by more than 3 % (${said(power[first], 2)} W against ${said(product, 2)} W, ${count} ${count === 1 ? 'reading' : 'readings'}).`,
      advice: 'Check which columns the meter wrote; the watts as read are the ones used.',
    },
  ]
}
