import { expect, it } from 'vitest'
import { signOf, withSigns } from './spelledUnits'

it('writes units that are said as signs, behind figures alone', () => {
  expect(withSigns('5 per cent, 18.1 watts and 9volts; 2 Amps, 1,5 ampères')).toBe(
    '5 %, 18.1 W and 9V; 2 A, 1,5 A',
  )
  expect(withSigns('21 Prozent, 30 por ciento, 31 celsius')).toBe('21 %, 30 %, 31 °C')
  // A name, and words that only begin alike.
  expect(withSigns('Watt 5 and 3 voltage steps, 20 ampler')).toBe('Watt 5 and 3 voltage steps, 20 ampler')
})

it('knows a unit by its word, and leaves any other as it stands', () => {
  expect(['Volts', 'per cent', 'AMP', 'mV', 'constructor'].map(signOf)).toEqual(['V', '%', 'A', 'mV', 'constructor'])
}) // prettier-ignore
