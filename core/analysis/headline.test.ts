import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { analyse } from './analyse'
import type { Finding } from './findings/findings'
import { headlineOf, timeTo } from './headline'

// A point a minute from 40 up to 60, each as it turned; 9 W, first read at minute 5: 0.75 Wh of it are bridged (common
// practice, no source), the other 15 min of the record are 2.25 Wh.
const minutes = Array.from({ length: 21 }, (_, i) => i)
const run = () =>
  traceFromReadings(
    minutes.map((i) => ({ t: 60 * i, percent: 40 + i, watched: 1, ...(i >= 5 ? { power: 9 } : {}) })),
  )

it('is what a list shows of a run: all the energy, bridged as well, and no time for what was not reached', () => {
  const headline = headlineOf(analyse(run(), { usableWh: 12 }))
  expect(headline).toMatchObject({
    startPercent: 40,
    endPercent: 60,
    durationS: 1200,
    peakW: 9,
    heldPeakW: 9,
    energyWh: expect.closeTo(3, 9),
  })
  expect(headline.times.map(({ percent }) => percent)).toEqual([50, 80, 90, 100])
  expect(timeTo(headline, 50)).toBeCloseTo(600, 0)
  // The display's refresh (5 s, rectangular) and the hand's 2 s are what is left of a watched change.
  expect(headline.times[0].uncertaintyS).toBeGreaterThan(1)
  expect(headline.times[0].uncertaintyS).toBeLessThan(4)
  for (const percent of [80, 90, 100, 55]) expect(timeTo(headline, percent)).toBeNaN()
  expect(timeTo(undefined, 50)).toBeNaN()
})

it('has an efficiency where the meter saw the whole stretch, and none where it did not', () => {
  // 20 points of 12 Wh are 2.4 Wh, of 3 Wh at the meter: read throughout 80 %; with a quarter of it bridged nothing.
  const throughout = headlineOf(analyse({ ...run(), power: new Float64Array(21).fill(9) }, { usableWh: 12 }))
  expect([throughout.efficiency, throughout.efficiencyGain]).toEqual([expect.closeTo(0.8, 9), 20])
  expect(headlineOf(analyse(run(), { usableWh: 12 })).efficiency).toBeNaN()
})

it('counts findings by how much they weigh', () => {
  const a = analyse(run())
  const weighing = (severity: Finding['severity']): Finding => ({ ...a.findings[0], severity })
  const of = (...severities: Finding['severity'][]) =>
    headlineOf({ ...a, findings: severities.map(weighing) }).findings
  expect(of()).toEqual({ blocking: 0, warning: 0, notice: 0 })
  expect(of('notice', 'blocking', 'notice', 'warning', 'notice', 'warning')).toEqual({
    blocking: 1,
    warning: 2,
    notice: 3,
  })
})
