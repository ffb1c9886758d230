import { expect, it } from 'vitest'
import { isHeaderRow, repeatedColumns } from './columns'
import { guessColumns } from './guessColumns'
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
  ['Battery of the phone, volts', 'batteryVoltage'], ['battery side amps', 'batteryCurrent'], ['battery (a)', 'batteryCurrent'],
  ['battery side watts', 'batteryPower'], ['bus_v', 'voltage'], ['bus_mv_raw', 'ignore'],
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

it('judges a column by its first fifty cells, and by some from all the way down', () => {
  const style = (cells: string[]) => {
    const rows = cells.map((cell) => ({ cells: [cell] }))
    const [meaning] = guessColumns({ headers: ['Time'], rows } as unknown as Table)
    return meaning.kind === 'time' && meaning.style
  }
  const clock = (minute: number) =>
    `${Math.floor(minute / 60) % 24}:${String(minute % 60).padStart(2, '0')}:00`
  // Begun ten minutes past midnight, it passes the next midnight far below: only then it hangs on a wall.
  const day = Array.from({ length: 1500 }, (_, i) => clock(10 + i))
  expect(style(day)).toBe('time-of-day')
  expect(style(day.slice(0, 1400))).toBe('clock')
  expect(style(['', '', '0:05:00'])).toBe('clock')
  // Our own header counts from power-on, were it since 1970.
  const own = guessColumns({ headers: ['time_s'], rows: [{ cells: ['1772476800'] }] } as unknown as Table)
  expect(own).toEqual([{ kind: 'time', style: 'seconds' }])
  const inMs = guessColumns({ headers: ['time_s'], rows: [{ cells: ['1772476800000'] }] } as unknown as Table)
  expect(inMs).toEqual([{ kind: 'time', style: 'seconds' }])
})

it('gives no place of temperature twice, and two places both', () => {
  const kinds = guessColumns({ headers: ['temperature_lid_c', 'Temp', 'temperature_lid_c', 'temperature_back_c', 'temp 2', 'x', 'y'], rows: [] } as unknown as Table) // prettier-ignore
  expect(kinds.map((m) => (m.kind === 'temperature' ? m.place : m.kind))).toEqual(['lid', '', 'ignore', 'back', 'ignore', 'ignore', 'ignore']) // prettier-ignore
  expect(isHeaderRow(['time_s', '-'])).toBe(false)
})
