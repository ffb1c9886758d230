import { expect, it } from 'vitest'
import { traceFromReadings } from '../../trace/trace'
import { anotherCharge } from './anotherCharge'
import type { FindingInputs } from './finding'

const told = (readings: Parameters<typeof traceFromReadings>[0]) =>
  anotherCharge({ trace: traceFromReadings(readings) } as FindingInputs).map(
    ({ severity, atS, message }) => `${severity} ${atS}: ${message}`,
  )

it('tells a record that goes on into another charge, but nothing of one that may have', () => {
  const charge = (from: number) =>
    Array.from({ length: 60 }, (_, m) => ({ t: 60 * (from + m), percent: 5 + m }))
  expect(told([...charge(0), ...charge(60)])).toEqual([
    'blocking 3600: At 1:00:00 another charge begins: figures of the whole record mix the two.',
  ])
  const slowly = Array.from({ length: 30 }, (_, m) => ({ t: 60 * (60 + m), percent: 64 - 2 * m }))
  expect(told([...charge(0), ...slowly, ...charge(90)])).toEqual([])
})
