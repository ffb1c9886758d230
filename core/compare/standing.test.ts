import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import type { Source } from '../gear/gear'
import type { MadeOf } from './madeOf'
import { standingOf } from './standing'
import { ASSUMED_REPEATABILITY } from './verdict'

interface Run {
  id?: string
  deviceId?: string
  owned?: boolean
  fullS?: number
  gain?: number
  hotC?: number
}
const setup = ({ id = 'a', deviceId = 'phone', owned = true, fullS = NaN, gain = NaN, hotC }: Run): MadeOf => ({
  deviceId,
  source: { id, owned, kind: 'wall charger' } as Source,
  sides: [
    {
      analysis: {
        startPercent: 5,
        milestones: [{ percent: 100, timeS: fullS, uncertaintyS: 30, ...(Number.isNaN(fullS) ? { reason: 'ended' } : {}) }],
        marks: [{ atS: 900, percent: 5 + gain, gain, uncertainty: 0.41, ...(Number.isNaN(gain) ? { reason: 'ended' } : {}) }],
        heat: hotC === undefined ? [] : [{ maxC: hotC, riseC: 10, uncertaintyC: 0.5 }],
        findings: [],
      } as unknown as Analysis,
      usableWh: NaN,
      hoursPerPoint: NaN,
    },
  ],
}) // prettier-ignore
const told = (...setups: MadeOf[]) => standingOf(setups, { topUpMinutes: '15' }, ASSUMED_REPEATABILITY)

it('names with the best all that can’t be told from it', () => {
  const { topUp, coolest } = told(
    setup({ id: 'a', gain: 30, hotC: 38 }),
    setup({ id: 'b', gain: 30.5, hotC: 33 }),
    setup({ id: 'c', gain: 18, hotC: 32.8 }),
    setup({ id: 'd' }),
  )
  expect([topUp, coolest]).toEqual([
    [1, 0],
    [2, 1],
  ])
})

it('tells who is full sooner than the fastest that is owned, by more than chance', () => {
  const owned = [setup({ id: 'a', fullS: 9000 }), setup({ id: 'b', fullS: 12_000 })]
  const others = [8950, 6000, 13_000, NaN].map((fullS, i) =>
    setup({ id: `bought ${i}`, owned: false, fullS }),
  )
  expect(told(...owned, ...others).sooner).toEqual([3])
  // With nothing owned there is nothing to save against.
  expect(told(...others).sooner).toEqual([])
})

it('tells devices from gear', () => {
  expect(told(setup({}), setup({ id: 'b' })).scope).toBe('gear')
  expect(told(setup({}), setup({ deviceId: 'tablet' })).scope).toBe('devices')
})
