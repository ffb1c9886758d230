import { expect, it } from 'vitest'
import { isHeaderRow, meaningOf, repeatedColumns } from './columns'
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
  ['Temp', 'temperature'], ['case °F', 'temperature case in F'], ['temp_f', 'temperature in F'],
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

it('takes T beside a column of times for a temperature, where its numbers can be one', () => {
  const kinds = (...rows: string[][]) =>
    guessColumns({ headers: ['Date', 'T', 'W'], rows: rows.map((cells, line) => ({ line, cells })) } as never).map((m) => m.kind) // prettier-ignore
  expect(kinds(['2026-11-03 19:00', '24.5', '18'], ['2026-11-03 19:05', '', '18'])).toEqual(['time', 'temperature', 'channel']) // prettier-ignore
  expect(kinds(['2026-11-03', '19:00', '18'], ['2026-11-03', '19:05', '18'])[1]).not.toBe('temperature')
})

it('takes what names the battery for its side, in a few languages, and the charger’s for the source’s', () => {
  const channels = (...headers: string[]) =>
    headers.map((h) => {
      const m = meaningOf(h, [])
      return m.kind === 'channel' ? m.channel : m.kind
    })
  expect(channels('Akkuspannung (V)', 'Zellspannung', 'Tension batterie', 'Voltaje batería [V]', 'Voltage (battery)', 'Pack voltage')).toEqual(Array(6).fill('batteryVoltage')) // prettier-ignore
  expect(channels('Batteriestrom', 'Corrente batteria (mA)', 'Cell current', 'Courant batterie')).toEqual(Array(4).fill('batteryCurrent')) // prettier-ignore
  expect(channels('Akkuleistung', 'Power into battery', 'Potencia batería', 'Battery input power (W)')).toEqual(Array(4).fill('batteryPower')) // prettier-ignore
  expect(channels('Battery charger voltage (V)', 'Ladespannung', 'Vbus', 'U_in')).toEqual(Array(4).fill('voltage')) // prettier-ignore
})

it('holds a name to its unit, and leaves what is measured in none of ours', () => {
  const said = (header: string) => {
    const m = meaningOf(header, [])
    return m.kind === 'channel' ? `${m.channel} ${m.divisor}` : m.kind
  }
  const meant: Record<string, string> = {
    'Battery level (mV)': 'batteryVoltage 1000',
    'Current power (W)': 'power 1',
    'T (°C)': 'temperature',
    T_F: 'temperature',
    'Load, A': 'current 1',
    'Measured power': 'power 1',
    'Battery remaining (%)': 'percent 1',
    'Recorded at': 'time',
    Measured: 'time',
  }
  for (const [header, as] of Object.entries(meant)) expect(said(header), header).toBe(as)
  const none = ['Sample', 'Example', 'Humidity (%)', 'CPU load (%)', 'Battery health (%)', 'D+ (V)', 'DM voltage', 'CC1 (V)', 'Ripple (mV)', 'Set voltage (V)', 'Rated power (W)', 'Level (dB)', 'Time to full (min)', 'Remaining time', 'Start time', 'Room temperature (°C)', '__proto__', 'x (constructor)'] // prettier-ignore
  for (const header of none) expect(said(header), header).toBe('ignore')
})

it('keeps the place that a heading names for a temperature', () => {
  const places = (...headers: string[]) => headers.map((h) => (meaningOf(h, []) as { place?: string }).place)
  expect(places('Temperature (°C)', 'Max temp [C]', 'temp_f', 'Temp. back', 'Front temp (°F)', 'T_lid', 'Temp (Screen)', 'Akkutemperatur')).toEqual(['', '', '', 'back', 'front', 'lid', 'screen', 'akku']) // prettier-ignore
})

it('reads as many places of temperature as a run can have, and none by a name that no record can carry', () => {
  const many = Array.from({ length: 30 }, (_, i) => `Temp ${i + 1}`)
  const kinds = guessColumns({ headers: ['time_s', ...many], rows: [] } as unknown as Table).map((m) => m.kind) // prettier-ignore
  expect(kinds.filter((kind) => kind === 'temperature')).toHaveLength(24)
  expect((meaningOf('constructor temp', []) as { place?: string }).place).toBe('')
})

it('gives no place of temperature twice, and two places both', () => {
  const kinds = guessColumns({ headers: ['temperature_lid_c', 'Temp', 'temperature_lid_c', 'temperature_back_c', 'temp 2', 'x', 'y'], rows: [] } as unknown as Table) // prettier-ignore
  expect(kinds.map((m) => (m.kind === 'temperature' ? m.place : m.kind))).toEqual(['lid', '', 'ignore', 'back', '2', 'ignore', 'ignore']) // prettier-ignore
  expect(isHeaderRow(['time_s', '-'])).toBe(false)
})
