import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import type { Source } from '../gear/gear'
import { adviceApart, partsToChoose, type AdviceApart } from './apart'
import { GOALS } from './ranking'
import { ASSUMED_REPEATABILITY } from './verdict'

const one = (deviceId: string, source: string, way = '') => ({ deviceId, gear: [source], way })

it('parts set-ups where the gear alone is chosen in each part, by device, and by way where a charger comes twice', () => {
  // The whole list can be chosen among: there is nothing to part.
  expect(partsToChoose([one('p', 'a'), one('p', 'b', 'other')])).toEqual([])
  expect(partsToChoose([one('p', 'a'), one('t', 'a'), one('p', 'b'), one('t', 'b'), one('w', 'a')])).toEqual([
    [0, 2],
    [1, 3],
  ])
  const units = [one('p', 'a', 'A'), one('p', 'a', 'B'), one('p', 'b', 'B'), one('p', 'b', 'A'), one('p', 'c', 'C')]
  expect(partsToChoose(units)).toEqual([
    [0, 3],
    [1, 2],
  ])
  // Two devices, one of them in two ways.
  expect(partsToChoose([...units.slice(0, 4), one('t', 'a'), one('t', 'b')])).toEqual([[0, 3], [1, 2], [4, 5]]) // prettier-ignore
  expect(partsToChoose([one('p', 'a'), one('t', 'a')])).toEqual([])
}) // prettier-ignore

const goal = GOALS.find(({ key }) => key === 'full')!
const setup = (deviceId: string, id: string, fullS: number, price: number) => ({
  deviceId,
  way: deviceId,
  source: { id, kind: 'wall charger', owned: false, price, weightG: null, size: '' } as Source,
  sides: [
    {
      analysis: {
        startPercent: 5,
        milestones: [{ percent: 100, timeS: fullS, uncertaintyS: 30, ...(Number.isNaN(fullS) ? { reason: 'ended' } : {}) }],
        marks: [],
        heat: [],
        findings: [],
      } as unknown as Analysis,
      usableWh: NaN,
      hoursPerPoint: NaN,
    },
  ],
}) // prettier-ignore
const asked: Parameters<typeof adviceApart>[1] = {
  goal,
  moments: { ladderMinutes: '60', topUpMinutes: '15' },
  options: { prefer: 'cost', share: 0.9, nightHours: 8, warmC: 40 },
  repeatability: ASSUMED_REPEATABILITY,
}
const told = (a: AdviceApart) => [a.setups, a.choice, a.turns]

it('chooses for each device by itself: what is slow for a tablet may do as well for a phone', () => {
  const found = adviceApart(
    [
      setup('tablet', 'dear', 7000, 60),
      setup('phone', 'dear', 5000, 60),
      setup('tablet', 'cheap', 14_000, 20),
      setup('phone', 'cheap', 5010, 20),
    ],
    asked,
  )
  expect(found.map(told)).toEqual([
    [[0, 2], 0, { to: 2, at: 7000 }],
    [[1, 3], 3, null],
  ])
})

it('says nothing of a part in which one alone got there', () => {
  const found = adviceApart(
    [
      setup('tablet', 'dear', 7000, 60),
      setup('phone', 'dear', 5000, 60),
      setup('tablet', 'cheap', 14_000, 20),
      setup('phone', 'cheap', NaN, 20),
    ],
    asked,
  )
  expect(found.map(({ setups }) => setups)).toEqual([[0, 2]])
})
