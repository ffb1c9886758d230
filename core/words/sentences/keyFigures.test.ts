import { expect, it } from 'vitest'
import { analyse } from '../../analysis/analyse'
import { traceFromReadings, type Reading } from '../../trace/trace'
import { keyFigures } from './keyFigures'

/** Half an hour at a steady draw. */
const figuresOf = (reading: Omit<Reading, 't'>) => {
  const readings = Array.from({ length: 181 }, (_, i) => ({ t: i * 10, percent: 10, ...reading }))
  return keyFigures(analyse(traceFromReadings(readings)), { usableWh: 15, assumedVolts: false })
}

it('says what a device told of itself only where no meter stood beside it, and that nobody knows how exact it is', () => {
  const own = figuresOf({ batteryVoltage: 4, batteryCurrent: 3 })
  expect(own.map(({ label, value, spread }) => [label, value.replace('\u00a0', ' '), spread])).toEqual([
    ['Held peak, at the battery', '12.0 W', ''],
    ['At the battery', '6.00 Wh', ''],
  ])
  for (const { workings } of own) {
    expect(workings.title).toContain('at the battery')
    expect(workings.assumed).toEqual([expect.stringContaining('no meter’s')])
  }
  const both = figuresOf({ batteryPower: 12, power: 15 })
  expect(both.map(({ label }) => label)).toEqual(['Held peak', 'At the meter'])
})
