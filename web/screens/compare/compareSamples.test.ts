import { expect, it } from 'vitest'
import type { Trace } from '@core/trace/trace'
import { COMPARED, comparedSamples, mayBeDrawn } from './compareSamples'

const column = (...values: number[]) => Float64Array.from(values)
const [some, none] = [column(NaN, 5, 6), column(NaN, NaN, NaN)]
const trace = (over: Partial<Trace>): Trace => ({ time: column(0, 60, 120), temperatures: {}, ...over })

it.each<[string, Trace]>([
  ['nothing', trace({})],
  ['a level', trace({ percent: some })],
  ['watts', trace({ power: some })],
  ['volts and amperes never together', trace({ voltage: column(5, NaN, NaN), current: column(NaN, 1, 1) })],
  ['a count', trace({ counterWh: some })],
  ['a warm place beside one that was not read', trace({ temperatures: { back: none, lid: some } })],
  [
    'columns without a reading',
    trace({ percent: none, power: none, counterWh: none, temperatures: { back: none } }),
  ],
])('says of %s what can be drawn before it is made', (_, of) => {
  for (const what of COMPARED) expect([what, mayBeDrawn(of, what)]).toEqual([what, comparedSamples(of, what).t.length > 0]) // prettier-ignore
})
