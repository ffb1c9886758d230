import { expect, it } from 'vitest'
import { columnOfPart, partsOf, withPart } from './parts'
import { CHANNELS, type Trace } from './trace'

/** A trace with every column there can be. */
const whole: Trace = {
  time: Float64Array.of(0, 60),
  ...Object.fromEntries(CHANNELS.map((channel, i) => [channel, Float64Array.of(i, i + 1)])),
  temperatures: { back: Float64Array.of(30, NaN), time: Float64Array.of(1, 2), '': Float64Array.of(3, 4) },
  notes: ['', 'moved'],
}
const sent = (trace: Trace) =>
  partsOf(trace).reduce<Trace | undefined>(
    (before, name) => withPart(before, name, columnOfPart(trace, name)),
    undefined,
  )

it('a trace sent column by column is the same trace, whatever it has', () => {
  expect(sent(whole)).toEqual(whole)
  const bare: Trace = { time: Float64Array.of(5), temperatures: {} }
  expect(partsOf(bare)).toEqual(['time'])
  expect(sent(bare)).toEqual(bare)
  expect(partsOf(whole)[0]).toBe('time')
})

it('leaves the trace before as it was, and names a column that is not there', () => {
  const before = withPart(undefined, 'time', Float64Array.of(1))
  expect(withPart(before, 'power', Float64Array.of(9))).not.toBe(before)
  expect(before.power).toBeUndefined()
  expect(() => columnOfPart(before, 'power')).toThrow('The trace has no column power.')
})
