import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { idleBefore } from './idle'

/** Nothing until a moment, then so much for a minute. */
const idle = (untilS: number, reading: Omit<Reading, 't'> = { power: 9 }) =>
  idleBefore(
    traceFromReadings([
      { t: 0, ...reading, ...('power' in reading ? { power: 0 } : { current: 0 }) },
      { t: untilS, ...reading, ...('power' in reading ? { power: 0 } : { current: 0 }) },
      { t: untilS + 5, ...reading },
      { t: untilS + 65, ...reading },
    ]),
  )

it('begins a record at the last reading before current flows, where that is more than a quarter of a minute away', () => {
  expect([idle(31), idle(16), idle(15)]).toEqual([31, 16, 0])
  expect(idle(600, { current: 2 })).toBe(600)
})

it('leaves a record as it is that flows from the start, or says nothing of it', () => {
  expect(idleBefore(traceFromReadings([{ t: 20, power: 9 }, { t: 90, power: 9 }]))).toBe(0) // prettier-ignore
  expect(idleBefore(traceFromReadings([{ t: 0, percent: 5 }, { t: 90, percent: 6 }]))).toBe(0) // prettier-ignore
  expect(idleBefore(traceFromReadings([]))).toBe(0)
})

it('tells the idle time of a device’s own log by what flows into its battery', () => {
  const log = (name: 'batteryPower' | 'batteryCurrent') =>
    traceFromReadings([0, 30, 60, 90, 120, 150].map((t) => ({ t, percent: 5, [name]: t < 60 ? 0 : 2 })))
  expect([idleBefore(log('batteryPower')), idleBefore(log('batteryCurrent'))]).toEqual([30, 30])
})
