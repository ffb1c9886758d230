import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { loadSplit } from './load'

it('splits a source’s power between battery and system, and tells the time to empty', () => {
  // 15 W from the source, the level falls 6 points of 50 Wh in 30 minutes: −6 W, so 21 W for the system.
  const trace = traceFromReadings([
    { t: 0, percent: 80, power: 15 },
    { t: 600, percent: 80, power: 15 },
    { t: 2400, percent: 74, power: 15 },
  ])
  const [phase] = loadSplit(trace, [{ t: 600, kind: 'load-start', text: 'charts' }], 50)
  expect(phase).toMatchObject({ name: 'charts', sourceW: 15 })
  expect(phase.batteryW).toBeCloseTo(-6, 9)
  expect(phase.systemW).toBeCloseTo(21, 9)
  expect(phase.hoursToEmpty).toBeCloseTo(37 / 6, 9)
})
