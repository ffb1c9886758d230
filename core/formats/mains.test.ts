import { expect, it } from 'vitest'
import { meaningOf } from './columns'
import { withoutMains } from './mains'

/** The headings that are left out of a table whose columns hold such a value all along. */
const leftOut = (columns: Record<string, string>) => {
  const headers = Object.keys(columns)
  const meanings = headers.map((h) => meaningOf(h, [columns[h]]))
  return withoutMains(meanings, headers, (i) => ['', columns[headers[i]], columns[headers[i]]])
    .flatMap((m, i) => (m.kind === 'ignore' ? [headers[i]] : []))
} // prettier-ignore

it('leaves out the volts of the mains, and the amperes at their side alone', () => {
  expect(leftOut({ 'Time': '19:00', 'Voltage (V)': '231.4', 'Current (A)': '0.12', 'Power (W)': '18' })).toEqual(['Voltage (V)', 'Current (A)'])
  expect(leftOut({ 'Time': '19:00', 'Input volts': '118', 'Input_Amps': '0.2', 'Output voltage': '9.1', 'Output current': '2' })).toEqual(['Input volts', 'Input_Amps'])
  expect(leftOut({ 'Time': '19:00', 'U [V]': '85', 'I [A]': '0.2' })).toEqual(['U [V]', 'I [A]'])
}) // prettier-ignore

it('leaves all as it is where no mains are: a supply’s volts, thousandths of a volt, and watts of any size', () => {
  expect(leftOut({ 'Time': '19:00', 'Voltage (V)': '48', 'Current (A)': '5' })).toEqual([])
  expect(leftOut({ 'Time': '19:00', 'Voltage (mV)': '200', 'Current (A)': '5' })).toEqual([])
  expect(leftOut({ 'Time': '19:00', 'Power (W)': '230', 'Current (A)': '5' })).toEqual([])
  expect(leftOut({ 'Time': '19:00', 'Voltage (V)': '281', 'Current (A)': '5' })).toEqual([])
}) // prettier-ignore
