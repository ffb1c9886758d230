import { expect, it } from 'vitest'
import type { Reading } from '../trace/trace'
import { countAtStart, lastCount } from './count'
import { newLane, reduceLane } from './state'

const lane = (...readings: Reading[]) => reduceLane(newLane(), { kind: 'readings', readings })

it('tells the count at power-on from those since, the last of which counts', () => {
  const noted = lane({ t: 0, percent: 20 }, { t: 2.5, counterWh: 12.4 }, { t: 120, counterWh: 12.6 }, { t: 300, counterWh: 12.815 }, { t: 310, percent: 22 }) // prettier-ignore
  expect(countAtStart(noted)).toBe(12.4)
  expect(lastCount(noted)).toEqual({ t: 300, counterWh: 12.815 })
})

it('takes a meter to have been set to nothing where nobody read it at power-on', () => {
  expect(countAtStart(lane({ t: 300, counterWh: 0.415 }))).toBe(0)
  expect(countAtStart(lane({ t: 0, percent: 20 }))).toBe(0)
  expect(lastCount(lane({ t: 0, percent: 20 }, { t: 8, counterWh: 3 }))).toBeUndefined()
})
