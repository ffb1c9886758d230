import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CHANNELS, channel } from '../trace/channels'
import { traceFromReadings, type Reading } from '../trace/trace'
import { quantityMeaning, quantityTitle, writeQuantityUnit } from './quantityUnit'
import { readTraceCsv } from './traceCsv'

it('heads columns as open battery data do', () => {
  const trace = traceFromReadings([
    { t: 0, voltage: 9, current: 2, temperatures: { back: 21, '': 20 }, note: '=1+1' },
    { t: 1, voltage: 9.1 },
  ])
  expect(writeQuantityUnit(trace)).toBe(
    'Test Time / s,Voltage / V,Current / A,Temperature back / degC,Temperature / degC,Note\r\n' +
      "0,9,2,21,20,'=1+1\r\n1,9.1,,,,\r\n",
  )
})

it('reads them whatever their order and space, in thousandths too', () => {
  const { trace } = readTraceCsv(
    'Current / mA,Test Time/s,Battery Voltage / V,Cycle Count / 1\n1500,0,3.8,1\n1400,1,3.9,1\n',
  )
  expect([...trace.current!]).toEqual([1.5, 1.4])
  expect([...trace.batteryVoltage!]).toEqual([3.8, 3.9])
  expect(trace.percent).toBeUndefined()
  expect(quantityMeaning('Voltage / A')).toBeUndefined()
  const temperature = (place: string) => ({ kind: 'temperature', place, fahrenheit: false })
  expect(quantityMeaning(' temperature lid/degC ')).toEqual(temperature('lid'))
  expect(quantityMeaning('Temperature / degC')).toEqual(temperature(''))
  for (const other of [
    'Cell temperature / degC',
    'Temperatures / degC',
    'Temperature lid / K',
    ' / V',
    'Voltage / V V',
    '',
  ])
    expect(quantityMeaning(other), other).toBeUndefined()
  expect(quantityMeaning('Voltage')).toBeUndefined()
  expect(quantityMeaning('Unix Time / s')).toEqual({ kind: 'time', style: 'epoch-seconds' })
})

it('has a heading of its own for every channel, and knows it again', () => {
  expect(new Set(CHANNELS.map(quantityTitle)).size).toBe(CHANNELS.length)
  for (const c of CHANNELS)
    expect(quantityMeaning(quantityTitle(c))).toEqual({ kind: 'channel', channel: c, divisor: 1 })
})

it('goes out and comes back the same', () => {
  // Minus nought is written as nought.
  const value = (low: number, high: number) =>
    fc.option(
      fc.double({ min: low, max: high, noNaN: true }).map((v) => v + 0),
      { nil: undefined },
    )
  const reading = fc.record({
    ...Object.fromEntries(
      CHANNELS.map((c) => [c, c === 'watched' ? fc.constant(undefined) : value(...channel(c).bounds)]),
    ),
    temperatures: fc.record({ back: fc.double({ min: -20, max: 80, noNaN: true }).map((v) => v + 0) }),
  }) as unknown as fc.Arbitrary<Omit<Reading, 't'>>
  fc.assert(
    fc.property(fc.array(reading, { minLength: 1, maxLength: 8 }), (readings) => {
      const trace = traceFromReadings(readings.map((r, i) => ({ ...r, t: i * 30 })))
      // A table of temperatures alone has nothing that names a run's own quantity twice; it reads as any other.
      expect(readTraceCsv(writeQuantityUnit(trace)).trace).toEqual(trace)
    }),
    { numRuns: 60 },
  )
})
