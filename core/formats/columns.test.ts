import { expect, it } from 'vitest'
import { guessColumns, isHeaderRow, repeatedColumns } from './columns'
import type { Table } from './table'

const guess = (header: string) => guessColumns({ headers: [header], rows: [] } as unknown as Table)[0]
/** What a header is taken for, in a few letters: the channel, and thousandths. */
const taken = (header: string): string => {
  const meaning = guess(header)
  if (meaning.kind === 'channel') return meaning.channel + (meaning.divisor === 1 ? '' : ` / ${meaning.divisor}`)
  if (meaning.kind === 'temperature')
    return `temperature${meaning.place && ` ${meaning.place}`}${meaning.fahrenheit ? ' in F' : ''}`
  return meaning.kind
} // prettier-ignore

it.each([
  ['Elapsed', 'time'], ['Uptime ms', 'time'], ['Date time', 'time'],
  ['Level %', 'percent'], ['SoC', 'percent'], ['Battery charge level', 'percent'],
  ['Wh', 'counterWh'], ['mWh', 'counterWh / 1000'], ['Watt hours', 'counterWh'], ['watthour', 'counterWh'],
  ['Ah', 'counterAh'], ['Capacity (mAh)', 'counterAh / 1000'], ['Ampere hours', 'counterAh'], ['amper-hour', 'counterAh'],
  ['Battery voltage', 'batteryVoltage'], ['Battery (mV)', 'batteryVoltage / 1000'],
  ['Battery current', 'batteryCurrent'], ['battery (mA)', 'batteryCurrent / 1000'], ['Battery amps', 'batteryCurrent'],
  ['Battery power', 'batteryPower'], ['Battery (W)', 'batteryPower'], ['Battery watts', 'batteryPower'],
  ['Volts', 'voltage'], ['U', 'voltage'], ['bus_mv', 'voltage / 1000'], ['Output (V)', 'voltage'],
  ['Amps', 'current'], ['I', 'current'], ['milliamps', 'current / 1000'], ['out_a', 'current'],
  ['Watts', 'power'], ['P', 'power'], ['Load (mW)', 'power / 1000'],
  ['Temp', 'temperature'], ['case °F', 'temperature in F'], ['temp_f', 'temperature in F'],
  ['temperature_Back_c', 'temperature Back'], ['temperature_c', 'temperature'],
  ['Remark', 'note'], ['Event', 'note'], ['Colour', 'ignore'],
])('takes a column headed %s for %s', (header, meaning) => expect(taken(header)).toBe(meaning)) // prettier-ignore

it('gives no meaning twice, and names the columns that repeat a name', () => {
  const kinds = guessColumns({
    headers: ['Time', 'Volts', 'Bus volts', 'Note'],
    rows: [],
  } as unknown as Table)
  expect(kinds.map((m) => m.kind)).toEqual(['time', 'channel', 'ignore', 'note'])
  expect(repeatedColumns(['V', 'A', 'v', '', '', 'A'])).toEqual([2, 5])
})

it('knows a header by a time and something read at it', () => {
  expect(isHeaderRow(['Time', 'Volts'])).toBe(true)
  expect(isHeaderRow(['Elapsed', 'temp'])).toBe(true)
  expect(isHeaderRow(['Time', 'Note'])).toBe(false)
  expect(isHeaderRow(['Volts', 'Amps'])).toBe(false)
  // Values are no names, whatever stands in them.
  expect(isHeaderRow(['0:05:00', '9.02'])).toBe(false)
})
