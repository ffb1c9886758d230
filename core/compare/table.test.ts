import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import { compareRuns } from './table'

/** A run to 80 % and no further: its times, its levels after a quarter and half an hour, watts, energy. */
const run = (id: string, half: number, eighty: number) => ({
  id,
  analysis: {
    startPercent: 2,
    milestones: [
      { percent: 50, timeS: half, uncertaintyS: 4 },
      { percent: 80, timeS: eighty, uncertaintyS: 5 },
    ],
    marks: [
      { atS: 900, percent: 31 },
      { atS: 1800, percent: 52 },
    ],
    power: { peakW: 27.1, heldPeakW: 26.4 },
    energy: { energyWh: 15, bridgedWh: 0.5 },
  } as unknown as Analysis,
})

it('sets every run against the baseline at the usual levels and minutes; what is not known stays so', () => {
  const [a, b] = compareRuns([run('a', 1500, 2700), run('b', 1200, 3000)], 'a')
  expect(a.times.map((t) => [t.percent, t.timeS, t.against.savedS])).toEqual([
    [50, 1500, 0],
    [80, 2700, 0],
    [100, NaN, NaN],
  ])
  expect(
    b.times.map((t) => [t.uncertaintyS, t.against.savedS, t.against.savedShare, t.against.speedRatio]),
  ).toEqual([
    [4, 300, 0.2, 1.25],
    [5, -300, -300 / 2700, 0.9],
    [NaN, NaN, NaN, NaN],
  ])
  expect(b).toMatchObject({ id: 'b', startPercent: 2, peakW: 27.1, heldPeakW: 26.4, energyWh: 15.5 })
  expect(b.levels).toEqual([
    { atS: 900, percent: 31 },
    { atS: 1800, percent: 52 },
    { atS: 3600, percent: NaN },
  ])
  // A baseline that is none of them leaves nothing to be set against.
  expect(compareRuns([run('a', 1500, 2700)], 'nobody')[0].times[0].against.savedS).toBeNaN()
})
